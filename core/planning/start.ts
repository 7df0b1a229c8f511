import type { Subject, Values } from '../equations/types'
import { attempt } from '../outcome'
import { servedValues } from '../composition/every'
import { estimate } from '../composition/estimate'
import { isGirth } from '../anatomy/ids'
import { type CheckInRecord, type Person, resultOf, sheetOf } from '../composition/check-in'
import { foldSumOf } from '../composition/fold-sum'
import { equationById, variantFor } from '../equations/registry'
import type { StartingPoint } from './goal'
import { ageOf, leastAgeOf } from '../composition/person'
import type { IsoDate } from '../units/dates'

/** By so much all folds are varied to see what the equation makes of it. */
const VARIED = 0.02

/**
 * What a kilogram of fat is on the folds by an equation, as a share of their sum: all folds grow alike, and lean is held.
 *
 * @returns undefined where the equation goes by no folds, or says nothing of folds as thick or as thin
 */
function foldsPerKgOfFat(
  equationId: string,
  subject: Subject,
  values: Values,
  { conversion }: Pick<CheckInRecord, 'conversion'>,
): number | undefined {
  const { folds } = variantFor(equationById(equationId), subject.sex)
  if (folds.length === 0) return undefined
  const fatOfLean = (share: number) => {
    const varied = { ...values }
    for (const fold of folds) varied[fold] = values[fold]! * share
    const made = attempt(() => estimate(equationId, subject, varied, { conversion }).fatPercent)
    return made.ok ? made.value / (100 - made.value) : undefined
  }
  const [less, now, more] = [1 - VARIED, 1, 1 + VARIED].map(fatOfLean)
  if (less === undefined || now === undefined || more === undefined || more <= less)
    return undefined
  const leanKg = subject.massKg! / (1 + now)
  return (2 * VARIED) / (leanKg * (more - less))
}

/**
 * The body that a plan starts from: the estimate of a check-in, at the age of the day it is planned on.
 *
 * @returns undefined where the check-in gives no fat and lean mass
 */
export function startOf(
  person: Person,
  checkIn: CheckInRecord,
  today: IsoDate,
): StartingPoint | undefined {
  const result = resultOf(person, checkIn)
  if (!result.ok || result.value.fatMassKg === undefined) return undefined
  const { fatMassKg, leanMassKg, standardError, sumMm, equationId } = result.value
  const sheet = sheetOf(person, checkIn)
  const { subject, sites } = sheet
  const sum = foldSumOf(sheet)
  const { folds } = variantFor(equationById(equationId), subject.sex)
  const gradient = foldsPerKgOfFat(
    equationId,
    subject,
    servedValues(equationById(equationId), sheet.measured),
    checkIn,
  )
  const girths = Object.entries(sites).filter(([site]) => isGirth(site))
  return {
    sex: subject.sex,
    ageYears: ageOf(person, today),
    leastAgeYears: leastAgeOf(person, today),
    heightCm: subject.heightCm,
    fatKg: fatMassKg,
    leanKg: leanMassKg!,
    standardError,
    ...(sum ? { sum } : {}),
    ...(sumMm === undefined ? {} : { equationSum: { folds: [...folds], mm: sumMm } }),
    ...(gradient === undefined
      ? {}
      : {
          mmPerKg: {
            ...(sum ? { sum: sum.mm * gradient } : {}),
            ...(sumMm === undefined ? {} : { equationSum: sumMm * gradient }),
          },
        }),
    girthsCm: Object.fromEntries(girths.map(([site, value]) => [site, value!.value])),
  }
}

/** Where a kept plan began: the body that it was made for, as it was kept. */
export function startOfPlan(
  person: Person,
  plan: {
    startedOn: IsoDate
    definition: Pick<StartingPoint, 'fatKg' | 'leanKg' | 'standardError'>
  },
): StartingPoint {
  const { fatKg, leanKg, standardError } = plan.definition
  const ageYears = ageOf(person, plan.startedOn)
  return { sex: person.sex, ageYears, fatKg, leanKg, standardError }
}

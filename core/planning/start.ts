import { isGirth } from '../anatomy/ids'
import { type CheckInRecord, type Person, resultOf, sheetOf } from '../composition/check-in'
import { foldSumOf } from '../composition/fold-sum'
import { equationById, variantFor } from '../equations/registry'
import type { StartingPoint } from './goal'
import { ageOf, leastAgeOf } from '../composition/person'
import type { IsoDate } from '../units/dates'

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

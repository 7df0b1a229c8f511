import { isGirth } from '../anatomy/ids'
import { resultOf, sheetOf, type CheckInRecord, type Person } from '../composition/check-in'
import { ageOn, type IsoDate } from '../units/dates'
import type { StartingPoint } from './goal'

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
  const { fatMassKg, leanMassKg, standardError, sumMm } = result.value
  const { subject, sites } = sheetOf(person, checkIn)
  const girths = Object.entries(sites).filter(([site]) => isGirth(site))
  return {
    sex: subject.sex,
    ageYears: ageOn(person.birthDate, today),
    heightCm: subject.heightCm,
    fatKg: fatMassKg,
    leanKg: leanMassKg!,
    standardError,
    sumMm,
    girthsCm: Object.fromEntries(girths.map(([site, value]) => [site, value!.value])),
  }
}

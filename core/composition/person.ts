import { type Message, say } from '../say'
import type { Sex } from '../anatomy/ids'
import type { GroupTerm } from '../equations/types'
import { type IsoDate, ageOn, monthsOn } from '../units/dates'

/** When somebody was born, as far as it is known: the day, the year alone, or nothing. */
export interface Birth {
  birthDate: IsoDate | null
  /** Where the day is not known. */
  birthYear?: number | null
}

/** Who is measured. */
export interface Person extends Birth {
  sex: Sex
  heightCm: number | null
  /** The sources' terms for a group, where the person wants them applied. */
  groupTerm?: GroupTerm | null
}

const dayIn = (birthYear: number, day: string): IsoDate =>
  `${String(birthYear).padStart(4, '0')}-${day}`

/** The age on a day by a birth date, or by a day that stands for the year of birth. */
function ageBy({ birthDate, birthYear }: Birth, dayOfYear: string, on: IsoDate) {
  const born = birthDate ?? (birthYear ? dayIn(birthYear, dayOfYear) : undefined)
  return born === undefined ? undefined : Math.max(0, ageOn(born, on))
}

/**
 * Age in completed years on a day. Of a year of birth alone its middle is taken, which is right to half a year; an
 * equation that counts age moves by a twentieth of a point for it.
 *
 * @returns undefined where nothing is known of it
 */
export const ageOf = (birth: Birth, on: IsoDate): number | undefined => ageBy(birth, '07-01', on)

/** Age in completed months on a day; undefined where the day of birth is not known. */
export const ageMonthsOf = ({ birthDate }: Birth, on: IsoDate): number | undefined =>
  birthDate === null ? undefined : Math.max(0, monthsOn(birthDate, on))

/** The least age that somebody may have on a day: what protects the young goes by it. */
export const leastAgeOf = (birth: Birth, on: IsoDate): number | undefined =>
  ageBy(birth, '12-31', on)

/** The first day on which somebody may have been born; undefined where nothing is known of it. */
export const bornFrom = ({ birthDate, birthYear }: Birth): IsoDate | undefined =>
  birthDate ?? (birthYear ? dayIn(birthYear, '01-01') : undefined)

/** What is known of somebody's age on a day, in words. */
export function ageText(birth: Birth, on: IsoDate): Message {
  const years = ageOf(birth, on)
  if (years === undefined) return say('methods.ageRecord')
  return birth.birthDate === null
    ? say('methods.aboutYears', { years })
    : say('methods.years', { years })
}

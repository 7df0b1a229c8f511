import type { OtherMethod } from '../../change/other-methods'
import type { LandmarkStandard, Sex, SiteId } from '../../anatomy/ids'
import type { Conversion, GroupTerm } from '../../equations/types'
import type { Words } from '../../say'
import { ageOn, type IsoDate } from '../../units/dates'
import type { Amount } from './amounts'
import type { TrialOf } from './headings'

/* What one line of a file says, and what of it was left out. */

/** Where in a file something stands. */
export interface Place {
  /** Of a workbook; empty for a file of one table. */
  sheet: string
  /** From 1. Where days run across, the number of the column. */
  row: number
}

/** One reading of a site, as a file has it. */
export interface FileReading extends Amount {
  site: SiteId
  trial: TrialOf
  /** Where the file names it for the row. */
  standard?: LandmarkStandard
}

/** What one line says of somebody. */
export interface PersonFacts {
  name?: string
  /** A number or code of the file's own. */
  code?: string
  sex?: Sex
  birthDate?: IsoDate
  birthYear?: number
}

/** What a file says of the share of fat, in points. */
export interface FileFat {
  value: number
  /** Digits after the point that it shows; undefined where the file holds the whole number. */
  decimals: number | undefined
}

/** What one line of a table says. */
export interface FileRow {
  place: Place
  person: PersonFacts
  date?: IsoDate
  /** Completed years, where the file says them. */
  ageYears?: number
  height?: Amount
  mass?: Amount
  fat?: FileFat
  /** What other methods than the folds said. */
  others: { method: OtherMethod; fatPercent: number }[]
  readings: FileReading[]
  equation?: string
  conversion?: Conversion
  protocol?: string
  tester?: string
  testerSkill?: 'trained' | 'novice'
  caliper?: string
  /** Smallest step of its scale, mm. */
  caliperGraduation?: number
  tape?: string
  /** cm */
  tapeGraduation?: number
  startsPhase?: true
  cadenceDays?: number
  hidesPercentages?: true
  groupTerm?: GroupTerm
  /** 0 for Monday. */
  weekEndsOn?: number
  notes: string[]
}

/** Something that was left out, with the reason. */
export interface LeftOut extends Place {
  /** The heading of its column, where it is one value. */
  column?: string
  reason: Words
}

const MALE = /^(?:m|male|man|men|boy|maennlich|männlich|h|homme|hombre)\.?$/i
const FEMALE = /^(?:f|female|w|woman|women|girl|weiblich|femme|mujer)\.?$/i

/** What was typed for a sex; undefined where it is neither. */
export const sexOf = (text: string): Sex | undefined =>
  MALE.test(text) ? 'male' : FEMALE.test(text) ? 'female' : undefined

/** `Example, Ann` is Ann Example, where names are written so. */
export function nameInOrder(text: string): string {
  const match = /^([^,]{1,40}), ?([^,]{1,40})$/.exec(text.trim())
  return (match ? `${match[2]} ${match[1]}` : text).replace(/\s+/g, ' ').trim()
}

/** Age at a row, by the birth date of whoever it is about or as the row says. */
export const ageAt = (row: FileRow): number | undefined =>
  row.person.birthDate !== undefined && row.date !== undefined
    ? ageOn(row.person.birthDate, row.date)
    : row.ageYears

import type { Message, Words } from '../say'
import type {
  BreadthId,
  KnownFold,
  KnownGirth,
  LandmarkStandard,
  Sex,
  SiteId,
} from '../anatomy/ids'

/** Before, in and after puberty. */
export const PUBERTY_STAGES = ['before', 'in', 'after'] as const
export type Puberty = (typeof PUBERTY_STAGES)[number]

/** Groups that a source has a term for; each form has those of its own source, and is as it is without for the others. */
export const GROUP_TERMS = ['black', 'asian'] as const
export type GroupTerm = (typeof GROUP_TERMS)[number]

/** The person an equation is applied to. */
export interface Subject {
  sex: Sex
  /**
   * Years; decimals are accepted and floored, since the equations are used with completed years. Only equations that
   * count age want it.
   */
  ageYears?: number
  heightCm?: number
  massKg?: number
  /** As a guardian or a clinician says it; no coach judges it by looking. */
  puberty?: Puberty
  /** The source's term for a group, applied where the person wants it; none where not set. */
  groupTerm?: GroupTerm
}

/** Final values by fold or girth id: mm for folds, cm for girths. */
export type Values = Partial<Record<SiteId, number>>

/** Everything a term may read, already checked. */
export interface Inputs {
  sex: Sex
  /** NaN where it is not known and no term reads it. */
  age: number
  heightCm: number
  massKg: number
  values: Values
  /** Sum of the equation's own folds, mm. */
  sum: number
  /** Undefined where no term reads it. */
  puberty: Puberty | undefined
  /** Set for this person; a form whose source has no term for that group goes without. */
  groupTerm: GroupTerm | undefined
}

/** One thing that a coefficient multiplies: the sum, its square, age, the logarithm of a difference of girths ... */
export interface Basis {
  /** As it stands in a formula: `S²`, `log10(abdomen − neck)`. */
  label: Words
  value(inputs: Inputs): number
  /** What it is the product of, where it is one. */
  of?: readonly Basis[]
}

export interface Term {
  coefficient: number
  of: Basis
}

/** What the published form gives: body density in g/cm³, or fat % directly. */
export type Gives = 'density' | 'fatPercent'

/** How an equation's terms vary with age: one row for all ages, or the row that holds the subject's age. */
export interface AgeRow {
  /** Completed years, both ends included. */
  from: number
  to: number
  terms: Term[]
}

/** How well the coefficients are known to stand in the source. See docs/how-it-computes.md. */
export type Grade = 'A' | 'B' | 'C' | 'common practice'

/**
 * The published standard error of estimate, in the quantity the source states it in; null where it states none, or where
 * we do not know it, which a note says.
 */
export type StandardError = { of: 'density' | 'fatPercent'; value: number } | null

/** People whom an equation was made on and who are not adults at large. */
export type SpecialPopulation =
  'athletes' | 'young-athletes' | 'wrestlers' | 'soccer' | 'youth' | 'older' | 'obesity'

/** One published form for one sex. */
export interface Variant {
  sex: Sex
  /** Completed years of the sample; null where the source states none. */
  ages: { youngest: number; oldest: number } | null
  population: Message
  /** Who the sample was, where it was not adults at large. */
  madeOn?: SpecialPopulation
  citation: string
  grade: Grade
  /** The folds that are measured; their sum is S. */
  folds: KnownFold[]
  /** Girths, and breadths of bones, cm. */
  girths: (KnownGirth | BreadthId)[]
  /** Girths that are used when they are there, and what is said when they are not. */
  optionalGirths?: { girth: KnownGirth; without: Message }[]
  needs: ('heightCm' | 'massKg' | 'puberty')[]
  gives: Gives
  terms: Term[] | AgeRow[]
  standardError: StandardError
  /** Sums (mm) seen in the sample; outside them an estimate is an extrapolation. */
  sampleSums?: [number, number]
  /** Where a quadratic turns over: past this sum (mm) or abdomen (cm) more reads as less fat. */
  turning?: { of: 'sum' | 'abdomen'; at: number }
}

export interface Equation {
  id: string
  name: Message
  family: Message
  /** The standard whose sites it wants; absent for equations without folds. */
  standard?: LandmarkStandard
  variants: Variant[]
  /** Too rough for a level of one person: shown beside what was measured, and in no range of results. */
  contextOnly?: true
  /** What a coach should know before trusting it. */
  notes: Message[]
}

/** Density to fat %: of any person, then of a group. */
export const CONVERSION_IDS = ['siri', 'brozek', 'schutte', 'ortiz', 'white-women'] as const
export type Conversion = (typeof CONVERSION_IDS)[number]

export interface EstimateOptions {
  /** Density to fat %; direct fat % forms ignore it. */
  conversion?: Conversion
  /** The standard in which the values were measured. */
  standard?: LandmarkStandard
}

export interface Estimate {
  equationId: string
  conversion: Conversion | 'direct'
  sumMm?: number
  /** Body density, g/cm³. */
  density?: number
  fatPercent: number
  /** Standard error of estimate in points of fat %, or null where the source states none. */
  standardError: number | null
  fatMassKg?: number
  leanMassKg?: number
  /** Sentences for the coach. */
  warnings: Message[]
}

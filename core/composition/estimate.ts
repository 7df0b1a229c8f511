import {
  GIRTH_IDS,
  LANDMARK_STANDARDS,
  SKINFOLD_IDS,
  type KnownSite,
  isSkinfold,
} from '../anatomy/ids'
import { WIDEST_CALIPER_MM, limitsOf } from '../anatomy/limits'
import { nameOf } from '../anatomy/names'
import { countsAge, isRows } from '../equations/age'
import { group, meanAbdomen } from '../equations/basis'
import { checkedConversion, fatPercentError, fatPercentOf } from '../equations/conversions'
import { equationById, variantFor } from '../equations/registry'
import type {
  AgeRow,
  Conversion,
  Equation,
  Estimate,
  EstimateOptions,
  Inputs,
  Subject,
  Term,
  Values,
  Variant,
} from '../equations/types'
import { InputError, inputError } from '../errors'
import { fixed } from '../units/format'

/** Oldest age accepted anywhere; a typing slip beyond it. */
const OLDEST_AGE = 120

/** Where the warning of a coming turn-over starts, as a share of the turning sum. */
const NEAR_TURNING = 0.9

const HIGHEST_FAT_PERCENT = 60

/** An equation made ready for one subject: checked inputs, the terms in force, and what to warn of. */
export interface Prepared {
  equation: Equation
  variant: Variant
  inputs: Inputs
  terms: Term[]
  /** The age row in force, where the equation has rows. */
  row?: AgeRow
  conversion: Conversion
  warnings: string[]
}

function checkedNumber(
  input: string,
  label: string,
  value: unknown,
  low: number,
  high: number,
  unit: string,
): number {
  // The words are made only when they are needed: this runs for every value of every row of a backlog.
  if (typeof value === 'number' && value >= low && value <= high) return value
  const accepted = `${low} to ${high} ${unit}`
  if (value === undefined || value === null) {
    throw inputError(input, 'missing', label, value, accepted)
  }
  const problem =
    typeof value === 'number' && Number.isFinite(value) ? 'impossible' : 'not-a-number'
  throw inputError(input, problem, label, value, accepted)
}

/** A body measurement: checked when it is there or wanted, NaN when it is neither. */
function checkedBody(
  key: 'heightCm' | 'massKg',
  value: number | undefined,
  { needs }: Variant,
): number {
  if (value === undefined && !needs.includes(key)) return NaN
  const height = key === 'heightCm'
  const { hardLow, hardHigh } = limitsOf(height ? 'height' : 'mass')
  return checkedNumber(
    key,
    height ? 'Height' : 'Body mass',
    value,
    hardLow,
    hardHigh,
    height ? 'cm' : 'kg',
  )
}

function checkedAge(ageYears: unknown, equation: Equation, variant: Variant, warnings: string[]) {
  if (ageYears === undefined && !countsAge(variant)) {
    const { ages } = variant
    if (ages) {
      warnings.push(
        `The age is not known: the equation was made on ${ages.youngest} to ${ages.oldest} years.`,
      )
    }
    return NaN
  }
  if (ageYears === undefined) {
    const accepted = 'an age in years, or a birth date or year of birth on record'
    throw inputError('ageYears', 'missing', `${equation.name}, age`, undefined, accepted)
  }
  const years = Math.floor(checkedNumber('ageYears', 'Age', ageYears, 0, OLDEST_AGE, 'years'))
  if (variant.ages === null) return years
  const { youngest, oldest } = variant.ages
  if (years < youngest) {
    throw inputError(
      'ageYears',
      'outside-domain',
      `${equation.name}, age`,
      years,
      `${youngest} years and over`,
    )
  }
  if (years > oldest) {
    warnings.push(
      `Age ${years} is over the oldest of the source (${oldest}): the estimate is an extrapolation.`,
    )
  }
  return years
}

interface SiteCheck {
  label: string
  low: number
  /** Over it a warning, mm; Infinity for girths. */
  unlikely: number
  high: number
  unit: 'mm' | 'cm'
}

/** What is accepted of each site, looked up once. */
const SITE_CHECKS = Object.fromEntries(
  [...SKINFOLD_IDS, ...GIRTH_IDS].map((site): [KnownSite, SiteCheck] => {
    const { hardLow: low, hardHigh } = limitsOf(site)
    const label = nameOf(site)
    return [
      site,
      isSkinfold(site)
        ? { label, low, unlikely: hardHigh, high: WIDEST_CALIPER_MM, unit: 'mm' }
        : { label, low, unlikely: Infinity, high: hardHigh, unit: 'cm' },
    ]
  }),
) as Record<KnownSite, SiteCheck>

function checkedValue(site: KnownSite, values: Values, warnings: string[]): number {
  const { label, low, unlikely, high, unit } = SITE_CHECKS[site]
  const value = checkedNumber(site, label, values?.[site], low, high, unit)
  if (value > unlikely) {
    warnings.push(
      `${label} of ${fixed(value, 1)} mm is over ${unlikely} mm: almost certainly a slip, or too thick for calipers.`,
    )
  }
  return value
}

/** The age row that holds an age; rows are never interpolated. */
function rowFor(rows: AgeRow[], age: number): AgeRow {
  return rows.find((row) => age >= row.from && age <= row.to) ?? rows[rows.length - 1]!
}

/**
 * Checks every input of an equation for a subject and picks the terms in force.
 *
 * @throws InputError naming the first input that is missing, impossible or outside the equation's domain
 */
export function prepare(
  equationId: string,
  subject: Subject,
  values: Values,
  { conversion = 'siri', standard, groupTerm = false }: EstimateOptions = {},
): Prepared {
  const equation = equationById(equationId)
  if (subject?.sex !== 'male' && subject?.sex !== 'female') {
    throw inputError(
      'sex',
      subject?.sex ? 'unknown' : 'missing',
      'Sex',
      subject?.sex,
      'male or female',
    )
  }
  const variant = variantFor(equation, subject.sex)
  const asked = standard ?? equation.standard
  if (asked !== undefined && !LANDMARK_STANDARDS.includes(asked)) {
    throw inputError(
      'standard',
      'unknown',
      'Landmark standard',
      asked,
      LANDMARK_STANDARDS.join(', '),
    )
  }
  if (variant.folds.length > 0 && asked !== equation.standard) {
    throw inputError(
      'standard',
      'wrong-standard',
      `${equation.name}, landmark standard of the sites`,
      asked,
      `${equation.standard} only`,
    )
  }
  const warnings: string[] = []
  const years = checkedAge(subject.ageYears, equation, variant, warnings)
  const checked: Values = {}
  for (const site of variant.folds) checked[site] = checkedValue(site, values, warnings)
  for (const girth of variant.girths) {
    checked[girth] = checkedValue(girth, values, warnings)
  }
  for (const { girth, without } of variant.optionalGirths ?? []) {
    if (values?.[girth] === undefined) warnings.push(without)
    else checked[girth] = checkedValue(girth, values, warnings)
  }
  const inputs: Inputs = {
    sex: subject.sex,
    age: years,
    heightCm: checkedBody('heightCm', subject.heightCm, variant),
    massKg: checkedBody('massKg', subject.massKg, variant),
    values: checked,
    sum: variant.folds.reduce((total, fold) => total + checked[fold]!, 0),
    groupTerm,
  }
  checkTurning(equation, variant, inputs, warnings)
  const row = isRows(variant.terms) ? rowFor(variant.terms, years) : undefined
  if (groupTerm && variant.terms.some((t) => 'of' in t && t.of === group)) {
    warnings.push('The population term of the source is applied, as set for this client.')
  }
  return {
    equation,
    variant,
    inputs,
    terms: row ? row.terms : (variant.terms as Term[]),
    row,
    conversion: checkedConversion(conversion),
    warnings,
  }
}

/** Refuses past the turning point of a quadratic, warns near it and outside the sums of the sample. */
function checkTurning(
  equation: Equation,
  { turning, sampleSums }: Variant,
  inputs: Inputs,
  warnings: string[],
) {
  if (turning) {
    const [value, what, unit] =
      turning.of === 'sum' ? [inputs.sum, 'A sum', 'mm'] : [meanAbdomen(inputs), 'An abdomen', 'cm']
    if (value > turning.at) {
      throw new InputError(
        turning.of,
        'outside-domain',
        `${equation.name}: ${what.toLowerCase()} of ${fixed(value, 1)} ${unit} is past ${turning.at} ${unit}, where more would read as less fat. Accepted: up to ${turning.at} ${unit}; use girths, mass and BMI.`,
        value,
        `up to ${turning.at} ${unit}`,
      )
    }
    if (value >= NEAR_TURNING * turning.at) {
      warnings.push(
        `${what} of ${fixed(value, 1)} ${unit} is close to ${turning.at} ${unit}, where this equation turns over: do not rely on it.`,
      )
    }
  }
  const { sum } = inputs
  if (sampleSums && (sum < sampleSums[0] || sum > sampleSums[1])) {
    warnings.push(
      `A sum of ${fixed(sum, 1)} mm is outside the sample (${sampleSums[0]} to ${sampleSums[1]} mm): the estimate is an extrapolation.`,
    )
  }
}

/** What the terms add up to: density or fat % as the form gives it. */
export function evaluate(terms: Term[], inputs: Inputs): number {
  return terms.reduce((total, { coefficient, of }) => total + coefficient * of.value(inputs), 0)
}

/** The result of a prepared equation. */
export function finish({
  equation,
  variant,
  inputs,
  terms,
  conversion,
  warnings,
}: Prepared): Estimate {
  const direct = variant.gives === 'fatPercent'
  const given = evaluate(terms, inputs)
  const fatPercent = direct ? given : fatPercentOf(given, conversion)
  if (!Number.isFinite(fatPercent) || fatPercent < 0 || fatPercent > HIGHEST_FAT_PERCENT) {
    const got = Number.isFinite(fatPercent) ? `${fixed(fatPercent, 1)}%` : 'no number'
    throw new InputError(
      'fatPercent',
      'outside-domain',
      `${equation.name}: the inputs give ${got}, which is not a result. Accepted: 0 to ${HIGHEST_FAT_PERCENT}%. Look at the values again.`,
      fatPercent,
      `0 to ${HIGHEST_FAT_PERCENT}%`,
    )
  }
  const result: Estimate = {
    equationId: equation.id,
    conversion: direct ? 'direct' : conversion,
    fatPercent,
    standardError: standardErrorOf(variant, given, conversion),
    warnings,
  }
  if (variant.folds.length > 0) result.sumMm = inputs.sum
  if (!direct) result.density = given
  if (!Number.isNaN(inputs.massKg)) {
    result.fatMassKg = (inputs.massKg * fatPercent) / 100
    result.leanMassKg = inputs.massKg - result.fatMassKg
  }
  return result
}

function standardErrorOf({ standardError }: Variant, density: number, conversion: Conversion) {
  if (standardError === null) return null
  return standardError.of === 'fatPercent'
    ? standardError.value
    : fatPercentError(standardError.value, density, conversion)
}

/**
 * Estimates body composition by one equation.
 *
 * @param equationId id in the registry
 * @param subject sex, age in years (floored; may be unknown where the equation does not count it), height in cm and mass in kg where known
 * @param values final values by id: mm for folds, cm for girths, whatever unit the published form uses
 * @param options conversion of density to fat % (siri), standard of the values (the equation's own), population term (off)
 * @returns fat %, its standard error in points, and where they apply sum (mm), density (g/cm³), fat and lean mass (kg);
 *   nothing is rounded
 * @throws InputError naming the input that is missing, impossible or outside the equation's domain
 * @example estimate('jackson-pollock-3', { sex: 'male', ageYears: 35 }, { chest: 10, abdominal: 20, thigh: 12 })
 */
export function estimate(
  equationId: string,
  subject: Subject,
  values: Values,
  options: EstimateOptions = {},
): Estimate {
  return finish(prepare(equationId, subject, values, options))
}

import { type Message, num, say, type Words } from '../say'
import {
  BONE_IDS,
  GIRTH_IDS,
  LANDMARK_STANDARDS,
  SKINFOLD_IDS,
  type KnownSite,
  isSkinfold,
} from '../anatomy/ids'
import { WIDEST_CALIPER_MM, limitsOf } from '../anatomy/limits'
import { nameOf } from '../anatomy/names'
import { countsAge, countsGroup, isRows } from '../equations/counts'
import { meanAbdomen } from '../equations/basis'
import { checkedConversion, fatPercentError, fatPercentOf } from '../equations/conversions'
import { equationById, variantFor } from '../equations/registry'
import { GROUP_TERMS, PUBERTY_STAGES } from '../equations/types'
import type {
  AgeRow,
  Conversion,
  Equation,
  Estimate,
  EstimateOptions,
  GroupTerm,
  Inputs,
  Subject,
  Term,
  Values,
  Variant,
} from '../equations/types'
import { InputError, inputError } from '../errors'

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
  warnings: Message[]
}

function checkedNumber(
  input: string,
  label: Words,
  value: unknown,
  low: number,
  high: number,
  unit: string,
): number {
  // The words are made only when they are needed: this runs for every value of every row of a backlog.
  if (typeof value === 'number' && value >= low && value <= high) return value
  const accepted = say('methods.to', { low, high, unit })
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
    height ? say('methods.height') : say('methods.bodyMass'),
    value,
    hardLow,
    hardHigh,
    height ? 'cm' : 'kg',
  )
}

function checkedAge(ageYears: unknown, equation: Equation, variant: Variant, warnings: Message[]) {
  if (ageYears === undefined && !countsAge(variant)) {
    const { ages } = variant
    if (ages) {
      warnings.push(
        say('methods.ageKnownEquationWasMade', { youngest: ages.youngest, oldest: ages.oldest }),
      )
    }
    return NaN
  }
  if (ageYears === undefined) {
    const accepted = say('methods.ageYearsBirthDateYear')
    throw inputError(
      'ageYears',
      'missing',
      say('methods.ageFor', { equation: equation.name }),
      undefined,
      accepted,
    )
  }
  const years = Math.floor(
    checkedNumber('ageYears', say('methods.age2'), ageYears, 0, OLDEST_AGE, 'years'),
  )
  if (variant.ages === null) return years
  const { youngest, oldest } = variant.ages
  if (years < youngest) {
    throw inputError(
      'ageYears',
      'outside-domain',
      say('methods.ageFor', { equation: equation.name }),
      years,
      say('methods.yearsOver', { youngest }),
    )
  }
  if (years > oldest) {
    warnings.push(say('methods.ageOverOldestSourceEstimate', { years, oldest }))
  }
  return years
}

function checkedPuberty(puberty: unknown, equation: Equation, { needs }: Variant) {
  const known = PUBERTY_STAGES.find((stage) => stage === puberty)
  if (known || (puberty === undefined && !needs.includes('puberty'))) return known
  throw inputError(
    'puberty',
    puberty === undefined ? 'missing' : 'unknown',
    say('methods.pubertyFor', { equation: equation.name }),
    puberty,
    say('methods.pubertyStages'),
  )
}

function checkedGroupTerm(term: unknown): GroupTerm | undefined {
  const known = GROUP_TERMS.find((one) => one === term)
  if (known || term === undefined) return known
  const accepted = say('methods.groupTerms')
  throw inputError('groupTerm', 'unknown', say('methods.groupTerm'), term, accepted)
}

interface SiteCheck {
  label: Words
  low: number
  /** Over it a warning, mm; Infinity for girths. */
  unlikely: number
  high: number
  unit: 'mm' | 'cm'
}

/** What is accepted of each site, looked up once. */
const SITE_CHECKS = Object.fromEntries(
  [...SKINFOLD_IDS, ...GIRTH_IDS, ...BONE_IDS].map((site): [KnownSite, SiteCheck] => {
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

function checkedValue(site: KnownSite, values: Values, warnings: Message[]): number {
  const { label, low, unlikely, high, unit } = SITE_CHECKS[site]
  const value = checkedNumber(site, label, values?.[site], low, high, unit)
  if (value > unlikely) {
    warnings.push(say('methods.mmOverMmAlmostCertainly', { label, value: num(value, 1), unlikely }))
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
  { conversion = 'siri', standard }: EstimateOptions = {},
): Prepared {
  const equation = equationById(equationId)
  if (subject?.sex !== 'male' && subject?.sex !== 'female') {
    throw inputError(
      'sex',
      subject?.sex ? 'unknown' : 'missing',
      say('methods.sex'),
      subject?.sex,
      say('methods.maleFemale'),
    )
  }
  const variant = variantFor(equation, subject.sex)
  const asked = standard ?? equation.standard
  if (asked !== undefined && !LANDMARK_STANDARDS.includes(asked)) {
    throw inputError(
      'standard',
      'unknown',
      say('methods.landmarkStandard'),
      asked,
      LANDMARK_STANDARDS.join(', '),
    )
  }
  if (variant.folds.length > 0 && asked !== equation.standard) {
    throw inputError(
      'standard',
      'wrong-standard',
      say('methods.landmarkStandardSites', { name: equation.name }),
      asked,
      say('methods.only', { standard: equation.standard }),
    )
  }
  const warnings: Message[] = []
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
    puberty: checkedPuberty(subject.puberty, equation, variant),
    sum: variant.folds.reduce((total, fold) => total + checked[fold]!, 0),
    groupTerm: checkedGroupTerm(subject.groupTerm),
  }
  checkTurning(equation, variant, inputs, warnings)
  const row = isRows(variant.terms) ? rowFor(variant.terms, years) : undefined
  if (inputs.groupTerm === 'black' && countsGroup(variant)) {
    warnings.push(say('methods.populationTermSourceAppliedSet'))
  }
  return {
    equation,
    variant,
    inputs,
    terms: row ? row.terms : (variant.terms as Term[]),
    row,
    conversion: checkedConversion(conversion, subject.sex),
    warnings,
  }
}

/** Refuses past the turning point of a quadratic, warns near it and outside the sums of the sample. */
function checkTurning(
  equation: Equation,
  { turning, sampleSums }: Variant,
  inputs: Inputs,
  warnings: Message[],
) {
  if (turning) {
    const ofSum = turning.of === 'sum'
    const [value, unit] = ofSum ? [inputs.sum, 'mm'] : [meanAbdomen(inputs), 'cm']
    const values = { value: num(value, 1), at: turning.at }
    if (value > turning.at) {
      const past = { ...values, equation: equation.name }
      throw new InputError(
        turning.of,
        'outside-domain',
        ofSum ? say('methods.sumPastTurn', past) : say('methods.abdomenPastTurn', past),
        value,
        say('methods.upTo', { at: turning.at, unit }),
      )
    }
    if (value >= NEAR_TURNING * turning.at) {
      warnings.push(
        ofSum ? say('methods.sumNearTurn', values) : say('methods.abdomenNearTurn', values),
      )
    }
  }
  const { sum } = inputs
  if (sampleSums && (sum < sampleSums[0] || sum > sampleSums[1])) {
    warnings.push(
      say('methods.sumMmOutsideSampleMm', {
        sum: num(sum, 1),
        sampleSums: sampleSums[0],
        sampleSums2: sampleSums[1],
      }),
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
    const values = { equation: equation.name, most: HIGHEST_FAT_PERCENT }
    throw new InputError(
      'fatPercent',
      'outside-domain',
      Number.isFinite(fatPercent)
        ? say('methods.noResult', { ...values, got: num(fatPercent, 1) })
        : say('methods.noNumber', values),
      fatPercent,
      say('methods.fatPercentTo', { most: HIGHEST_FAT_PERCENT }),
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

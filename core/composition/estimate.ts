import type { SiteId } from '../anatomy/ids'
import { isSkinfold, SCHOOLS } from '../anatomy/ids'
import { limitsOf, WIDEST_CALIPER_MM } from '../anatomy/limits'
import { nameOf } from '../anatomy/names'
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
) {
  const accepted = `${low} to ${high} ${unit}`
  if (value === undefined || value === null)
    throw inputError(input, 'missing', label, value, accepted)
  if (typeof value !== 'number' || !Number.isFinite(value)) {
    throw inputError(input, 'not-a-number', label, value, accepted)
  }
  if (value < low || value > high) throw inputError(input, 'impossible', label, value, accepted)
  return value
}

function checkedAge(ageYears: unknown, equation: Equation, variant: Variant, warnings: string[]) {
  const age = Math.floor(checkedNumber('ageYears', 'Age', ageYears, 0, OLDEST_AGE, 'years'))
  const { youngest, oldest } = variant.ages
  if (age < youngest) {
    throw inputError(
      'ageYears',
      'outside-domain',
      `${equation.name}, age`,
      age,
      `${youngest} years and over`,
    )
  }
  if (age > oldest) {
    warnings.push(
      `Age ${age} is over the oldest of the source (${oldest}): the estimate is an extrapolation.`,
    )
  }
  return age
}

function checkedValue(site: SiteId, values: Values, sex: Subject['sex'], warnings: string[]) {
  const { hardLow, hardHigh } = limitsOf(site)
  const label = nameOf(site)
  if (!isSkinfold(site)) return checkedNumber(site, label, values[site], hardLow, hardHigh, 'cm')
  const fold = checkedNumber(site, label, values[site], hardLow, WIDEST_CALIPER_MM, 'mm')
  if (fold > hardHigh) {
    warnings.push(
      `${label} of ${fixed(fold, 1)} mm is over ${hardHigh} mm: almost certainly a slip, or too thick for calipers.`,
    )
  }
  return fold
}

/** The age row that holds an age; rows are never interpolated. */
function rowFor(rows: AgeRow[], age: number): AgeRow {
  return rows.find((row) => age >= row.from && age <= row.to) ?? rows[rows.length - 1]!
}

function isRows(terms: Term[] | AgeRow[]): terms is AgeRow[] {
  return terms[0] !== undefined && 'terms' in terms[0]
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
  { conversion = 'siri', school, groupTerm = false }: EstimateOptions = {},
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
  const asked = school ?? equation.school
  if (asked !== undefined && !SCHOOLS.includes(asked)) {
    throw inputError('school', 'unknown', 'School', asked, SCHOOLS.join(', '))
  }
  if (variant.folds.length > 0 && asked !== equation.school) {
    throw inputError(
      'school',
      'wrong-school',
      `${equation.name}, school of the sites`,
      asked,
      `${equation.school} only`,
    )
  }
  const warnings: string[] = []
  const age = checkedAge(subject.ageYears, equation, variant, warnings)
  const body = (key: 'heightCm' | 'massKg') => {
    const [id, label, unit] =
      key === 'heightCm'
        ? (['height', 'Height', 'cm'] as const)
        : (['mass', 'Body mass', 'kg'] as const)
    if (subject[key] === undefined && !variant.needs.includes(key)) return NaN
    const { hardLow, hardHigh } = limitsOf(id)
    return checkedNumber(key, label, subject[key], hardLow, hardHigh, unit)
  }
  const checked: Values = {}
  for (const site of [...variant.folds, ...variant.girths]) {
    checked[site] = checkedValue(site, values ?? {}, subject.sex, warnings)
  }
  const inputs: Inputs = {
    sex: subject.sex,
    age,
    heightCm: body('heightCm'),
    massKg: body('massKg'),
    values: checked,
    sum: variant.folds.reduce((total, fold) => total + checked[fold]!, 0),
    groupTerm,
  }
  warnings.push(...sumWarnings(equation, variant, inputs.sum))
  const row = isRows(variant.terms) ? rowFor(variant.terms, age) : undefined
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

function sumWarnings(
  equation: Equation,
  { sampleSums, turningSum }: Variant,
  sum: number,
): string[] {
  if (turningSum !== undefined && sum > turningSum) {
    throw new InputError(
      'sum',
      'outside-domain',
      `${equation.name}: a sum of ${fixed(sum, 1)} mm is past ${turningSum} mm, where more fold would read as less fat. Use girths.`,
      sum,
      `up to ${turningSum} mm`,
    )
  }
  if (turningSum !== undefined && sum >= NEAR_TURNING * turningSum) {
    return [
      `A sum of ${fixed(sum, 1)} mm is close to ${turningSum} mm, where this equation turns over: do not rely on it.`,
    ]
  }
  if (sampleSums && (sum < sampleSums[0] || sum > sampleSums[1])) {
    return [
      `A sum of ${fixed(sum, 1)} mm is outside the sample (${sampleSums[0]} to ${sampleSums[1]} mm): the estimate is an extrapolation.`,
    ]
  }
  return []
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
    const got = Number.isFinite(fatPercent) ? `${fixed(fatPercent, 1)} %` : 'no number'
    throw new InputError(
      'fatPercent',
      'outside-domain',
      `${equation.name}: the inputs give ${got}, which is not a result. Accepted: 0 to ${HIGHEST_FAT_PERCENT} %. Look at the values again.`,
      fatPercent,
      `0 to ${HIGHEST_FAT_PERCENT} %`,
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
 * @param subject sex, age in years (floored), height in cm and mass in kg where known
 * @param values final values by id: mm for folds, cm for girths, whatever unit the published form uses
 * @param options conversion of density to fat % (siri), school of the values (the equation's own), population term (off)
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

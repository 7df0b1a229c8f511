import { checkedConversion } from '../equations/conversions'
import { type Message, say } from '../say'
import type { Sex, SkinfoldId } from '../anatomy/ids'
import { estimate } from '../composition/estimate'
import type { EquationResult } from '../composition/every'
import { EQUATIONS, equationById, variantFor } from '../equations/registry'
import type { Conversion, EstimateOptions, Subject, Values } from '../equations/types'
import { inputError } from '../errors'
import { attempt } from '../outcome'
import { type NormTable, NORM_TABLES } from './tables'

/** A printable look-up chart: fat % by sum of folds down and age across. */
export interface LookUpChart {
  equationId: string
  sex: Sex
  conversion: Conversion
  /** Completed years of each column. */
  ages: number[]
  /** Sum of the folds, mm, with fat % of each column; null where the equation refuses. */
  rows: { sumMm: number; fatPercent: (number | null)[] }[]
  /** Age does not enter: every column is the same. */
  ageless: boolean
}

const FIRST_AGE = 20
const LAST_AGE = 65
const AGE_STEP = 5

/** True where an equation can be printed by sum and age: it is fed by the sum of its folds and age alone. */
export function isChartable(equationId: string, sex: Sex): boolean {
  const found = attempt(() => variantFor(equationById(equationId), sex))
  if (!found.ok) return false
  const { folds, girths, needs } = found.value
  if (folds.length < 2 || girths.length > 0 || needs.length > 0) return false
  // A chart by sum is honest only where the folds count alike.
  const [first] = folds
  const same = (values: Values) => {
    const result = attempt(() => estimate(equationId, { sex, ageYears: 30 }, values))
    return result.ok ? result.value.fatPercent : NaN
  }
  const even = Object.fromEntries(folds.map((site) => [site, 15]))
  const uneven = { ...even, [first!]: 20, [folds[1]!]: 10 }
  return Math.abs(same(even) - same(uneven)) < 1e-9
}

/** A set of folds whose sum alone, with the age at most, gives a result. */
export interface SummedSet {
  folds: readonly SkinfoldId[]
  equationIds: string[]
}

/**
 * The sets of folds that a sum can be of, by their number, with the equations that it is enough for; the ones that only
 * old records are kept by come last.
 */
export function summedSets(sex: Sex): SummedSet[] {
  const sets = new Map<string, SummedSet>()
  for (const { id } of EQUATIONS.filter((equation) => isChartable(equation.id, sex))) {
    const { folds } = variantFor(equationById(id), sex)
    const key = [...folds].sort().join(' ')
    const set = sets.get(key) ?? { folds, equationIds: [] }
    set.equationIds.push(id)
    sets.set(key, set)
  }
  const isKept = ({ equationIds: [id] }: SummedSet) => equationById(id!).standard === 'czech'
  return [...sets.values()].sort(
    (a, b) => Number(isKept(a)) - Number(isKept(b)) || b.folds.length - a.folds.length,
  )
}

/**
 * What a sum of folds alone gives, by every equation that sums those folds.
 *
 * @param sumMm sum of the folds of the set, mm
 */
export function estimateBySum(
  subject: Subject,
  sumMm: number,
  { folds, equationIds }: SummedSet,
  options: Omit<EstimateOptions, 'standard'> = {},
): EquationResult[] {
  const values = Object.fromEntries(folds.map((site) => [site, sumMm / folds.length]))
  return equationIds.map((id) => {
    const equation = equationById(id)
    const result = attempt(() => estimate(id, subject, values, options))
    return result.ok
      ? { equation, ok: true, estimate: result.value }
      : { equation, ok: false, error: result.error }
  })
}

/**
 * The look-up chart of an equation for one sex.
 *
 * @param step mm between two rows
 * @throws InputError naming `equation` where it is not one of sum and age alone, `conversion` where it is of the other sex
 */
export function lookUpChart(
  equationId: string,
  sex: Sex,
  conversion: Conversion = 'siri',
  step = 5,
): LookUpChart {
  const equation = equationById(equationId)
  checkedConversion(conversion, sex)
  if (!isChartable(equationId, sex)) {
    throw inputError(
      'equation',
      'outside-domain',
      equation.name,
      say('norms.chart'),
      say('norms.equationSumFoldsAgeAlone'),
    )
  }
  const { folds, ages: sampled, sampleSums, turning } = variantFor(equation, sex)
  const youth = sampled !== null && sampled.oldest < FIRST_AGE
  const from = youth ? sampled.youngest : Math.max(FIRST_AGE, sampled?.youngest ?? FIRST_AGE)
  const to = Math.min(LAST_AGE, sampled?.oldest ?? LAST_AGE)
  const ages: number[] = []
  for (let age = from; age <= to; age += AGE_STEP - (age % AGE_STEP)) ages.push(age)
  const highest = Math.min(sampleSums?.[1] ?? folds.length * 40, turning?.at ?? Infinity)
  const lowest = Math.max(sampleSums?.[0] ?? folds.length * 4, folds.length * 3)
  const rows: LookUpChart['rows'] = []
  for (let sum = Math.ceil(lowest / step) * step; sum <= highest; sum += step) {
    const values = Object.fromEntries(folds.map((site) => [site, sum / folds.length]))
    rows.push({
      sumMm: sum,
      fatPercent: ages.map((ageYears) => {
        const result = attempt(() =>
          estimate(equationId, { sex, ageYears }, values, { conversion }),
        )
        return result.ok ? result.value.fatPercent : null
      }),
    })
  }
  const ageless = rows.every(({ fatPercent }) => new Set(fatPercent).size === 1)
  return { equationId, sex, conversion, ages, rows, ageless }
}

/** The range tables that a chart's cells can be classed by: three steps, and five, each by age. */
export const CHART_CLASSES: readonly NormTable[] = ['coaching-age', 'five-steps-age'].map((id) =>
  NORM_TABLES.find((table) => table.id === id)!,
)

/** The cells of a chart with the step of a range table that each falls in. */
export interface ClassedChart {
  /** Names of the steps, lowest first. */
  steps: Message[]
  /** Row by row and age by age: the step, from 1; null where there is no fat % or the table says nothing of the age. */
  cells: (number | null)[][]
}

/**
 * The classes of a chart's cells, each by the age of its column.
 *
 * @param table one of CHART_CLASSES
 */
export function classedChart({ sex, ages, rows }: LookUpChart, table: NormTable): ClassedChart {
  const bands = ages.map((age) => table.bands(sex, age))
  const named = bands.find((of) => of !== null) ?? []
  return {
    steps: named.map(({ name }) => name),
    cells: rows.map(({ fatPercent }) =>
      fatPercent.map((fat, i) => {
        const step = bands[i]?.findIndex(({ from, to }) => fat !== null && fat >= from && fat < to)
        return step === undefined || step < 0 ? null : step + 1
      }),
    ),
  }
}

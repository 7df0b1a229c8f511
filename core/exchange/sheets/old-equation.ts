import type { Sex, SiteId } from '../../anatomy/ids'
import { limitsOf } from '../../anatomy/limits'
import { nameOf } from '../../anatomy/names'
import { evaluate, prepare } from '../../composition/estimate'
import { transpositionsOf } from '../../data-quality/meanings'
import { convertsFor, fatPercentOf } from '../../equations/conversions'
import { EQUATIONS } from '../../equations/registry'
import {
  CONVERSION_IDS,
  type Conversion,
  type Equation,
  type Subject,
  type Values,
} from '../../equations/types'
import { attempt } from '../../outcome'
import { lower, num, say, type Message } from '../../say'

/*
 * Which equation an old sheet worked its figures out by: every known one is tried, with every conversion and every way
 * of rounding that people have, and named where it gives what the sheet says.
 */

/** A row of a sheet with the share of fat that stands in it. */
export interface WorkedRow {
  /** Names the row again. */
  at: number
  /** Names whom it is about. */
  person: string
  sex: Sex | undefined
  /** Years with their fraction, where the birth date is known. */
  ageYears: number | undefined
  heightCm: number | undefined
  massKg: number | undefined
  /** Readings of each site, mm and cm. */
  readings: ReadonlyMap<SiteId, readonly number[]>
  /** Points of fat, as the sheet has them. */
  fat: number
  /** Digits after the point; undefined where the sheet holds the number itself. */
  decimals: number | undefined
}

/** How figures were rounded on the way, and what they were made of. */
interface Way {
  /** Of several readings. */
  value: 'mean' | 'median'
  /** Completed years, as textbooks have it, or the fraction too. */
  age: 'completed' | 'exact'
  /** Millimeters that the sum was rounded to. */
  sum: 1 | undefined
  /** Decimals of the density. */
  density: 3 | 4 | undefined
  /** What became of the last digits. */
  last: 'rounded' | 'cut'
}

/** An equation that gives what a sheet says. */
export interface OldEquation {
  id: string
  conversion: Conversion | 'direct'
  way: Way
  /** Digits after the point of the sheet's figures; undefined where it holds them whole. */
  decimals: number | undefined
  /** Rows that it gives to the last digit. */
  agree: number[]
  /** Rows that it can be worked out of and that say otherwise, with what may have been done there. */
  disagree: { at: number; gives: number; looksLike?: Message }[]
}

/** Simplest first: of two ways that give as much, the first is meant. */
const WAYS: readonly Way[] = (['rounded', 'cut'] as const)
  .flatMap((last) =>
    ([undefined, 4, 3] as const).flatMap((density) =>
      ([undefined, 1] as const).flatMap((sum) =>
        (['completed', 'exact'] as const).flatMap((age) =>
          (['mean', 'median'] as const).map((value) => ({ value, age, sum, density, last })),
        ),
      ),
    ),
  )
  .sort((a, b) => oddity(a) - oddity(b))

function oddity({ value, age, sum, density, last }: Way): number {
  return (
    Number(value !== 'mean') +
    Number(age !== 'completed') +
    2 * Number(sum !== undefined) +
    Number(density === 4) +
    2 * Number(density === 3) +
    2 * Number(last === 'cut')
  )
}

/** What a sheet calls a site may be another school's: the one that is there is taken. */
const STANDS_FOR: Partial<Record<SiteId, readonly SiteId[]>> = {
  iliac_crest: ['suprailiac', 'supraspinale'],
  suprailiac: ['iliac_crest', 'supraspinale'],
  suprailiac_sloan: ['suprailiac', 'iliac_crest'],
  supraspinale: ['suprailiac'],
  thigh: ['front_thigh'],
  front_thigh: ['thigh'],
  waist: ['abdomen', 'waist_midway'],
  abdomen: ['waist'],
  iliac: ['abdomen', 'waist'],
}

const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2
}

const rounded = (value: number, decimals: number) => {
  const by = 10 ** decimals
  return Math.round((value + Number.EPSILON) * by) / by
}

type Conversions = 'direct' | Conversion

/** An equation made ready for a row. */
interface Ready {
  row: WorkedRow
  /** By how the value of a site was made. */
  prepared: Record<Way['value'], ReturnType<typeof prepare>>
}

function valuesOf(
  equation: Equation,
  sex: Sex,
  row: WorkedRow,
  of: Way['value'],
): Values | undefined {
  const variant = equation.variants.find((one) => one.sex === sex)
  if (!variant) return undefined
  const values: Values = {}
  const optional = (variant.optionalGirths ?? []).map(({ girth }) => girth)
  for (const site of [...variant.folds, ...variant.girths, ...optional]) {
    const from = [site, ...(STANDS_FOR[site] ?? [])].find((one) => row.readings.has(one))
    if (from === undefined) {
      if ((optional as SiteId[]).includes(site)) continue
      return undefined
    }
    const readings = row.readings.get(from)!
    values[site] = of === 'mean' ? mean(readings) : median(readings)
  }
  return values
}

function readyFor(equation: Equation, row: WorkedRow, sex: Sex): Ready | undefined {
  const subject: Subject = {
    ...{ sex, ageYears: row.ageYears, heightCm: row.heightCm, massKg: row.massKg },
  }
  const prepared = (of: Way['value']) => {
    const values = valuesOf(equation, sex, row, of)
    return values && attempt(() => prepare(equation.id, subject, values))
  }
  const [byMean, byMedian] = [prepared('mean'), prepared('median')]
  if (!byMean?.ok || !byMedian?.ok) return undefined
  return { row, prepared: { mean: byMean.value, median: byMedian.value } }
}

/** What an equation gives one way, before the last digits go. */
function given({ row, prepared }: Ready, way: Way, conversion: Conversions): number {
  const { terms, inputs } = prepared[way.value]
  const age = way.age === 'exact' && row.ageYears !== undefined ? row.ageYears : inputs.age
  const sum = way.sum === undefined ? inputs.sum : Math.round(inputs.sum)
  const result = evaluate(terms, { ...inputs, age, sum })
  if (conversion === 'direct') return result
  return fatPercentOf(way.density === undefined ? result : rounded(result, way.density), conversion)
}

/** Two figures of a file that holds them whole are the same up to this. */
const WHOLE = 1e-6
const DUST = 1e-9

function agrees(row: WorkedRow, gives: number, { last }: Way): boolean {
  const { fat, decimals } = row
  if (decimals === undefined) return Math.abs(gives - fat) < WHOLE
  const step = 10 ** -decimals
  if (last === 'rounded') return Math.abs(gives - fat) <= step / 2 + DUST
  return gives - fat > -DUST && gives - fat < step - DUST
}

/** Rows that tell which equation it was; the found one is held against all. */
const LOOKED_AT = 60
const FEWEST = 3
const SHARE = 0.5

const conversionsOf = (equation: Equation, sex: Sex): Conversions[] =>
  equation.variants.find((one) => one.sex === sex)?.gives === 'fatPercent'
    ? ['direct']
    : [...CONVERSION_IDS]

/** Rows of people whom a conversion was made on. */
const convertible = (ready: readonly Ready[], conversion: Conversions): readonly Ready[] =>
  conversion === 'direct' ? ready : ready.filter(({ row }) => convertsFor(conversion, row.sex))

/** Rows ready for an equation, with the sex that each is of. */
function readyRows(equation: Equation, rows: readonly WorkedRow[]): Ready[] {
  return rows.flatMap((row) => (row.sex && readyFor(equation, row, row.sex)) ?? [])
}

interface Candidate {
  equation: Equation
  conversion: Conversions
  way: Way
  agree: number
  of: number
}

/** The equation, conversion and way that give most of the rows. */
function best(rows: readonly WorkedRow[]): Candidate | undefined {
  const step = Math.max(1, Math.floor(rows.length / LOOKED_AT))
  const some = rows.filter((_, i) => i % step === 0)
  let found: Candidate | undefined
  for (const equation of EQUATIONS) {
    const ready = readyRows(equation, some)
    if (ready.length === 0) continue
    const conversions = conversionsOf(equation, ready[0]!.row.sex!)
    for (const way of WAYS) {
      if (conversions[0] === 'direct' && way.density !== undefined) continue
      for (const conversion of conversions) {
        const of = convertible(ready, conversion)
        const agree = of.filter((one) => agrees(one.row, given(one, way, conversion), way)).length
        const better =
          !found ||
          agree > found.agree ||
          (agree === found.agree && agree > 0 && oddity(way) < oddity(found.way))
        if (better) found = { equation, conversion, way, agree, of: of.length }
      }
    }
  }
  return found && isFound(found) ? found : undefined
}

/** Whether so many rows are no accident. */
function isFound({ agree, of, way }: Candidate): boolean {
  if (agree < SHARE * of) return false
  return agree >= FEWEST || (agree === of && agree === 2 && oddity(way) === 0)
}

/** Equations that are looked for in one file: one, then another in what the first does not give. */
const MOST = 4

/**
 * Finds which equations the figures of a sheet were worked out by.
 *
 * @param rows those that have a share of fat and a sex
 * @returns the one that gives most rows first; empty where none gives enough
 */
export function findOldEquations(rows: readonly WorkedRow[]): OldEquation[] {
  const found: (Candidate & { agreeing: number[] })[] = []
  let open = rows.filter(({ sex }) => sex !== undefined)
  while (found.length < MOST) {
    const candidate = best(open)
    if (!candidate) break
    const { equation, conversion, way } = candidate
    const agreeing = convertible(readyRows(equation, open), conversion)
      .filter((one) => agrees(one.row, given(one, way, conversion), way))
      .map(({ row }) => row.at)
    if (agreeing.length === 0) break
    found.push({ ...candidate, agreeing })
    const gone = new Set(agreeing)
    open = open.filter(({ at }) => !gone.has(at))
  }
  const told = new Set<number>()
  return found.map((candidate) => {
    const { equation, conversion, way, agreeing } = candidate
    const others = convertible(readyRows(equation, open), conversion).filter(
      ({ row }) => !told.has(row.at),
    )
    for (const { row } of others) told.add(row.at)
    return {
      ...{ id: equation.id, conversion, way, agree: agreeing },
      decimals: rows.find(({ at }) => at === agreeing[0])?.decimals,
      disagree: others.map((one) => ({
        at: one.row.at,
        gives: given(one, way, conversion),
        looksLike: slipIn(candidate, one, rows),
      })),
    }
  })
}

/** What a site reads as a rule: in the other rows of a person, else in those of everybody. */
function usualOf(rows: readonly WorkedRow[], row: WorkedRow, site: SiteId): number | undefined {
  const others = rows.filter((other) => other.at !== row.at && other.readings.has(site))
  const theirs = others.filter(({ person }) => person === row.person)
  const from = theirs.length > 0 ? theirs : others
  return from.length > 0 ? median(from.map(({ readings }) => mean(readings.get(site)!))) : undefined
}

/**
 * The one slip that explains why a row says otherwise: a value typed for another site's, digits exchanged, a point
 * misplaced. The figure was worked out of what was read, and says what that was.
 */
function slipIn(
  { equation, way, conversion }: Candidate,
  { row, prepared }: Ready,
  rows: readonly WorkedRow[],
): Message | undefined {
  const { inputs, variant } = prepared[way.value]
  const { sex } = inputs
  const { ageYears, heightCm, massKg } = row
  const gives = (site: SiteId, value: number): number | undefined => {
    const values: Values = { ...inputs.values, [site]: value }
    const read = attempt(() => prepare(equation.id, { sex, ageYears, heightCm, massKg }, values))
    if (!read.ok) return undefined
    return given({ row, prepared: { mean: read.value, median: read.value } }, way, conversion)
  }
  const fits = (site: SiteId, value: number) => {
    const fat = gives(site, value)
    return fat !== undefined && agrees(row, fat, way)
  }
  /** How far a value is from what the site reads as a rule, as a share. */
  const odd = (site: SiteId, value: number) => {
    const usual = usualOf(rows, row, site)
    return usual === undefined ? 0 : Math.abs(Math.log(value / usual))
  }
  const slips: { words: Message; gain: number }[] = []
  const sites: SiteId[] = [...variant.folds, ...variant.girths]
  for (const site of sites) {
    const typed = inputs.values[site]!
    const gain = (value: number) => odd(site, typed) - odd(site, value)
    for (const value of [...transpositionsOf(typed), typed / 10, typed * 10]) {
      if (value === typed || !fits(site, value)) continue
      const words = say('exchange.slipValue', { site: lower(nameOf(site)), value: shown(value) })
      slips.push({ words, gain: gain(value) })
    }
    const twin = sites.find((other) => other !== site && inputs.values[other] === typed)
    const value = twin && solved(site, (of) => gives(site, of), row.fat)
    if (!twin || value === undefined || !fits(site, value)) continue
    const names = { other: lower(nameOf(twin)), site: lower(nameOf(site)), value: shown(value) }
    slips.push({ words: say('exchange.slipTyped', names), gain: gain(value) })
  }
  const [first, second] = slips.sort((a, b) => b.gain - a.gain)
  // Of two that explain it as well, neither is said.
  return first && (second === undefined || first.gain > second.gain) ? first.words : undefined
}

const shown = (value: number) => num(value, Number.isInteger(value) ? 0 : 1)

/** The value of a site that gives a figure best, on half millimeters or centimeters. */
function solved(
  site: SiteId,
  gives: (value: number) => number | undefined,
  fat: number,
): number | undefined {
  const { hardLow, hardHigh } = limitsOf(site)
  let best: { value: number; miss: number } | undefined
  for (let value = Math.ceil(2 * hardLow) / 2; value <= hardHigh; value += 0.5) {
    const at = gives(value)
    const miss = at === undefined ? Infinity : Math.abs(at - fat)
    if (!best || miss < best.miss) best = { value, miss }
  }
  return best?.value
}

/** How the figures of a sheet were rounded, in a word for files: `0.1`, `cut 0.1`, `density 0.0001, 0.1`. */
export function roundingOf({ way, decimals: digits }: OldEquation): string {
  const last = digits === undefined ? 'none' : String(Number((10 ** -digits).toFixed(digits)))
  return [
    way.sum === undefined ? '' : 'sum 1',
    way.density === undefined ? '' : `density ${Number((10 ** -way.density).toFixed(way.density))}`,
    way.age === 'exact' ? 'age exact' : '',
    way.value === 'median' ? 'median' : '',
    way.last === 'cut' ? `cut ${last}` : last,
  ]
    .filter((part) => part !== '')
    .join(', ')
}

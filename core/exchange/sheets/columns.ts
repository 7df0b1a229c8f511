import { isSkinfold, type SiteId } from '../../anatomy/ids'
import { limitsOf } from '../../anatomy/limits'
import { bmiOf } from '../../units/bmi'
import { CM_PER_INCH, KG_PER_POUND } from '../../units/constants'
import { type Cell, numberIn, saysNothing, textOf } from './cells'
import {
  type ColumnUnit,
  type Heading,
  type Meaning,
  methodOfFact,
  readHeading,
  unitIn,
} from './headings'
import type { Table } from './table'

/** Where a unit was found. */
export type UnitFrom = 'heading' | 'cells' | 'usual' | 'guess' | 'chosen'

/** A column with what it was taken to mean. */
export interface Column {
  /** Its place in the table's lines, from 0. */
  index: number
  /** Its number in the sheet, from 1; that of its row where days run across. */
  place: number
  heading: string
  meaning: Meaning
  /** Null where it has none. */
  unit: ColumnUnit | null
  unitFrom: UnitFrom | null
  /** Both units are about as likely: it is asked. */
  unitIsOpen: boolean
  /** The first cell that says something. */
  example: string
}

/** What somebody chose for a column, in place of what was understood. */
export interface ColumnChoice {
  meaning?: Meaning
  unit?: ColumnUnit
}

/** What is usual where a sheet does not say. */
export interface Usual {
  length: 'cm' | 'in'
  mass: 'kg' | 'lb'
}

/** Cells that are looked at to tell what a column is: the first of a long sheet tell as much as all. */
const LOOKED_AT = 400

interface Draft {
  index: number
  heading: Heading
  cells: Cell[]
}

const median = (values: readonly number[]): number | undefined =>
  values.length === 0 ? undefined : [...values].sort((a, b) => a - b)[values.length >> 1]

const numbersOf = (cells: readonly Cell[]) =>
  cells.flatMap((cell) => {
    const value = numberIn(cell)
    return value === undefined ? [] : [value]
  })

const CELL_UNIT = /\d\s*(mm|cm|in|inch|inches|"|″|kg|kgs|lb|lbs|st|%)(?![a-z])/i

/** The unit that stands in every cell that has one, where most have. */
function unitInCells(cells: readonly Cell[]): ColumnUnit | undefined {
  const filled = cells.filter((cell) => !saysNothing(cell))
  const named = filled.flatMap((cell) => {
    const match = typeof cell === 'string' ? CELL_UNIT.exec(textOf(cell)) : null
    return match ? [match[1]!.toLowerCase()] : []
  })
  if (named.length === 0 || named.length < filled.length / 2) return undefined
  return unitIn(named[0]!)
}

const within = (site: SiteId, value: number) => {
  const { softLow, hardHigh } = limitsOf(site)
  return value >= softLow * 0.8 && value <= hardHigh
}

/** Whether a column named like a fold and like a girth is the one or the other, by its values and its neighbours. */
function kindByValues({ heading, cells }: Draft, all: readonly Draft[]): 'fold' | 'girth' {
  const { fold, girth } = heading
  const twin = all.find(
    (other) => other.heading.kind && other.heading.fold === fold && other.heading.girth === girth,
  )
  if (twin) return twin.heading.kind === 'fold' ? 'girth' : 'fold'
  const unit = unitInCells(cells)
  if (unit === 'mm') return 'fold'
  if (unit === 'cm' || unit === 'in') return 'girth'
  const value = median(numbersOf(cells))
  const has = (kind: 'fold' | 'girth') =>
    all.some((other) => other.heading.kind === kind && (other.heading.fold ?? other.heading.girth))
  if (value === undefined) return has('fold') ? 'fold' : 'girth'
  const asFold = within(fold!, value)
  const asGirth = within(girth!, value) || within(girth!, value * CM_PER_INCH)
  if (asFold !== asGirth) return asFold ? 'fold' : 'girth'
  if (has('fold') !== has('girth')) return has('fold') ? 'fold' : 'girth'
  const sure = all.filter((other) => other.heading.kind)
  const at = all.findIndex((other) => other.cells === cells)
  const near = sure.sort((a, b) => Math.abs(all.indexOf(a) - at) - Math.abs(all.indexOf(b) - at))[0]
  return near?.heading.kind ?? 'fold'
}

/** How far body masses of adults lie from one another, on a logarithmic scale about 75 kg. Judgement, no source. */
const USUAL_MASS = { kg: 75, spread: 0.22 }
const USUAL_BMI = { middle: 25.5, spread: 0.19 }
/** Odds under which a unit is asked. */
const SURE = 2

const unlikely = (value: number, middle: number, spread: number) =>
  (Math.log(value / middle) / spread) ** 2 / 2

/**
 * Kilograms or pounds, by what bodies weigh for their height.
 *
 * @returns how much likelier pounds are, log odds
 */
function poundsOverKilograms(masses: readonly number[], heightsCm: readonly number[]): number {
  const mass = median(masses)
  if (mass === undefined) return 0
  const height = median(heightsCm)
  const miss = (kg: number) =>
    height === undefined
      ? unlikely(kg, USUAL_MASS.kg, USUAL_MASS.spread)
      : unlikely(bmiOf(kg, height), USUAL_BMI.middle, USUAL_BMI.spread)
  return miss(mass) - miss(mass * KG_PER_POUND)
}

/** The unit in which a height without one is possible; the ranges do not overlap. */
const heightInCm = (value: number) =>
  value < 3 ? value * 100 : value < 100 ? value * CM_PER_INCH : value

/** How many girths of a column are usual in centimeters, and how many in inches. */
function girthVotes(drafts: readonly { site: SiteId; cells: readonly Cell[] }[]) {
  const votes = { cm: 0, in: 0 }
  for (const { site, cells } of drafts) {
    const { softLow, softHighMale } = limitsOf(site)
    for (const value of numbersOf(cells)) {
      if (value >= softLow && value <= softHighMale) votes.cm++
      const cm = value * CM_PER_INCH
      if (cm >= softLow && cm <= softHighMale) votes.in++
    }
  }
  return votes
}

/** What a column means, by its heading and, where that leaves it open, by its values. */
function meaningOf(draft: Draft, all: readonly Draft[]): Meaning {
  const { heading } = draft
  if (heading.fact) return { is: heading.fact }
  if (heading.fold === undefined && heading.girth === undefined) return { is: 'unknown' }
  const kind =
    heading.kind ??
    (heading.girth && heading.fold ? kindByValues(draft, all) : heading.fold ? 'fold' : 'girth')
  const site = kind === 'fold' ? heading.fold : heading.girth
  return site === undefined ? { is: 'unknown' } : { is: kind, site, trial: heading.trial }
}

const isLength = (unit: ColumnUnit | undefined) =>
  unit === 'mm' || unit === 'cm' || unit === 'm' || unit === 'in' || unit === 'ft in'
const isMass = (unit: ColumnUnit | undefined) => unit === 'kg' || unit === 'lb' || unit === 'st lb'

/** The unit, among those named, that is one of what is measured. */
const fitting = (meaning: Meaning, units: readonly (ColumnUnit | undefined)[]) =>
  units.findLast((unit) => fits(meaning, unit) !== undefined)

function fits(meaning: Meaning, unit: ColumnUnit | undefined): ColumnUnit | undefined {
  if (meaning.is === 'mass') return isMass(unit) ? unit : undefined
  if (meaning.is === 'height') return isLength(unit) && unit !== 'mm' ? unit : undefined
  if (meaning.is === 'girth')
    return unit === 'cm' || unit === 'in' || unit === 'mm' ? unit : undefined
  if (meaning.is === 'fold')
    return unit === 'mm' || unit === 'cm' || unit === 'in' ? unit : undefined
  return undefined
}

/**
 * What each column of a table means, and in which unit it is: by its heading, else by its cells, else by the values of
 * all columns together.
 *
 * @param chosen by a column's index
 */
export function readColumns(
  { headings, places, lines, layout }: Table,
  usual: Usual,
  chosen: ReadonlyMap<number, ColumnChoice> = new Map(),
): Column[] {
  const looked = lines.slice(0, LOOKED_AT)
  const drafts = headings.map((heading, index): Draft => {
    return {
      ...{ index, heading: readHeading(heading) },
      cells: looked.map(({ cells }) => cells[index] ?? null),
    }
  })
  const meanings = drafts.map((draft) => meaningOf(draft, drafts))
  for (const draft of drafts) asFirstNamed(draft, drafts, meanings)
  for (const [index, { meaning }] of chosen) if (meaning) meanings[index] = meaning
  withoutDoubles(drafts, meanings, new Set(chosen.keys()), layout)
  const heights = drafts.flatMap(({ cells }, i) =>
    meanings[i]!.is === 'height' ? numbersOf(cells).map(heightInCm) : [],
  )
  const masses = drafts.flatMap(({ cells }, i) =>
    meanings[i]!.is === 'mass' ? numbersOf(cells) : [],
  )
  const pounds = poundsOverKilograms(masses, heights)
  const withoutUnit = drafts.flatMap(({ index, heading, cells }) => {
    const meaning = meanings[index]!
    if (meaning.is !== 'girth' || fitting(meaning, heading.units) || unitInCells(cells)) return []
    return [{ site: meaning.site, cells }]
  })
  const votes = girthVotes(withoutUnit)
  const named = drafts.flatMap(({ index, heading }) =>
    meanings[index]!.is === 'girth' ? (fitting(meanings[index]!, heading.units) ?? []) : [],
  )
  return drafts.map(({ index, heading, cells }): Column => {
    const meaning = meanings[index]!
    const example = textOf(cells.find((cell) => !saysNothing(cell)))
    const column = { index, place: places[index]!, heading: headings[index]!, meaning, example }
    const given = (unit: ColumnUnit | null, unitFrom: UnitFrom | null, unitIsOpen = false) => ({
      ...column,
      ...{ unit, unitFrom, unitIsOpen },
    })
    const choice = chosen.get(index)?.unit
    if (choice) return given(choice, 'chosen')
    const ofHeading = fitting(meaning, heading.units)
    if (ofHeading) return given(ofHeading, 'heading')
    const ofCells = fitting(meaning, [unitInCells(cells)])
    if (ofCells) return given(ofCells, 'cells')
    switch (meaning.is) {
      case 'fold':
        return given('mm', 'usual')
      case 'girth': {
        if (votes.cm !== votes.in) return given(votes.cm > votes.in ? 'cm' : 'in', 'guess')
        const [like] = named
        return given(like === 'in' || like === 'cm' ? like : usual.length, 'guess', votes.cm > 0)
      }
      case 'mass': {
        const likelier = Math.abs(pounds) < SURE && masses.length > 0
        const unit = likelier ? usual.mass : pounds > 0 ? 'lb' : 'kg'
        return given(masses.length === 0 ? usual.mass : unit, 'guess', likelier)
      }
      case 'height': {
        const value = median(heights.length > 0 ? numbersOf(cells) : [])
        if (value === undefined) return given(null, null)
        return given(value < 3 ? 'm' : value < 100 ? 'in' : 'cm', 'guess')
      }
      default:
        return given(null, null)
    }
  })
}

/** `Name` beside `First name` is the last one; `Client` beside `Last name` too is a whole name. */
function asFirstNamed(draft: Draft, all: readonly Draft[], meanings: Meaning[]): void {
  const has = (fact: string) => meanings.some(({ is }) => is === fact)
  if (meanings[draft.index]!.is !== 'client') return
  if (has('first-name') && !has('last-name') && all.length > 1)
    meanings[draft.index] = { is: 'last-name' }
}

/** What is there twice counts once: the right side, the first of two of a name, readings and not what they came to. */
function withoutDoubles(
  drafts: readonly Draft[],
  meanings: Meaning[],
  chosen: ReadonlySet<number>,
  layout: Table['layout'],
): void {
  const filled = (index: number) => drafts[index]!.cells.filter((cell) => !saysNothing(cell)).length
  const seen = new Map<string, number>()
  for (const [index, meaning] of meanings.entries()) {
    if (meaning.is === 'unknown' || meaning.is === 'worked-out' || meaning.is === 'note') continue
    // Lines of a log sheet may repeat a label for each further reading.
    const again = 'site' in meaning && meaning.trial === 'all' && layout === 'log'
    if (again) continue
    const key = 'site' in meaning ? `${meaning.is} ${meaning.site} ${meaning.trial}` : meaning.is
    const before = seen.get(key)
    if (before === undefined) {
      seen.set(key, index)
      continue
    }
    const goes = chosen.has(index) ? before : pick(before, index, drafts, filled)
    const sides = drafts[before]!.heading.side && drafts[index]!.heading.side
    // Two columns of one name are two readings of the site, unless they are two sides of the body.
    if ('site' in meaning && meaning.trial === 'all' && !sides && isSkinfold(meaning.site)) continue
    meanings[goes] = { is: 'unknown' }
    seen.set(key, goes === index ? before : index)
  }
  for (const [index, meaning] of meanings.entries()) {
    if (!('site' in meaning) || meaning.trial !== 'final') continue
    const readings = meanings.some(
      (other) =>
        'site' in other &&
        other.site === meaning.site &&
        other.trial !== 'final' &&
        other !== meaning,
    )
    if (readings) meanings[index] = { is: 'worked-out' }
  }
}

/** Which of two columns of one meaning goes: the left side, then the emptier one. */
function pick(
  before: number,
  index: number,
  drafts: readonly Draft[],
  filled: (index: number) => number,
): number {
  if (drafts[before]!.heading.side === 'left' && drafts[index]!.heading.side !== 'left')
    return before
  if (drafts[index]!.heading.side === 'left') return index
  return filled(before) === 0 && filled(index) > 0 ? before : index
}

/** Whether anything of a table can be brought in at all. */
export function hasMeasures(columns: readonly Column[]): boolean {
  const all = columns.map(({ meaning: { is } }) => is)
  // A share of fat alone says nothing of the folds; by another method it is a result.
  const isOther =
    all.some((is) => methodOfFact(is)) ||
    ['fat', 'equation'].every((is) => all.includes(is as 'fat'))
  return isOther || all.some((is) => ['fold', 'girth', 'mass', 'height', 'value'].includes(is))
}

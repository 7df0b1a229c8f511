import { type SiteId, isSkinfold } from '../anatomy/ids'
import { limitsOf } from '../anatomy/limits'
import { CM_PER_INCH, MM_PER_INCH } from '../units/constants'
import type { EntryErrorKind } from './finding'

/** What one typed number may have been meant as. */
export interface Meaning {
  kind: EntryErrorKind
  value: number
  /**
   * By how much the typed number is stretched to become the one that was meant: numbers ten times as large lie ten
   * times as far apart, so that each of them is a tenth as probable.
   */
  stretch: number
}

/** All numbers that swapping two neighbouring digits of a typed number makes. */
export function transpositionsOf(value: number): number[] {
  const text = String(Number(value.toFixed(2)))
  if (text.startsWith('0')) return []
  const found = new Set<number>()
  const places = [...text].flatMap((sign, i) => (sign === '.' ? [] : [i]))
  for (let k = 0; k + 1 < places.length; k++) {
    const signs = [...text]
    const [a, b] = [places[k]!, places[k + 1]!]
    ;[signs[a], signs[b]] = [signs[b]!, signs[a]!]
    const other = Number(signs.join(''))
    // Nobody types a leading nought.
    if (signs[0] !== '0' && other !== value) found.add(other)
  }
  return [...found]
}

const TEN = 10
/** A ten that was not typed at all may have been any of these. */
const TENS_LEFT_OUT = [20, 30, 40]

/** All numbers with another ten: one too many or too few, or the ten left out. */
export function otherTensOf(value: number): number[] {
  const leftOut = value < TEN ? TENS_LEFT_OUT.map((tens) => value + tens) : []
  return [value - TEN, value + TEN, ...leftOut].filter((other) => other > 0)
}

/** What a number typed for a site may have been meant as, where a body can have it. mm for folds, cm for girths. */
export function meaningsOf(site: SiteId, typed: number, inches = false): Meaning[] {
  const fold = isSkinfold(site)
  const scale = inches && !fold ? CM_PER_INCH : 1
  const scaled = (kind: EntryErrorKind) => (by: number) => ({
    ...{ kind, value: typed * by, stretch: by },
  })
  const plain = (kind: EntryErrorKind) => (shown: number) => ({
    ...{ kind, value: shown * scale, stretch: 1 },
  })
  const { hardLow, hardHigh } = limitsOf(site)
  return [
    ...[1 / TEN, TEN].map(scaled('decimal')),
    ...unitsOf(fold, typed).map(scaled('unit')),
    ...transpositionsOf(typed / scale).map(plain('transposition')),
    ...otherTensOf(typed / scale).map(plain('ten')),
  ].filter(({ value }) => value >= hardLow && value <= hardHigh)
}

const MOST_INCHES_OF_FOLD = 4

/** What makes another unit of a number: a fold in inches, a girth in inches or in cm where inches are read. */
function unitsOf(fold: boolean, typed: number): number[] {
  if (!fold) return [CM_PER_INCH, 1 / CM_PER_INCH]
  return typed <= MOST_INCHES_OF_FOLD ? [MM_PER_INCH] : []
}

/** The same slip in every trial of a site: the scale misread or the unit taken wrong throughout. */
export function throughoutOf(site: SiteId): { kind: EntryErrorKind; by: number }[] {
  const units = isSkinfold(site) ? [MM_PER_INCH] : [CM_PER_INCH, 1 / CM_PER_INCH]
  return [
    ...[1 / TEN, TEN].map((by) => ({ kind: 'decimal' as const, by })),
    ...units.map((by) => ({ kind: 'unit' as const, by })),
  ]
}

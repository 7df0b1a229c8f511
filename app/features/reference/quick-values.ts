import {
  attempt,
  formatLength,
  inputError,
  isSkinfold,
  limitsOf,
  nameOf,
  parseFold,
  parseGirth,
  parseTrials,
  type LengthUnit,
  type SiteId,
  type Typed,
} from '#core'

/** The unit that folds are read in: calipers have millimetres, some tapes and pinches fractions of an inch. */
export type FoldUnit = 'mm' | 'in'

/** What stands in a field: its readings and their mean, or what is wrong with it. */
export interface QuickField {
  value?: number
  trials?: Typed[]
  problem?: string
}

const NAMES_UNIT = /[a-z"'’]/i

/** Reads one fold or girth within its limits. */
function readOne(site: SiteId, text: string, lengthUnit: LengthUnit, foldUnit: FoldUnit): Typed {
  const fold = isSkinfold(site)
  const name = nameOf(site)
  const inInches = fold && foldUnit === 'in' && !NAMES_UNIT.test(text)
  const typed = fold
    ? parseFold(inInches ? `${text} in` : text, site, name)
    : parseGirth(text, lengthUnit, site, name)
  const { hardLow, hardHigh } = limitsOf(site)
  if (typed.value >= hardLow && typed.value <= hardHigh) return { ...typed, text: text.trim() }
  const accepted = fold
    ? `${hardLow} to ${hardHigh} mm`
    : `${formatLength(hardLow, lengthUnit)} to ${formatLength(hardHigh, lengthUnit)}`
  throw inputError(site, 'impossible', name, text.trim(), accepted)
}

/**
 * A field of the quick estimate: a number, a fraction of an inch, or some readings such as 12/13, whose mean counts.
 *
 * @param text as typed; empty is no value and no problem
 */
export function quickField(
  site: SiteId,
  text: string,
  lengthUnit: LengthUnit,
  foldUnit: FoldUnit,
): QuickField {
  if (!text.trim()) return {}
  const fraction = !isSkinfold(site) || foldUnit === 'in' || NAMES_UNIT.test(text)
  const read = parseTrials(text, (one) => readOne(site, one, lengthUnit, foldUnit), fraction)
  return read.ok ? read.value : { problem: read.error.message }
}

/** A field that is a plain number, or says what it accepts. */
export function numberField(
  text: string,
  label: string,
  [low, high]: readonly [number, number],
  what: string,
): QuickField {
  if (!text.trim()) return {}
  const value = Number(text.trim().replace(',', '.'))
  return Number.isFinite(value) && value >= low && value <= high
    ? { value }
    : { problem: `${label}: got “${text.trim()}”. Accepted: ${what}, ${low} to ${high}.` }
}

/** Reads with one of the core's readers. */
export function readField(text: string, read: (text: string) => Typed): QuickField {
  if (!text.trim()) return {}
  const parsed = attempt(() => read(text))
  return parsed.ok
    ? { value: parsed.value.value, trials: [parsed.value] }
    : { problem: parsed.error.message }
}

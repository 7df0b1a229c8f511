import {
  attempt,
  isSkinfold,
  parseTrials,
  plainText,
  typedNumber,
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
  const inInches = isSkinfold(site) && foldUnit === 'in' && !NAMES_UNIT.test(text)
  const typed = {
    ...parseSite(site, inInches ? `${text} in` : text, lengthUnit),
    text: text.trim(),
  }
  const refused = beyondLimits(site, typed, lengthUnit)
  if (refused) throw refused
  return typed
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
  return read.ok ? read.value : { problem: wordsOf(read.error) }
}

/** A field that is a plain number, or says what it accepts. */
export function numberField(
  text: string,
  label: string,
  [low, high]: readonly [number, number],
  what: string,
): QuickField {
  if (!text.trim()) return {}
  const value = typedNumber(plainText(text))
  return value !== undefined && value >= low && value <= high
    ? { value }
    : {
        problem: t('quick.enterNumber', { label, got: text.trim(), what, low, high }),
      }
}

/** Reads with one of the core's readers. */
export function readField(text: string, read: (text: string) => Typed): QuickField {
  if (!text.trim()) return {}
  const parsed = attempt(() => read(text))
  return parsed.ok
    ? { value: parsed.value.value, trials: [parsed.value] }
    : { problem: wordsOf(parsed.error) }
}

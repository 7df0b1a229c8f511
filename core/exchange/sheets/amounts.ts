import { isSkinfold, type SiteId } from '../../anatomy/ids'
import { limitsOf } from '../../anatomy/limits'
import { nameOf } from '../../anatomy/names'
import { InputError, refusal } from '../../errors'
import { attempt } from '../../outcome'
import { say, type Words } from '../../say'
import { CM_PER_INCH, KG_PER_POUND, MM_PER_INCH } from '../../units/constants'
import { parseFold, parseGirth, parseHeight, parseMass, type TypedUnit } from '../../units/parse'
import { parseTrials } from '../../units/typed-trials'
import { type Cell, numberIn, textOf, withoutMarks } from './cells'
import type { ColumnUnit, Meaning } from './headings'

/* Cells as values: folds, girths, heights and masses, by what they say and by the unit of their column. */

/** A value with what was typed for it. */
export interface Amount {
  /** mm, cm or kg. */
  value: number
  unit: TypedUnit
  text: string
}

/** In the canonical unit of its kind, from a bare number. */
const FACTORS: Record<'fold' | 'girth' | 'mass' | 'height', Partial<Record<ColumnUnit, number>>> = {
  fold: { mm: 1, cm: 10, in: MM_PER_INCH },
  girth: { cm: 1, mm: 0.1, in: CM_PER_INCH },
  mass: { kg: 1, lb: KG_PER_POUND },
  height: { cm: 1, m: 100, in: CM_PER_INCH },
}

/** A bare number by the unit of its column; undefined where the text says more, or the column is of two units. */
function byColumn(kind: keyof typeof FACTORS, cell: Cell, unit: ColumnUnit): Amount | undefined {
  const value = numberIn(cell)
  const factor = FACTORS[kind][unit]
  if (value === undefined || factor === undefined) return undefined
  const text = textOf(cell)
  if (typeof cell === 'string' && /[/ ]\d/.test(text)) return undefined
  return { value: value * factor, unit: unit as TypedUnit, text }
}

/** A whole number of inches over a column of feet is feet. */
export function heightOf(cell: Cell, unit: ColumnUnit | null): Amount {
  const plain = unit && byColumn('height', cell, unit)
  if (plain) return plain
  const { value, unit: typed, text } = parseHeight(withoutMarks(textOf(cell)))
  return { value, unit: typed, text }
}

export function massOf(cell: Cell, unit: ColumnUnit): Amount {
  const plain = byColumn('mass', cell, unit)
  if (plain) return plain
  const {
    value,
    unit: typed,
    text,
  } = parseMass(withoutMarks(textOf(cell)), unit === 'kg' ? 'kg' : 'lb')
  return { value, unit: typed, text }
}

/** The readings of a site's cell: one number, or several of them. */
export function readingsIn(
  { is, site }: Extract<Meaning, { site: SiteId }>,
  cell: Cell,
  unit: ColumnUnit,
): Amount[] {
  const plain = byColumn(is, cell, unit)
  if (plain) return [plain]
  const one = (text: string) => {
    const bare = byColumn(is, text, unit)
    if (bare) return { ...bare, readAs: text, assumed: false, warnings: [] }
    return is === 'fold'
      ? parseFold(text, site, nameOf(site))
      : parseGirth(text, unit === 'in' ? 'in' : 'cm', site, nameOf(site))
  }
  const text = withoutMarks(textOf(cell))
  const whole = attempt(() => one(text))
  const parted = whole.ok || is === 'girth' ? text : text.replace(/,\s+|\s+(?=\d)|\s*\|\s*/g, ';')
  const typed = parseTrials(parted, one as never, is === 'girth')
  if (!typed.ok) throw typed.error
  return typed.value.trials.map(({ value, unit: of, text: as }) => ({ value, unit: of, text: as }))
}

/** Refuses what cannot be, in the words of the floor. */
export function possible(id: SiteId | 'height' | 'mass', label: Words, amount: Amount): Amount {
  const { hardLow, hardHigh } = limitsOf(id)
  if (amount.value >= hardLow && amount.value <= hardHigh) return amount
  const unit = id === 'mass' ? 'kg' : id !== 'height' && isSkinfold(id) ? 'mm' : 'cm'
  const accepted = say('methods.to', { low: hardLow, high: hardHigh, unit })
  throw new InputError(id, 'impossible', refusal(label, amount.text, accepted))
}

import {
  isGirth,
  massIn,
  quantityName,
  signed,
  signedLength,
  type JudgedChange,
  type LengthUnit,
  type MassUnit,
  type RecordQuantity,
  type RecordVerdict,
} from '#core'

/** Units that a change is shown in. */
export interface ShownUnits {
  mass: MassUnit
  length: LengthUnit
}

/** How sure a change of the record is, in words. */
export const VERDICT_WORDS: Record<RecordVerdict, string> = {
  ...{ clear: 'clear', likely: 'likely' },
  ...{ 'no-change': 'no change that matters', 'not-yet': 'not yet clear' },
}

/** The unit that a quantity is shown in. */
export function unitOfQuantity(quantity: RecordQuantity, { mass, length }: ShownUnits): string {
  if (isGirth(quantity)) return length
  return quantity === 'sum' || quantity === 'equationSum' ? 'mm' : mass
}

/** A change in the unit that it is shown in, without it. */
export function signedQuantity(quantity: RecordQuantity, change: number, units: ShownUnits) {
  if (isGirth(quantity)) return signedLength(change, units.length)
  return quantity === 'sum' || quantity === 'equationSum'
    ? signed(change, 0)
    : signed(massIn(change, units.mass), 1)
}

/** What a quantity is called at the head of a line. */
export function quantityTitle(quantity: RecordQuantity): string {
  const name = quantityName(quantity).replace(/^the /, '')
  return name.charAt(0).toUpperCase() + name.slice(1)
}

/** Sign and certainty as a shape: filled where it is clear, hollow where it is likely. */
export function shapeOfChange({ verdict, change }: Pick<JudgedChange, 'verdict' | 'change'>) {
  if (verdict === 'no-change') return '='
  if (verdict === 'not-yet') return '?'
  const [down, up] = verdict === 'clear' ? ['▼', '▲'] : ['▽', '△']
  return change < 0 ? down! : up!
}

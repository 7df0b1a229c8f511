import {
  capital,
  isOfFolds,
  isGirth,
  lengthIn,
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
  return isOfFolds(quantity) ? 'mm' : mass
}

/** A value in the unit that it is shown in. */
export function quantityIn(quantity: RecordQuantity, value: number, { mass, length }: ShownUnits) {
  if (isGirth(quantity)) return lengthIn(value, length)
  return isOfFolds(quantity) ? value : massIn(value, mass)
}

/** A change in the unit that it is shown in, without it. */
export function signedQuantity(quantity: RecordQuantity, change: number, units: ShownUnits) {
  if (isGirth(quantity)) return signedLength(change, units.length)
  const whole = quantity === 'sum' || quantity === 'equationSum'
  return signed(quantityIn(quantity, change, units), whole ? 0 : 1)
}

/** What a quantity is called in a list, where no article stands. */
export const quantityLabel = (quantity: RecordQuantity) =>
  quantityName(quantity).replace(/^the /, '')

/** The same at the head of a line. */
export const quantityTitle = (quantity: RecordQuantity) => capital(quantityLabel(quantity))

const MOST_GIRTHS = 3
/** Of all that is followed what is shown first: fat, lean and body mass; else the sum of folds, else girths. */
export function leadingOf(all: readonly RecordQuantity[]): RecordQuantity[] {
  if (all.includes('fat')) return ['fat', 'lean', 'mass']
  return all.includes('sum') ? ['sum'] : all.filter(isGirth).slice(0, MOST_GIRTHS)
}

const SHAPES: Record<RecordVerdict, readonly [down: string, up: string]> = {
  clear: ['▼', '▲'],
  likely: ['▽', '△'],
  'no-change': ['=', '='],
  'not-yet': ['?', '?'],
}
/** Sign and certainty as a shape: filled where it is clear, hollow where it is likely. */
export const shapeOf = ({ verdict, change }: Pick<JudgedChange, 'verdict' | 'change'>): string =>
  SHAPES[verdict][change < 0 ? 0 : 1]

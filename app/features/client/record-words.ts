import {
  capital,
  isGirth,
  quantityIn,
  Z95,
  type JudgedChange,
  type RecordQuantity,
  type RecordVerdict,
  type ShownUnits,
} from '#core'
import type { Key } from '~/words/say'

export { quantityIn, unitOfQuantity } from '#core'

/** How sure a change of the record is, in words. */
const VERDICTS = {
  ...{ clear: 'client.verdict.clear', likely: 'client.verdict.likely' },
  ...{ 'no-change': 'client.verdict.noChange', 'not-yet': 'client.verdict.notYet' },
} as const satisfies Record<RecordVerdict, Key>
export const verdictWords = (verdict: RecordVerdict) => t(VERDICTS[verdict])

/** A sum of folds is shown in whole millimeters. */
const isSumOfFolds = (quantity: RecordQuantity) => quantity === 'sum' || quantity === 'equationSum'

/** A change in the unit that it is shown in, without it. */
export function signedQuantity(quantity: RecordQuantity, change: number, units: ShownUnits) {
  if (isGirth(quantity)) return signedLength(change, units.length)
  return signed(quantityIn(quantity, change, units), isSumOfFolds(quantity) ? 0 : 1)
}

/** How far a change may be off, 19 times in 20, in the unit that it is shown in. */
export function reachOf(quantity: RecordQuantity, sd: number, units: ShownUnits): string {
  const reach = Z95 * sd
  if (isGirth(quantity)) return lengthText(reach, units.length)
  return fixed(quantityIn(quantity, reach, units), isSumOfFolds(quantity) ? 0 : 1)
}

/** Whether a change is more than its error leaves open. */
export const beyondText = (beyond: boolean) =>
  beyond ? t('client.beyondMeasuringError') : t('client.withinMeasuringError')

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

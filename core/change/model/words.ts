import { isGirth, isSkinfold } from '../../anatomy/ids'
import { nameOf } from '../../anatomy/names'
import { capital, fixed, formatLength, formatMass } from '../../units/format'
import type { LengthUnit, MassUnit } from '../../units/parse'
import { type IsoDate, formatDate } from '../../units/dates'
import type { Headline, NamedChange } from './headline'
import type { RecordQuantity } from './record'
import { wayOf } from './verdict'

/** Units that a headline is said in. */
export interface HeadlineUnits {
  mass: MassUnit
  /** Centimetres where not said. */
  length?: LengthUnit
  /** The day on which it is said; what should be readable by then should be measured now. */
  today?: IsoDate
}

const NAMES = {
  ...{ fat: 'fat', lean: 'lean', mass: 'body mass' },
  ...{ sum: 'the sum of folds', equationSum: 'the equation’s sum' },
}

/** What is followed, in a sentence; a girth without how it is found. */
export const quantityName = (quantity: RecordQuantity): string =>
  isGirth(quantity) || isSkinfold(quantity)
    ? nameOf(quantity).split(',')[0]!.toLowerCase()
    : NAMES[quantity]

/** True for what is read in millimetres. */
export const isOfFolds = (quantity: RecordQuantity): boolean =>
  quantity === 'sum' || quantity === 'equationSum' || isSkinfold(quantity)

const amountOf = ({ quantity, change }: NamedChange, units: HeadlineUnits): string => {
  const size = Math.abs(change)
  if (isGirth(quantity)) return formatLength(size, units.length ?? 'cm')
  if (isOfFolds(quantity)) return `${fixed(size, 0)} mm`
  return formatMass(size, units.mass)
}

const since = (date: IsoDate | undefined) => (date ? ` since ${formatDate(date, true)}` : '')

/** What a clear or likely change is called: down 4.8 kg of fat. */
function moved(change: NamedChange, units: HeadlineUnits): string {
  const way = change.change < 0 ? 'down' : 'up'
  return `${quantityName(change.quantity)} ${way} ${amountOf(change, units)}`
}

/** Fat and lean in one sentence: what is clear is named with its amount, the other as far as it can be. */
function clearly(changes: readonly NamedChange[], units: HeadlineUnits): string {
  const clear = changes.filter((change) => wayOf(change) !== 0)
  const rest = changes.filter((change) => wayOf(change) === 0)
  const held = rest.map(({ quantity, verdict }) =>
    verdict === 'no-change'
      ? `${quantityName(quantity)} held`
      : `${quantityName(quantity)} not clear yet`,
  )
  return [...clear.map((change) => moved(change, units)), ...held].join(', ')
}

/** From when a change should be clear; a day that is past says nothing, but that it is time to measure. */
const readableText = (from: IsoDate, today: IsoDate | undefined) =>
  today !== undefined && from <= today
    ? 'Another check-in should tell.'
    : `Readable from about ${formatDate(from, true)}.`

/**
 * A headline in words: the amount, the part and the time.
 *
 * @example headlineText(headline) // "Fat down 4.8 kg, lean held since 14 Aug 2026."
 */
export function headlineText(headline: Headline, units: HeadlineUnits = { mass: 'kg' }): string {
  const { rule, changes, weeks } = headline
  const when = since(headline.since)
  const until = headline.readableFrom ? ` ${readableText(headline.readableFrom, units.today)}` : ''
  switch (rule) {
    case 'too-fast':
      return `Losing ${fixed(headline.percentAWeek!, 1)}% of body mass a week${when}: too fast.`
    case 'losing-lean': {
      const [fat, lean] = changes
      const total = Math.abs(fat!.change + lean!.change)
      const most = Math.abs(lean!.change) > total / 2
      const all = amountOf({ ...lean!, change: total }, units)
      return fat!.change < 0
        ? `Down ${all}${when}, and ${most ? 'most of it was' : `${amountOf(lean!, units)} of it`} lean.`
        : `Lean down ${amountOf(lean!, units)}${when}.`
    }
    case 'phase-clear':
    case 'first-clear':
      return `${capital(clearly(changes, units))}${when}.`
    case 'off-the-line':
      return 'The last check-in lies off the line: measure again.'
    case 'probably': {
      const likely = changes.filter(({ verdict }) => verdict === 'likely')
      return `Probably ${likely.map((change) => moved(change, units)).join(' and ')}${when}.${until}`
    }
    case 'no-change':
      return `No change that matters${when}.`
    case 'not-yet':
      return weeks === 0
        ? `The first check-in: there is nothing to compare yet.${until}`
        : `Not clear yet.${until}`
  }
}

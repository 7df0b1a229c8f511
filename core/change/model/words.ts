import {
  type Message,
  dayValue,
  num,
  say,
  listed,
  lower,
  upper,
  sentences,
  figures,
  type Value,
} from '../../say'
import { isSite, isSkinfold } from '../../anatomy/ids'
import { shortNameOf } from '../../anatomy/names'
import { formatLength, formatMass, lengthIn, massIn } from '../../units/format'
import { mmSaid } from '../../units/said'
import type { LengthUnit, MassUnit } from '../../units/parse'
import type { IsoDate } from '../../units/dates'
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
  ...{ fat: say('change.fat'), lean: say('change.lean'), mass: say('change.bodyMass') },
  ...{ sum: say('change.sumFolds'), equationSum: say('change.equationsSum') },
}

/** What is followed, in a sentence; a girth without how it is found. */
export const quantityName = (quantity: RecordQuantity): Message =>
  isSite(quantity) ? lower(shortNameOf(quantity)) : NAMES[quantity]

/** True for what is read in millimetres. */
export const isOfFolds = (quantity: RecordQuantity): boolean =>
  quantity === 'sum' || quantity === 'equationSum' || isSkinfold(quantity)

/** Units that a change is shown in. */
export interface ShownUnits {
  mass: MassUnit
  length: LengthUnit
}

/** The unit that a quantity is shown in. */
export function unitOfQuantity(quantity: RecordQuantity, { mass, length }: ShownUnits): string {
  if (isSite(quantity) && !isSkinfold(quantity)) return length
  return isOfFolds(quantity) ? 'mm' : mass
}

/** A value (mm, cm or kg) in the unit that it is shown in. */
export function quantityIn(quantity: RecordQuantity, value: number, { mass, length }: ShownUnits) {
  if (isSite(quantity) && !isSkinfold(quantity)) return lengthIn(value, length)
  return isOfFolds(quantity) ? value : massIn(value, mass)
}

const amountOf = ({ quantity, change }: NamedChange, units: HeadlineUnits): Value => {
  const size = Math.abs(change)
  if (isSite(quantity) && !isSkinfold(quantity))
    return figures(formatLength(size, units.length ?? 'cm'))
  if (isOfFolds(quantity)) return mmSaid(size, 0)
  return figures(formatMass(size, units.mass))
}

/** What a clear or likely change is called: down 4.8 kg of fat. */
function moved(change: NamedChange, units: HeadlineUnits): Message {
  const values = { quantity: quantityName(change.quantity), amount: amountOf(change, units) }
  return change.change < 0 ? say('change.isDown', values) : say('change.isUp', values)
}

/** Fat and lean in one sentence: what is clear is named with its amount, the other as far as it can be. */
function clearly(changes: readonly NamedChange[], units: HeadlineUnits): Message {
  const clear = changes.filter((change) => wayOf(change) !== 0)
  const rest = changes.filter((change) => wayOf(change) === 0)
  const held = rest.map(({ quantity, verdict }) =>
    verdict === 'no-change'
      ? say('change.held', { quantity: quantityName(quantity) })
      : say('change.clearYet', { quantity: quantityName(quantity) }),
  )
  return listed([...clear.map((change) => moved(change, units)), ...held])
}

/** From when a change should be clear; a day that is past says nothing, but that it is time to measure. */
const readableText = (from: IsoDate, today: IsoDate | undefined) =>
  today !== undefined && from <= today
    ? say('change.anotherCheckShouldTell')
    : say('change.readableAbout', { from: dayValue(from, true) })

/**
 * A headline in words: the amount, the part and the time.
 *
 * @example headlineText(headline) // "Fat down 4.8 kg, lean held since 14 Aug 2026."
 */
export function headlineText(headline: Headline, units: HeadlineUnits = { mass: 'kg' }): Message {
  const { rule, changes, weeks } = headline
  const since = headline.since === undefined ? undefined : dayValue(headline.since, true)
  const until = headline.readableFrom && readableText(headline.readableFrom, units.today)
  switch (rule) {
    case 'too-fast': {
      const values = { percentAWeek: num(headline.percentAWeek!, 1), since }
      return since ? say('change.tooFastSince', values) : say('change.tooFast', values)
    }
    case 'losing-lean': {
      const [fat, lean] = changes
      const total = Math.abs(fat!.change + lean!.change)
      const values = {
        all: amountOf({ ...lean!, change: total }, units),
        lean: amountOf(lean!, units),
        since,
      }
      if (fat!.change >= 0) {
        return since ? say('change.leanDownSince', values) : say('change.leanDown', values)
      }
      if (Math.abs(lean!.change) > total / 2) {
        return since ? say('change.mostlyLeanSince', values) : say('change.mostlyLean', values)
      }
      return since ? say('change.partLeanSince', values) : say('change.partLean', values)
    }
    case 'phase-clear':
    case 'first-clear': {
      const values = { changes: upper(clearly(changes, units)), since }
      return since ? say('change.clearSince', values) : say('change.clearChanges', values)
    }
    case 'off-the-line':
      return say('change.lastCheckLiesOffLine2')
    case 'probably': {
      const likely = changes.filter(({ verdict }) => verdict === 'likely')
      const changed = listed(
        likely.map((change) => moved(change, units)),
        'and',
      )
      const values = { changed, since }
      const first = since ? say('change.probablySince', values) : say('change.probably', values)
      return sentences(first, until)
    }
    case 'no-change':
      return since ? say('change.noChangeSince', { since }) : say('change.noChange')
    case 'not-yet':
      return weeks === 0
        ? sentences(say('change.firstCheckThereNothingCompare'), until)
        : sentences(say('change.clearYet2'), until)
  }
}

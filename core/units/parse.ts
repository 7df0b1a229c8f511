import { type Message, say, type Words } from '../say'
import { HEIGHT_LIMITS, MASS_LIMITS, type Limits } from './limits'
import { inputError } from '../errors'
import {
  CM_PER_INCH,
  INCHES_PER_FOOT,
  KG_PER_POUND,
  MM_PER_INCH,
  POUNDS_PER_STONE,
} from './constants'
import { NUMBER, plainText, typedNumber } from './typed-number'

export type LengthUnit = 'cm' | 'in'
export type MassUnit = 'kg' | 'lb'
export type TypedUnit = 'mm' | 'cm' | 'm' | 'in' | 'ft in' | 'kg' | 'lb' | 'st lb'

/** What somebody typed, understood. */
export interface Typed {
  /** In the canonical unit of its kind: mm for a fold, cm for a girth or height, kg for mass. */
  value: number
  /** The unit it was typed in, or taken to be in. */
  unit: TypedUnit
  /** The text as typed, trimmed. */
  text: string
  /** How it was understood, worth showing back whenever a unit was assumed. */
  readAs: Message
  /** True when the text named no unit and one was assumed. */
  assumed: boolean
  warnings: Message[]
}

type Quantity = [number, TypedUnit]

const number = (text: string | undefined) => typedNumber(text ?? '')

function withUnit(text: string, units: Record<string, TypedUnit>): Quantity | undefined {
  const match = new RegExp(`^(${NUMBER}) ?([a-z"']*)$`).exec(text)
  if (!match?.[2]) return undefined
  const value = number(match[1])
  const unit = units[match[2]]
  return value === undefined || !unit ? undefined : [value, unit]
}

const LENGTH_WORDS: Record<string, TypedUnit> = {
  cm: 'cm',
  mm: 'mm',
  m: 'm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
}

const MASS_WORDS: Record<string, TypedUnit> = {
  kg: 'kg',
  kgs: 'kg',
  kilo: 'kg',
  kilos: 'kg',
  lb: 'lb',
  lbs: 'lb',
  pound: 'lb',
  pounds: 'lb',
}

const CM_PER: Partial<Record<TypedUnit, number>> = { mm: 0.1, cm: 1, m: 100, in: CM_PER_INCH }

const feetInches = new RegExp(
  `^(\\d+) ?(?:'|ft|feet|foot) ?(?:(${NUMBER}) ?(?:"|in|inch|inches)?)?$`,
)

/** Feet and inches as inches; undefined where the text is not of that shape or has 12 inches or more. */
function feetAndInches(text: string): number | undefined {
  const match = feetInches.exec(text)
  if (!match) return undefined
  const inches = match[2] === undefined ? 0 : number(match[2])
  if (inches === undefined || inches >= INCHES_PER_FOOT) return undefined
  return Number(match[1]) * INCHES_PER_FOOT + inches
}

function within(limits: Limits, value: number) {
  return value >= limits.hardLow && value <= limits.hardHigh
}

/** A number for a person: at most two decimals, no trailing zeros. */
function short(value: number) {
  return String(Math.round(value * 100) / 100)
}

/** An amount as it was understood. */
const amount = (value: number, unit: TypedUnit): Message =>
  say('units.amount', { value: Number(short(value)), unit })

const HEIGHT_ACCEPTED = say('units.n51070178Cm1')

/**
 * Reads a typed body height.
 *
 * A bare number is taken as the one unit in which a height of 100 to 250 cm is possible (178 as cm, 1,78 as m, 70 as
 * inches); `readAs` says so. 5.10 and 5,10 are refused, since they are written for feet and inches and for feet.
 *
 * @returns height in cm
 * @throws InputError naming `height`
 */
export function parseHeight(typed: string): Typed {
  const text = plainText(typed)
  const limits = HEIGHT_LIMITS
  const refuse = (
    problem: 'missing' | 'not-a-number' | 'ambiguous' | 'impossible',
    accepted = HEIGHT_ACCEPTED,
  ) => inputError('height', problem, say('units.height'), typed.trim(), accepted)
  const give = (value: number, unit: TypedUnit, readAs: Message, assumed = false): Typed => {
    if (!within(limits, value)) throw refuse('impossible')
    return { value, unit, text: typed.trim(), readAs, assumed, warnings: [] }
  }
  if (!text) throw refuse('missing')

  const inches = feetAndInches(text)
  if (inches !== undefined) {
    return give(
      inches * CM_PER_INCH,
      'ft in',
      say('units.ft', {
        inches: Math.floor(inches / INCHES_PER_FOOT),
        inches2: short(inches % INCHES_PER_FOOT),
      }),
    )
  }
  const named = withUnit(text, LENGTH_WORDS)
  if (named) {
    return give(named[0] * CM_PER[named[1]]!, named[1], amount(named[0], named[1]))
  }
  const pair = /^([3-7]) (\d+(?:[.,]\d+)?)$/.exec(text)
  if (pair) {
    const inchPart = number(pair[2])!
    if (inchPart < INCHES_PER_FOOT) {
      return give(
        (Number(pair[1]) * INCHES_PER_FOOT + inchPart) * CM_PER_INCH,
        'ft in',
        say('units.ft2', { pair: pair[1], inchPart: short(inchPart) }),
        true,
      )
    }
  }
  const bare = number(text)
  if (bare === undefined) throw refuse('not-a-number')
  const readings: Quantity[] = (['cm', 'in', 'm'] as const)
    .map((unit): Quantity => [bare * CM_PER[unit]!, unit])
    .filter(([cm]) => within(limits, cm))
  if (readings.length === 0) {
    if (bare >= 3 && bare < 8) {
      throw refuse('ambiguous', say('units.feetInches1070178', { bare: Math.floor(bare) }))
    }
    throw refuse('impossible')
  }
  // The ranges of inches (39 to 98), centimeters (100 to 250) and metres (1 to 2.5) do not overlap.
  const [cm, unit] = readings[0]!
  return give(cm, unit, amount(bare, unit), true)
}

/**
 * Reads a typed body mass: 75.5kg, 82,5 kg, 167 lb, 12 st 4 lb, or a bare number in the unit in use.
 *
 * @param unit the unit of a bare number; without it a bare number is refused as ambiguous
 * @returns mass in kg
 * @throws InputError naming `mass`
 */
export function parseMass(typed: string, unit?: MassUnit): Typed {
  const text = plainText(typed)
  const limits = MASS_LIMITS
  const accepted = unit === 'lb' ? say('units.n1671675Lb12') : say('units.n755755Kg')
  const refuse = (problem: 'missing' | 'not-a-number' | 'ambiguous' | 'impossible') =>
    inputError('mass', problem, say('units.bodyMass'), typed.trim(), accepted)
  const give = (value: number, as: TypedUnit, readAs: Message, assumed = false): Typed => {
    if (!within(limits, value)) throw refuse('impossible')
    return { value, unit: as, text: typed.trim(), readAs, assumed, warnings: [] }
  }
  if (!text) throw refuse('missing')

  const stone = new RegExp(
    `^(\\d+) ?(?:st|stone|stones) ?(?:(${NUMBER}) ?(?:lb|lbs|pounds)?)?$`,
  ).exec(text)
  if (stone) {
    const pounds = stone[2] === undefined ? 0 : number(stone[2])
    if (pounds === undefined || pounds >= POUNDS_PER_STONE) throw refuse('impossible')
    const total = Number(stone[1]) * POUNDS_PER_STONE + pounds
    return give(
      total * KG_PER_POUND,
      'st lb',
      say('units.stLb2', { stone: stone[1], pounds: short(pounds) }),
    )
  }
  const named = withUnit(text, MASS_WORDS)
  const bare = named ? undefined : number(text)
  if (!named && bare === undefined) throw refuse('not-a-number')
  if (!named && !unit) throw refuse('ambiguous')
  const [value, as] = named ?? [bare!, unit!]
  return give(value * (as === 'lb' ? KG_PER_POUND : 1), as, amount(value, as), !named)
}

/**
 * Reads a typed girth: 32.4 cm, 12 3/4 in, 12 3/4" or a bare number in the unit in use. A bare fraction is inches.
 *
 * @param input the girth's id, for the error
 * @param label what a person calls it
 * @param unit the unit of a bare number
 * @returns girth in cm; the limits of the girth itself are checked where the girth is known
 * @throws InputError naming the girth
 */
export function parseGirth(
  typed: string,
  unit?: LengthUnit,
  input = 'girth',
  label: Words = say('units.girth'),
): Typed {
  const text = plainText(typed)
  const refuse = (problem: 'missing' | 'not-a-number' | 'ambiguous' | 'impossible') =>
    inputError(input, problem, label, typed.trim(), say('units.n815Cm3232'))
  const give = (value: number, as: TypedUnit, readAs: Message, assumed = false): Typed => {
    if (!(value > 0)) throw refuse('impossible')
    return { value, unit: as, text: typed.trim(), readAs, assumed, warnings: [] }
  }
  if (!text) throw refuse('missing')
  const named = withUnit(text, LENGTH_WORDS)
  if (named) return give(named[0] * CM_PER[named[1]]!, named[1], amount(named[0], named[1]))
  const bare = number(text)
  if (bare === undefined) throw refuse('not-a-number')
  const as = text.includes('/') ? 'in' : unit
  if (!as) throw refuse('ambiguous')
  return give(bare * CM_PER[as]!, as, amount(bare, as), true)
}

const QUARTER_INCH_WARNING = say('units.readInchesCalipersReadMillimeters')

/**
 * Reads a typed skinfold, in millimeters unless it names another unit. A fraction (1/4") is read as inches, with a
 * warning that calipers read millimeters.
 *
 * @param input the site's id, for the error
 * @param label what a person calls it
 * @returns fold in mm; the limits of the site itself are checked where the site is known
 * @throws InputError naming the site
 */
export function parseFold(
  typed: string,
  input = 'skinfold',
  label: Words = say('units.skinfold'),
): Typed {
  const text = plainText(typed)
  const refuse = (problem: 'missing' | 'not-a-number' | 'impossible') =>
    inputError(input, problem, label, typed.trim(), say('units.numberMillimetersSuch125'))
  const give = (
    value: number,
    as: TypedUnit,
    readAs: Message,
    assumed: boolean,
    warnings: Message[] = [],
  ): Typed => {
    if (!(value > 0)) throw refuse('impossible')
    return { value, unit: as, text: typed.trim(), readAs, assumed, warnings }
  }
  if (!text) throw refuse('missing')
  const named = withUnit(text, LENGTH_WORDS)
  if (named) {
    const [value, as] = named
    if (as === 'm') throw refuse('not-a-number')
    const warnings =
      as === 'in' ? [QUARTER_INCH_WARNING] : as === 'cm' ? [say('units.readCentimeters')] : []
    const mm = as === 'in' ? value * MM_PER_INCH : as === 'cm' ? value * 10 : value
    return give(mm, as, amount(mm, 'mm'), false, warnings)
  }
  const bare = number(text)
  if (bare === undefined) throw refuse('not-a-number')
  if (text.includes('/')) {
    const mm = bare * MM_PER_INCH
    return give(mm, 'in', amount(mm, 'mm'), true, [QUARTER_INCH_WARNING])
  }
  return give(bare, 'mm', amount(bare, 'mm'), true)
}

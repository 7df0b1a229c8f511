import { CM_PER_INCH, INCHES_PER_FOOT, KG_PER_POUND, POUNDS_PER_STONE } from './constants'
import type { LengthUnit, MassUnit, TypedUnit } from './parse'

/** The typographic minus, so that signs line up with figures. */
const MINUS = '−'

/**
 * The only place where numbers are rounded, and for showing only.
 *
 * @param digits decimals shown
 */
export function fixed(value: number, digits: number): string {
  const text = Math.abs(value).toFixed(digits)
  return value < 0 && Number(text) !== 0 ? MINUS + text : text
}

/** As `fixed`, with a plus before what is above zero. */
export function signed(value: number, digits: number): string {
  const text = fixed(value, digits)
  return value > 0 && Number(text) !== 0 ? `+${text}` : text
}

/** With a capital first, as a line or a sentence begins. */
export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

/** Every digit that a number holds, never in powers of ten: for the working, where nothing is rounded. */
export function unrounded(value: number): string {
  const [digits = '', power] = String(Math.abs(value)).split('e')
  const sign = value < 0 ? MINUS : ''
  if (power === undefined) return sign + digits
  const [whole = '', part = ''] = digits.split('.')
  const shift = Number(power)
  return shift < 0
    ? `${sign}0.${whole.padStart(whole.length - shift - 1, '0')}${part}`
    : sign + whole + part.padEnd(shift, '0')
}

/** A fold or a sum of folds in mm, one decimal, without the unit. */
export function formatFold(mm: number): string {
  return fixed(mm, 1)
}

/** A mass in the unit asked for, one decimal, with the unit. */
export function formatMass(kg: number, unit: MassUnit, digits = 1): string {
  return `${fixed(massIn(kg, unit), digits)} ${unit}`
}

/** kg into the unit asked for, unrounded. */
export function massIn(kg: number, unit: MassUnit): number {
  return unit === 'lb' ? kg / KG_PER_POUND : kg
}

/** cm into the unit asked for, unrounded. */
export function lengthIn(cm: number, unit: LengthUnit): number {
  return unit === 'in' ? cm / CM_PER_INCH : cm
}

/** The finest fraction of an inch on a tape. */
const FINEST = 16
/** Further from a fraction than this, a number of inches was not read as one. */
const READ_AS_FRACTION = 1e-6

/** Inches as a tape reads: quarters, eighths and sixteenths stay fractions, anything else has decimals. */
function formatInches(inches: number, digits: number): string {
  const parts = Math.round(Math.abs(inches) * FINEST)
  const off = Math.abs(Math.abs(inches) - parts / FINEST)
  if (off > READ_AS_FRACTION || parts % FINEST === 0) return fixed(inches, digits)
  let [above, below] = [parts % FINEST, FINEST]
  while (above % 2 === 0) [above, below] = [above / 2, below / 2]
  const whole = Math.floor(parts / FINEST)
  return `${inches < 0 ? MINUS : ''}${whole ? `${whole} ` : ''}${above}/${below}`
}

/** A girth in the unit asked for, without the unit: one decimal, or the fraction of an inch that it was read as. */
export function lengthText(cm: number, unit: LengthUnit, digits = 1): string {
  return unit === 'in' ? formatInches(lengthIn(cm, unit), digits) : fixed(cm, digits)
}

/** As `lengthText`, with a plus before what is above zero. */
export function signedLength(cm: number, unit: LengthUnit): string {
  const text = lengthText(cm, unit)
  return cm > 0 && text !== fixed(0, 1) ? `+${text}` : text
}

/** A girth in the unit asked for, with the unit; see `lengthText`. */
export function formatLength(cm: number, unit: LengthUnit, digits = 1): string {
  return `${lengthText(cm, unit, digits)} ${unit}`
}

/**
 * A canonical value given back in the way it was typed: 177.8 cm typed as feet and inches gives 5'10".
 *
 * @param value cm for lengths, kg for masses, mm for `mm`
 */
export function formatAsTyped(value: number, unit: TypedUnit): string {
  switch (unit) {
    case 'ft in': {
      const inches = Math.round((value / CM_PER_INCH) * 100) / 100
      return `${Math.floor(inches / INCHES_PER_FOOT)}'${trim(inches % INCHES_PER_FOOT)}"`
    }
    case 'in':
      return `${trim(value / CM_PER_INCH)} in`
    case 'm':
      return `${fixed(value / 100, 2)} m`
    case 'st lb': {
      const pounds = Math.round((value / KG_PER_POUND) * 10) / 10
      return `${Math.floor(pounds / POUNDS_PER_STONE)} st ${trim(pounds % POUNDS_PER_STONE)} lb`
    }
    case 'lb':
      return `${trim(value / KG_PER_POUND)} lb`
    default:
      return `${trim(value)} ${unit}`
  }
}

function trim(value: number): string {
  return String(Math.round(value * 100) / 100)
}

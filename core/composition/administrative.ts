import { estimate } from './estimate'
import type { Subject, Values } from '../equations/types'
import { CM_PER_INCH } from '../units/constants'

const HALF_INCH = CM_PER_INCH / 2

/** Half inches, by the rounding given; a girth that already stands on a half inch stays there. */
function toHalfInch(cm: number, round: (value: number) => number): number {
  // Ten digits: 17 in given as 43.18 cm must not become 17.000000000000004 and round up to 17.5.
  return round(Number((cm / HALF_INCH).toPrecision(10))) * HALF_INCH
}

/** The figure of an administrative table: rounded inputs, whole percent. Shown beside the unrounded, never instead. */
export interface AdministrativeFigure {
  /** Whole percent. */
  fatPercent: number
  /** The girths that were used, cm. */
  values: Values
  heightCm: number
}

/**
 * The tape method (inch form) with administrative rounding: neck up to the next half inch, abdomen, waist and hip down
 * to the half inch, height to the nearest half inch, the result to whole percent. Common practice of armed forces.
 *
 * @param subject with height in cm
 * @param values girths in cm
 * @throws InputError as `estimate('navy-inch', ...)` does, for the unrounded values first
 */
export function administrativeNavy(subject: Subject, values: Values): AdministrativeFigure {
  estimate('navy-inch', subject, values)
  const rounded: Values = {}
  if (values.neck !== undefined) rounded.neck = toHalfInch(values.neck, Math.ceil)
  for (const girth of ['abdomen', 'waist', 'hip'] as const) {
    if (values[girth] !== undefined) rounded[girth] = toHalfInch(values[girth], Math.floor)
  }
  const heightCm = toHalfInch(subject.heightCm!, Math.round)
  const { fatPercent } = estimate('navy-inch', { ...subject, heightCm }, rounded)
  return { fatPercent: Math.round(fatPercent), values: rounded, heightCm }
}

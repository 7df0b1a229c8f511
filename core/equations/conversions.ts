import { type Message, say } from '../say'
import type { Conversion } from './types'
import { inputError } from '../errors'

/** fat % = a / BD - b. */
interface DensityConversion {
  id: Conversion
  name: Message
  a: number
  b: number
  citation: string
}

/** Coefficients are from memory of the cited sources. */
export const CONVERSIONS: Record<Conversion, DensityConversion> = {
  siri: {
    id: 'siri',
    name: say('methods.siri'),
    a: 495,
    b: 450,
    citation: 'Siri WE. In: Techniques for Measuring Body Composition, NAS-NRC, 1961:223-244',
  },
  brozek: {
    id: 'brozek',
    name: say('methods.broEk'),
    a: 457,
    b: 414.2,
    citation: 'Brozek J et al. Ann N Y Acad Sci 1963;110:113-140',
  },
}

/**
 * Fat % of a body density.
 *
 * @param density body density in g/cm³, above zero
 * @returns points of fat %, unrounded and not clipped
 */
export function fatPercentOf(density: number, conversion: Conversion): number {
  const { a, b } = CONVERSIONS[conversion]
  return a / density - b
}

/**
 * A standard error of density carried to points of fat %, by the slope a / BD² of the conversion in use.
 *
 * @param densityError g/cm³
 */
export function fatPercentError(
  densityError: number,
  density: number,
  conversion: Conversion,
): number {
  return (CONVERSIONS[conversion].a / density ** 2) * densityError
}

/**
 * Checks the name of a conversion.
 *
 * @throws InputError naming `conversion`
 */
export function checkedConversion(name: string): Conversion {
  if (name === 'siri' || name === 'brozek') return name
  throw inputError(
    'conversion',
    'unknown',
    say('methods.conversion'),
    name,
    say('methods.siriBrozek'),
  )
}

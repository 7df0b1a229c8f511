import { listed, type Message, say } from '../say'
import type { Sex } from '../anatomy/ids'
import { CONVERSION_IDS, type Conversion } from './types'
import { inputError } from '../errors'

/** fat % = a / BD - b. */
interface DensityConversion {
  id: Conversion
  name: Message
  a: number
  b: number
  citation: string
  /**
   * Made on one sex, and on one group of it. A coach chooses it for a client who says to be of that group;
   * nothing chooses it by itself.
   */
  sex?: Sex
  /** Of whom, where the name does not say so. */
  group?: Message
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
  schutte: {
    id: 'schutte',
    name: say('methods.schutte'),
    group: say('methods.blackMen'),
    a: 437,
    b: 393,
    citation: 'Schutte JE et al. J Appl Physiol 1984;56:1647-1649',
    sex: 'male',
  },
  ortiz: {
    id: 'ortiz',
    name: say('methods.ortiz'),
    group: say('methods.blackWomen'),
    a: 485,
    b: 439,
    citation: 'Ortiz O et al. Am J Clin Nutr 1992;55:8-13',
    sex: 'female',
  },
  'white-women': {
    id: 'white-women',
    name: say('methods.whiteWomen'),
    a: 501,
    b: 457,
    citation:
      'As tabled in: Heyward VH, Stolarczyk LM. Applied Body Composition Assessment, 1996 (source from memory)',
    sex: 'female',
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

/** Whether a conversion was made on people of a sex. */
export const convertsFor = (conversion: Conversion, sex: Sex | undefined): boolean => {
  const { sex: only } = CONVERSIONS[conversion]
  return only === undefined || sex === undefined || only === sex
}

/**
 * Checks the name of a conversion.
 *
 * @param sex of the person, where it is known; a conversion made on the other sex is refused
 * @throws InputError naming `conversion`
 */
export function checkedConversion(name: string, sex?: Sex): Conversion {
  const known = CONVERSION_IDS.find((id) => id === name)
  if (known && convertsFor(known, sex)) return known
  throw inputError(
    'conversion',
    known ? 'outside-domain' : 'unknown',
    say('methods.conversion'),
    name,
    listed(
      CONVERSION_IDS.filter((id) => convertsFor(id, sex)),
      'or',
    ),
  )
}

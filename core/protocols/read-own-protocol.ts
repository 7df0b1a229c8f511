import { z } from 'zod'
import { GIRTH_IDS, LANDMARK_STANDARDS, SKINFOLD_IDS } from '../anatomy/ids'
import { standardWithin } from '../anatomy/landmark-standards'
import { landmarkOf } from '../anatomy/landmarks'
import { nameOf } from '../anatomy/names'
import { inputError } from '../errors'
import type { OwnProtocol } from './own-protocol'

const ownSchema = z.object({
  id: z
    .string()
    .regex(
      /^own-[a-z0-9-]{1,40}$/,
      'Id: accepted is own- and lower-case letters, figures and dashes.',
    ),
  name: z
    .string()
    .trim()
    .min(1, 'Name: is missing. Accepted: 1 to 60 characters.')
    .max(60, 'Name: is too long. Accepted: 1 to 60 characters.'),
  standard: z.enum(LANDMARK_STANDARDS, {
    error: `Landmark standard: accepted are ${LANDMARK_STANDARDS.join(', ')}.`,
  }),
  folds: z.array(z.enum(SKINFOLD_IDS, { error: 'Folds: there is no such site.' })),
  girths: z.array(z.enum(GIRTH_IDS, { error: 'Girths: there is no such girth.' })),
  rounds: z
    .number()
    .int()
    .min(1, 'Rounds: accepted are 1 to 3.')
    .max(3, 'Rounds: accepted are 1 to 3.'),
  toleranceMm: z
    .number()
    .min(0.1, 'Tolerance: accepted is 0.1 to 10 mm.')
    .max(10, 'Tolerance: accepted is 0.1 to 10 mm.'),
})

/**
 * Reads a protocol of the coach's own: any sites of one landmark standard in any order, and any girths, each once.
 *
 * @param own as a form or a file has it; what is not known of it is left out
 * @throws InputError naming what is wrong: an unknown or repeated site, or one that the standard does not land
 */
export function readOwnProtocol(own: unknown): OwnProtocol {
  const parsed = ownSchema.safeParse(own)
  if (!parsed.success) {
    const { path, message } = parsed.error.issues[0]!
    throw inputError(
      path.join('.') || 'protocol',
      'impossible',
      'Own protocol',
      message,
      'see the message',
    )
  }
  const { standard, folds, girths } = parsed.data
  if (folds.length + girths.length === 0) {
    throw inputError('folds', 'missing', 'Own protocol, sites', undefined, 'one site or more')
  }
  for (const [input, sites] of Object.entries({ folds, girths })) {
    const twice = sites.find((site, i, all: readonly string[]) => all.indexOf(site) !== i)
    if (twice) {
      const got = `${nameOf(twice)} twice`
      throw inputError(input, 'impossible', 'Own protocol', got, 'each site once')
    }
  }
  for (const site of folds) {
    if (!landmarkOf(site, standardWithin(site, standard)!)) {
      throw inputError(
        'folds',
        'wrong-standard',
        `Own protocol, landmark standard ${standard}`,
        nameOf(site),
        'sites that this landmark standard has',
      )
    }
  }
  return parsed.data
}

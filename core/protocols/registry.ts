import { SEVEN_FOLDS } from '../equations/jackson-pollock'
import { inputError } from '../errors'
import type { Protocol } from './types'

/** The named sets, the fullest first. */
export const PROTOCOLS: readonly Protocol[] = [
  {
    id: 'seven-fold',
    name: 'Seven folds',
    school: 'us',
    folds: { male: SEVEN_FOLDS, female: SEVEN_FOLDS },
    passes: 2,
    tolerance: { kind: 'mm', value: 2 },
    readingDelaySeconds: [1, 2],
    equationId: 'jackson-pollock-7',
  },
  {
    id: 'three-fold',
    name: 'Three folds',
    school: 'us',
    folds: { male: ['chest', 'abdominal', 'thigh'], female: ['triceps', 'suprailiac', 'thigh'] },
    passes: 2,
    tolerance: { kind: 'mm', value: 2 },
    readingDelaySeconds: [1, 2],
    equationId: 'jackson-pollock-3',
  },
]

/**
 * The protocol of that id.
 *
 * @throws InputError naming `protocol` when there is none
 */
export function protocolById(id: string): Protocol {
  const protocol = PROTOCOLS.find((p) => p.id === id)
  if (!protocol) {
    throw inputError('protocol', 'unknown', 'Protocol', id, PROTOCOLS.map((p) => p.id).join(' or '))
  }
  return protocol
}

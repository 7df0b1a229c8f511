import type { GirthId, Sex } from '../anatomy/ids'
import { type OwnProtocol, ownProtocol } from './own-protocol'
import { protocolById } from './registry'
import type { Tolerance } from './trial-scheme'
import type { Protocol } from './types'

/** What a check-in says of the set it is taken by. */
export interface ProtocolChoice {
  protocolId: string
  /** The definition, where the set is one of the coach's own. */
  ownProtocol?: OwnProtocol | null
  /** For folds, in place of a named set's own; a set of the coach's keeps the one it was made with. */
  tolerance?: Tolerance | null
  /** Girths that are taken besides those of the set. */
  extraGirths?: readonly GirthId[]
}

const owns = new WeakMap<OwnProtocol, Protocol>()

function baseOf({ protocolId, ownProtocol: own }: ProtocolChoice): Protocol {
  if (!own) return protocolById(protocolId)
  const known = owns.get(own)
  if (known) return known
  const made = ownProtocol(own)
  owns.set(own, made)
  return made
}

/**
 * The protocol that a check-in is read by: its set, with the tolerance and the extra girths that it names.
 *
 * @throws InputError naming `protocol` for an unknown id
 */
export function protocolOf(choice: ProtocolChoice): Protocol {
  const base = baseOf(choice)
  const { extraGirths = [] } = choice
  const tolerance = choice.ownProtocol ? null : choice.tolerance
  if (!tolerance && extraGirths.length === 0) return base
  const girthsOf = (sex: Sex) => [...new Set([...base.girths[sex], ...extraGirths])]
  return {
    ...base,
    foldTrials: tolerance ? { ...base.foldTrials, tolerance } : base.foldTrials,
    girths: { male: girthsOf('male'), female: girthsOf('female') },
  }
}

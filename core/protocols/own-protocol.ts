import { say } from '../say'
import type { BoneId, GirthId, LandmarkStandard, Sex, SiteId, SkinfoldId } from '../anatomy/ids'
import { isMadeOnGroup } from '../equations/populations'
import { EQUATIONS, variantFor } from '../equations/registry'
import type { Equation } from '../equations/types'
import { both, INT_RULES, US_RULES } from './registry'
import type { TrialScheme } from './trial-scheme'
import type { Protocol } from './types'
import type { SiteWording } from './wording'

/** A set of the coach's own, as a form gives it. */
export interface OwnProtocol {
  /** `own-` and a name of its own. */
  id: string
  name: string
  standard: LandmarkStandard
  folds: SkinfoldId[]
  girths: GirthId[]
  /** Breadths and lengths; absent in sets that were kept before there were any. */
  bones?: BoneId[]
  foldTrials: TrialScheme
  girthTrials: TrialScheme
  /** Seconds from the closing of the jaws to the reading; null for a caliper that is read at its click. */
  readingDelaySeconds: number | null
  wording: Partial<Record<SiteId, SiteWording>>
}

/**
 * Makes a protocol of the coach's own. It feeds every equation whose sites it holds.
 *
 * @param own as `readOwnProtocol` gives it
 */
export function ownProtocol(own: OwnProtocol): Protocol {
  const { standard, folds, girths, bones = [], readingDelaySeconds: delay, ...rest } = own
  const sites = new Set<string>([...folds, ...girths, ...bones])
  // What is only context, or made on a few, leads where nothing else does.
  const rank = ({ contextOnly, variants }: Equation, sex: Sex) =>
    Number(!!contextOnly) + 2 * Number(isMadeOnGroup(variants.find((v) => v.sex === sex)!))
  const fed = (sex: Sex) =>
    EQUATIONS.filter((equation) => {
      if (equation.standard !== undefined && equation.standard !== standard) return false
      if (!equation.variants.some((v) => v.sex === sex)) return false
      const variant = variantFor(equation, sex)
      const wanted = [...variant.folds, ...variant.girths]
      return wanted.length > 0 && wanted.every((site) => sites.has(site))
    })
      .sort((a, b) => rank(a, sex) - rank(b, sex))
      .map((equation) => equation.id)
  return {
    ...rest,
    when: say('protocols.coachsOwnSet'),
    standard,
    folds: both(folds),
    girths: both(girths),
    bones: both(bones),
    wants: ['height', 'mass'],
    readingDelaySeconds: delay === null ? null : [delay, delay],
    equations: { male: fed('male'), female: fed('female') },
  }
}

/** The trials and the wording that a new set of a standard begins with. */
export function usualRules(
  standard: LandmarkStandard,
): Pick<OwnProtocol, 'foldTrials' | 'girthTrials' | 'readingDelaySeconds' | 'wording'> {
  const { foldTrials, girthTrials, readingDelaySeconds } = standard === 'int' ? INT_RULES : US_RULES
  return { foldTrials, girthTrials, readingDelaySeconds: readingDelaySeconds[1], wording: {} }
}

/** A set of the coach's own before it has a name of its own. */
export type OwnCopy = Omit<OwnProtocol, 'id' | 'name'> & Pick<Protocol, 'name'>

/**
 * A named set as one of the coach's own, to change it.
 *
 * @param sex whose sites are taken where they differ
 */
export function ownCopyOf(protocol: Protocol, sex: Sex): OwnCopy {
  const { name, standard, folds, girths, bones, foldTrials, girthTrials, wording } = protocol
  const delay = protocol.readingDelaySeconds?.[1] ?? null
  return {
    ...{ name, standard, folds: [...folds[sex]], girths: [...girths[sex]] },
    ...{
      bones: [...bones[sex]],
      foldTrials,
      girthTrials,
      readingDelaySeconds: delay,
      wording: { ...wording },
    },
  }
}

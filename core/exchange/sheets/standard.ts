import { bonesInOrder } from '../../anatomy/bones'
import {
  isSkinfold,
  type LandmarkStandard,
  type Sex,
  type SiteId,
  type GirthId,
  type SkinfoldId,
  isGirth,
  isBone,
} from '../../anatomy/ids'
import { type OwnProtocol, usualRules } from '../../protocols/own-protocol'
import { PROTOCOLS } from '../../protocols/registry'

/** The folds of Durnin and Womersley, whose suprailiac lies on the iliac crest. */
const DW: ReadonlySet<SiteId> = new Set([
  'biceps',
  'triceps',
  'subscapular',
  'suprailiac',
  'iliac_crest',
])
/** Folds that one standard alone lands, or names so. */
const ONLY_US: readonly SiteId[] = ['chest', 'midaxillary', 'suprailiac', 'thigh', 'lower_back']
const ONLY_CZECH: readonly SiteId[] = ['cheek', 'chin']
const ONLY_INT: readonly SiteId[] = ['supraspinale', 'iliac_crest', 'front_thigh']

/**
 * The landmark standard that the folds of a sheet were found by, as far as their names tell.
 *
 * @returns the likeliest, and whether nothing tells it
 */
export function standardBySites(sites: readonly SiteId[]): {
  standard: LandmarkStandard
  isOpen: boolean
} {
  const folds = sites.filter(isSkinfold)
  const has = (site: SiteId) => folds.includes(site as SkinfoldId)
  if (
    has('biceps') &&
    folds.every((site) => DW.has(site)) &&
    (has('suprailiac') || has('iliac_crest'))
  )
    return { standard: 'dw', isOpen: false }
  if (ONLY_CZECH.some(has)) return { standard: 'czech', isOpen: false }
  const us = ONLY_US.filter(has).length
  const int = ONLY_INT.filter(has).length
  // `Mid-thigh` beside a chest is the American thigh.
  if (us !== int) return { standard: us > int ? 'us' : 'int', isOpen: false }
  return { standard: 'us', isOpen: folds.length > 0 }
}

/** What a sheet's name of a fold stands for within a standard. */
export function siteWithin(
  site: SiteId,
  standard: LandmarkStandard,
  all: ReadonlySet<SiteId>,
): SiteId {
  const renamed: Partial<Record<LandmarkStandard, Partial<Record<SiteId, SiteId>>>> = {
    us: { front_thigh: 'thigh' },
    dw: { suprailiac: 'iliac_crest' },
    int: {
      thigh: 'front_thigh',
      suprailiac: all.has('supraspinale') ? 'iliac_crest' : 'supraspinale',
    },
  }
  const to = renamed[standard]?.[site]
  return to === undefined || all.has(to) ? site : to
}

/** The set that check-ins of some sites are kept by. */
export interface BroughtProtocol {
  protocolId: string
  ownProtocol: OwnProtocol | null
  extraGirths: GirthId[]
}

/** Signs that the name of a set may have. */
const LONGEST_NAME = 40

/**
 * The named set that has just these folds, with other girths beside it; else a set of its own.
 *
 * @param sites in the order of the sheet
 * @param equation that the old sheet was worked out by, which a set should feed
 * @param name of a set of its own
 */
export function protocolFor(
  sites: readonly SiteId[],
  sex: Sex,
  standard: LandmarkStandard,
  equation: string | undefined,
  name: string,
): BroughtProtocol {
  const folds = sites.filter(isSkinfold)
  const girths = sites.filter(isGirth)
  const bones = bonesInOrder(sites.filter(isBone))
  const fits = PROTOCOLS.filter(
    (one) =>
      one.standard === standard &&
      one.folds[sex].length === folds.length &&
      one.folds[sex].every((site) => folds.includes(site)) &&
      (folds.length > 0 || one.id === 'tape-only') &&
      one.girths[sex].every((site) => girths.includes(site)) &&
      one.bones[sex].length === bones.length &&
      one.bones[sex].every((site) => bones.includes(site)),
  )
  const fit = fits.find(({ equations }) => equation && equations[sex].includes(equation)) ?? fits[0]
  if (fit) {
    const extraGirths = girths.filter((girth) => !fit.girths[sex].includes(girth))
    return { protocolId: fit.id, ownProtocol: null, extraGirths }
  }
  const id = `own-${standard}-${hash([...folds, ...girths, ...bones].join(' '))}`
  const ownProtocol: OwnProtocol = {
    ...{ id, name: name.slice(0, LONGEST_NAME), standard, folds, girths, bones },
    ...usualRules(standard),
  }
  return { protocolId: id, ownProtocol, extraGirths: [] }
}

/** The same sites give the same set (FNV-1a). */
function hash(text: string): string {
  let at = 0x811c9dc5
  for (let i = 0; i < text.length; i++) at = Math.imul(at ^ text.charCodeAt(i), 0x01000193)
  return (at >>> 0).toString(36)
}

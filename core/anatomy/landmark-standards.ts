import { type Message, say } from '../say'
import { type LandmarkStandard, type SiteId, isOwnSite, isSkinfold } from './ids'

/** What people call each standard. */
export const LANDMARK_STANDARD_NAMES: Record<LandmarkStandard, Message> = {
  us: say('anatomy.americanTextbookSites'),
  int: say('anatomy.internationalSites'),
  dw: say('anatomy.durninWomersleysOwnSites'),
  czech: say('anatomy.czechSites'),
  gym: say('anatomy.gymPractice'),
}

/** A value with the standard it was located by; girths have none. */
export interface LocatedValue {
  site: SiteId
  standard: LandmarkStandard | null
  /** How it was found or held, where that was not the standard's own way: see `techniqueOf`. */
  technique?: string | null
  /** mm for folds, cm for girths. */
  value: number
}

/** Where and how a value was taken: two values are like for like where these are the same. */
export type Location = Pick<LocatedValue, 'site' | 'standard' | 'technique'>

/** The same of a reading, which has no site where it is a body mass or a height. */
type MaybeLocation = Omit<Location, 'site'> & { site: SiteId | null }

/** True where two values are of the same place, found in the same way. */
export const isSamePlace = (a: MaybeLocation, b: MaybeLocation) =>
  a.site === b.site && a.standard === b.standard && (a.technique ?? null) === (b.technique ?? null)

const ALONE: ReadonlyMap<SiteId, LandmarkStandard> = new Map<SiteId, LandmarkStandard>([
  ['lower_back', 'gym'],
  ...(['cheek', 'chin', 'tenth_rib', 'above_knee', 'calf_back', 'inner_forearm'] as const).map(
    (site): [SiteId, LandmarkStandard] => [site, 'czech'],
  ),
])

/**
 * The standard that a site's value must come from inside a set of another standard. A fold that one standard alone knows
 * is of that one whatever the set: the lower back of gym practice, and those of the Czech school. So is one of a coach's own.
 *
 * @returns null for girths
 */
export function standardWithin(site: SiteId, standard: LandmarkStandard): LandmarkStandard | null {
  if (!isSkinfold(site)) return null
  if (isOwnSite(site)) return 'gym'
  return ALONE.get(site) ?? standard
}

/** The folds that Durnin and Womersley took where other standards take them too. */
const DW_SHARED: ReadonlySet<SiteId> = new Set(['biceps', 'triceps', 'subscapular'])

/**
 * Whether an equation of one standard may use a site's value measured in another. Only the Durnin-Womersley set mixes:
 * biceps, triceps and subscapular of the American or international standard, and the international iliac crest, which is
 * their own suprailiac.
 */
export function serves(
  measured: LocatedValue,
  equationStandard: LandmarkStandard | undefined,
): boolean {
  if (!isSkinfold(measured.site)) return true
  if (equationStandard === undefined) return false
  if (measured.standard === standardWithin(measured.site, equationStandard)) return true
  if (equationStandard !== 'dw') return false
  if (DW_SHARED.has(measured.site)) return measured.standard === 'us' || measured.standard === 'int'
  return measured.site === 'iliac_crest' && measured.standard === 'int'
}

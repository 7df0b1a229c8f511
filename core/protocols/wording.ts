import { type Message, say, type Words, sentences } from '../say'
import { boneLandmark } from '../anatomy/bones'
import { type LandmarkStandard, type SiteId, isBone, isSkinfold } from '../anatomy/ids'
import { girthLandmark } from '../anatomy/girths'
import { type Location, standardWithin } from '../anatomy/landmark-standards'
import { landmarkOf, techniquesOf } from '../anatomy/landmarks'
import { nameOf } from '../anatomy/names'

/** How a set words a site of its own or of a standard. */
export interface SiteWording {
  /** What the coach calls it. */
  name?: string
  /** Where it lies in the coach's own words, in place of the standard's. */
  landmark?: string
  /** One of the ways that the standard allows, by its name (`techniquesOf`); the standard's own where not said. */
  technique?: string
}

interface Worded {
  standard: LandmarkStandard
  wording: Readonly<Partial<Record<SiteId, SiteWording>>>
}

/** What a set calls a site. */
export const siteNameIn = ({ wording }: Pick<Worded, 'wording'>, site: SiteId): Words =>
  wording[site]?.name ?? nameOf(site)

/**
 * How a set finds or holds a site where that is not the standard's own way: its own landmark in words, or one of the ways
 * that the standard allows. It is recorded with each reading, and readings of two techniques are never compared.
 *
 * @returns null for the standard's own way
 */
export function techniqueOf({ standard, wording }: Worded, site: SiteId): string | null {
  const { landmark, technique } = wording[site] ?? {}
  if (landmark !== undefined) return landmark
  if (technique === undefined || !isSkinfold(site)) return null
  const [usual] = techniquesOf(site, standardWithin(site, standard)!)
  return technique === usual?.id ? null : technique
}

/** The place that a set means by a site: by its landmark standard, and in its way. */
export const placeOf = (set: Worded, site: SiteId): Location => ({
  site,
  standard: standardWithin(site, set.standard),
  technique: techniqueOf(set, site),
})

/** Where a site of a set lies, for somebody standing beside the client: in its own words where it has them. */
export interface SiteGuide {
  name: Words
  where: Words
  /** Posture, or breath and tension of a girth. */
  how: Message
}

/** How a site of a set is found and taken, in words. */
export function siteGuide(set: Worded, site: SiteId, sex: 'male' | 'female'): SiteGuide {
  const name = siteNameIn(set, site)
  const own = set.wording[site]
  if (!isSkinfold(site)) {
    const taken = isBone(site) ? boneLandmark(site) : girthLandmark(site)
    return { name, where: own?.landmark ?? taken?.where ?? '', how: taken?.how ?? OWN_GIRTH }
  }
  const standard = standardWithin(site, set.standard)!
  const fold = landmarkOf(site, standard)
  const chosen = techniquesOf(site, standard).find((t) => t.id === own?.technique)
  const how = sentences(fold?.posture, chosen?.how)
  return { name, where: own?.landmark ?? fold?.where[sex] ?? '', how }
}

const OWN_GIRTH = say('protocols.tapeLevelAllRoundSnug')

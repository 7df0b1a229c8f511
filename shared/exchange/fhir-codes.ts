/* eslint-disable oak/messages -- what a standard calls its codes is said in its own words, whoever reads them */
import { isSite, isSkinfold, type SiteId } from '../../core/index'

/*
 * How FHIR R4 names what is measured. LOINC's codes are from memory and marked with how sure that is; what LOINC names
 * otherwise than a coach, or not at all, has a code of the project's own.
 */

export const LOINC = 'http://loinc.org'
export const UCUM = 'http://unitsofmeasure.org'
/** The project's own codes: a site's id, with the landmark standard of a fold. */
export const OAK = 'urn:oak-pinch:code'
/** The project's own extensions. */
export const OAK_EXTENSION = 'urn:oak-pinch:extension:'

/** Codes of LOINC. High confidence but for the last two, which are of medium. */
export const LOINC_CODES = {
  mass: { code: '29463-7', display: 'Body weight' },
  height: { code: '8302-2', display: 'Body height' },
  waist: { code: '8280-0', display: 'Waist Circumference at umbilicus by Tape measure' },
  fatPercent: { code: '41982-0', display: 'Percentage of body fat Measured' },
  leanMass: { code: '91557-9', display: 'Lean body weight' },
  fatMass: { code: '73708-0', display: 'Body fat [Mass] Calculated' },
} as const

export interface Coding {
  system?: string
  code?: string
  display?: string
}

/** Codes of ours for what is no site. */
export const OAK_CODES = {
  checkIn: { system: OAK, code: 'check-in', display: 'Check-in' },
  phase: { system: OAK, code: 'phase', display: 'Start of a phase' },
} as const

/** The girth at the navel is the one that LOINC's waist names. */
export const LOINC_GIRTH: SiteId = 'abdomen'

export const codeOfSite = (site: SiteId, standard: string | null): string =>
  standard === null ? site : `${site}|${standard}`

/** The site that a code of ours names. */
export function siteOfCode(code: string): { site: SiteId; standard: string | null } | undefined {
  const [site = '', standard = null] = code.split('|') as [string?, string?]
  if (isSkinfold(site)) return { site, standard: standard ?? 'us' }
  return isSite(site) ? { site, standard: null } : undefined
}

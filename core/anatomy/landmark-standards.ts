import { isSkinfold, type School, type SiteId } from './ids'

/** What people call each school. */
export const SCHOOL_NAMES: Record<School, string> = {
  us: 'American textbook sites',
  int: 'International sites',
  dw: 'Durnin and Womersley’s own sites',
  gym: 'Common practice in gyms',
}

/** A value with the school it was landed by; girths have none. */
export interface SchooledValue {
  site: SiteId
  school: School | null
  /** mm for folds, cm for girths. */
  value: number
}

/**
 * The school that a site's value must come from inside a set of another school. The lower back exists in gym practice
 * alone, so it is gym whatever the set.
 *
 * @returns null for girths
 */
export function schoolWithin(site: SiteId, school: School): School | null {
  if (!isSkinfold(site)) return null
  return site === 'lower_back' ? 'gym' : school
}

/** The folds that Durnin and Womersley took where other schools take them too. */
const DW_SHARED: ReadonlySet<SiteId> = new Set(['biceps', 'triceps', 'subscapular'])

/**
 * Whether an equation of one school may use a site's value measured in another. Only the Durnin-Womersley set mixes:
 * biceps, triceps and subscapular of the American or international school, and the international iliac crest, which is
 * their own suprailiac.
 */
export function serves(measured: SchooledValue, equationSchool: School | undefined): boolean {
  if (!isSkinfold(measured.site)) return true
  if (equationSchool === undefined) return false
  if (measured.school === schoolWithin(measured.site, equationSchool)) return true
  if (equationSchool !== 'dw') return false
  if (DW_SHARED.has(measured.site)) return measured.school === 'us' || measured.school === 'int'
  return measured.site === 'iliac_crest' && measured.school === 'int'
}

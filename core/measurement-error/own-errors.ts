import type { SiteId } from '../anatomy/ids'
import { isSamePlace } from '../anatomy/landmark-standards'
import { type Reading, readingsInForce } from '../readings/reading'
import type { OwnErrors } from './site-error'
import type { StudyTrial } from './guided-study'
import { temOfPairs } from './technical-error'

/**
 * The testers' own repeat error by site, from the duplicates of their check-ins and studies: first and second trial of one
 * site by one tester. The server asks its database for the same (server/equipment/queries.ts), and the two are held against
 * each other.
 *
 * @param checkIns the readings of each closed check-in, each reading with its tester
 * @param studies the readings that count of each study
 * @returns by tester: TEM in mm (folds) or cm (girths), and on how many pairs it stands
 */
export function ownErrorsOf(
  checkIns: readonly (readonly Reading[])[],
  studies: readonly (readonly StudyTrial[])[] = [],
): Record<string, OwnErrors> {
  const pairs: Record<string, Partial<Record<SiteId, [number, number][]>>> = {}
  for (const readings of checkIns) {
    const inForce = readingsInForce(readings)
    for (const first of inForce) {
      const { site, testerId } = first
      if (first.trial !== 1 || !site || !testerId) continue
      const second = inForce.find(
        (other) =>
          other.trial === 2 &&
          other.kind === first.kind &&
          isSamePlace(other, first) &&
          other.testerId === testerId,
      )
      if (second) ((pairs[testerId] ??= {})[site] ??= []).push([first.value, second.value])
    }
  }
  for (const study of studies) {
    for (const { subject, site, tester, trial, value } of study) {
      if (trial !== 1) continue
      const second = study.find(
        (other) =>
          other.trial === 2 &&
          other.subject === subject &&
          other.site === site &&
          other.tester === tester,
      )
      if (second) ((pairs[tester] ??= {})[site] ??= []).push([value, second.value])
    }
  }
  const bySite = (of: (typeof pairs)[string]): OwnErrors =>
    Object.fromEntries(
      Object.entries(of).flatMap(([site, all]) =>
        all ? [[site, { tem: temOfPairs(all), pairs: all.length }]] : [],
      ),
    )
  return Object.fromEntries(Object.entries(pairs).map(([tester, of]) => [tester, bySite(of)]))
}

import { type Message, say } from '../say'
import { type SiteId, type SkinfoldId, isSkinfold, isGirth } from '../anatomy/ids'
import { isSamePlace } from '../anatomy/landmark-standards'
import {
  type CheckInRecord,
  type Person,
  type Sheet,
  leadEquation,
  sheetOf,
} from '../composition/check-in'
import { foldsTaken } from '../composition/fold-sum'
import { equationById, variantFor } from '../equations/registry'
import { Z95 } from '../measurement-error/site-error'
import { attempt } from '../outcome'
import { conditionDifferences } from '../readings/conditions'
import { type IsoDate, daysBetween } from '../units/dates'
import { type Comparison, compare } from './compare'
import {
  type Measured,
  type ReadCheckIn,
  occasionFor,
  readCheckIn,
  setupChange,
  siteFactor,
  siteVariance,
} from './measured'

/*
 * What two check-ins read differently: arithmetic, and no judgement. What changed is said by the whole record (model/).
 */

export interface SiteDifference {
  site: SiteId
  /** mm or cm. */
  then: number
  now: number
}

/** What a later check-in read that an earlier one did not. */
export interface ReadDifferences {
  since: IsoDate
  until: IsoDate
  weeks: number
  /** The equation that reads both, with both by it at the later age; undefined where none does. */
  comparison: Comparison | undefined
  /** The sum of all folds that both have by one landmark standard. One fold alone is no sum. */
  sum: { folds: SkinfoldId[]; mm: number; isWhole: boolean } | undefined
  /** The folds that the equation's own sum is of. */
  equationFolds: readonly SkinfoldId[]
  massKg: number | undefined
  /** Sites that both have by one landmark standard. */
  folds: SiteDifference[]
  girths: SiteDifference[]
}

/**
 * What two check-ins of one person read differently.
 *
 * @param then the earlier one
 * @param now the later one, whose equation and age count
 */
export function readDifferences(person: Person, then: Measured, now: Measured): ReadDifferences {
  const [before, after] = [readCheckIn(person, then), readCheckIn(person, now)]
  const lead = leadEquation(after.sheet.protocol, person.sex)
  const shared = sharedSites(before.sheet, after.sheet)
  const folds = shared.filter(({ site }) => isSkinfold(site))
  const compared =
    lead === undefined
      ? undefined
      : attempt(() =>
          compare(lead, occasionFor(lead, before), occasionFor(lead, after), {
            conversion: now.conversion,
          }),
        )
  const comparison = compared?.ok ? compared.value : undefined
  const [from, to] = [before.sheet.subject.massKg, after.sheet.subject.massKg]
  return {
    since: then.measuredOn,
    until: now.measuredOn,
    weeks: daysBetween(then.measuredOn, now.measuredOn) / 7,
    comparison,
    sum: folds.length < 2 ? undefined : sumOf(folds, before.sheet, after.sheet),
    equationFolds: comparison ? variantFor(equationById(lead!), person.sex).folds : [],
    massKg: from === undefined || to === undefined ? undefined : to - from,
    ...{ folds, girths: shared.filter(({ site }) => isGirth(site)) },
  }
}

const sumOf = (folds: readonly SiteDifference[], ...sheets: [before: Sheet, after: Sheet]) => ({
  folds: folds.map(({ site }) => site as SkinfoldId),
  mm: folds.reduce((total, { now, then }) => total + now - then, 0),
  isWhole: sheets.every((sheet) => foldsTaken(sheet).length === folds.length),
})

/** Sites that both have by one landmark standard. */
function sharedSites(before: Sheet, after: Sheet): SiteDifference[] {
  return after.measured.flatMap((now) => {
    const then = before.measured.find((m) => isSamePlace(m, now))
    return then ? [{ site: now.site, then: then.value, now: now.value }] : []
  })
}

/** Whether two check-ins have anything to be compared by: body mass, or a site by one landmark standard. */
export function comparable(person: Person, then: CheckInRecord, now: CheckInRecord): boolean {
  const [before, after] = [sheetOf(person, then), sheetOf(person, now)]
  const weighed = [before, after].every(({ subject }) => subject.massKg !== undefined)
  return weighed || sharedSites(before, after).length > 0
}

/** What differs in people, instruments and conditions between two check-ins, in sentences. */
export function differencesBetween(then: Measured, now: Measured): Message[] {
  const changed = setupChange(then, now)
  return [
    ...(changed.anotherTester ? [say('change.anotherTesterThen')] : []),
    ...(changed.anotherCaliper ? [say('change.anotherCaliperThen')] : []),
    ...conditionDifferences(then.conditions ?? {}, now.conditions ?? {}),
  ]
}

/**
 * The smallest change of the folds taken so far that is more than the hand's own error, at 95 %: of all folds that both
 * check-ins have, whatever the equation sums.
 *
 * @param then the check-in before; itself where there is none, for what the next one will be able to tell
 * @returns mm; undefined before the first fold that both have
 */
export function minimalDetectableChangeOfSum(
  person: Person,
  now: Measured,
  then: Measured = now,
): number | undefined {
  const [before, after] = [readCheckIn(person, then), readCheckIn(person, now)]
  const folds = sharedSites(before.sheet, after.sheet).filter(({ site }) => isSkinfold(site))
  if (folds.length === 0) return undefined
  return Z95 * Math.sqrt(folds.reduce((sum, { site }) => sum + varianceAt(site, before, after), 0))
}

/** Variance of the difference at one site, another tester or instrument included. */
function varianceAt(site: SiteId, before: ReadCheckIn, after: ReadCheckIn): number {
  const factor = siteFactor(before.measured, after.measured, site)
  return factor ** 2 * (siteVariance(before, site) + siteVariance(after, site))
}

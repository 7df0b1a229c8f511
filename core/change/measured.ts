import { type SiteId, isSkinfold, isBone } from '../anatomy/ids'
import { type CheckInRecord, type Person, type Sheet, sheetOf } from '../composition/check-in'
import type { MeasuredOccasion } from '../composition/error-bands'
import { servedValues } from '../composition/every'
import { equationById } from '../equations/registry'
import { type Equipment, type SetupIds, measurementSetupOf } from '../measurement-error/setup'
import {
  type MeasurementSetup,
  type OwnErrors,
  changedSetupFactor,
  effectiveTrials,
  siteError,
  valueVariance,
} from '../measurement-error/site-error'
import type { Protocol } from '../protocols/types'
import type { Conditions } from '../readings/conditions'
import { type Reading, readingsInForce } from '../readings/reading'
import { type SiteValue, allowedAt } from '../readings/site-value'
import { schemeOf } from '../readings/trials'
import { massTaken } from '../readings/values'
import type { WeighIn } from '../weigh-ins/parse'
import { massOfWeek } from '../weigh-ins/weeks'

/** Who read one site and with what. */
export interface SiteSetup {
  setup: MeasurementSetup
  testerId?: string
  instrumentId?: string | null
}

/** One check-in as the judgement sees it: what was read, by whom and with what. */
export interface Measured extends CheckInRecord {
  setup: MeasurementSetup
  testerId?: string
  caliperId?: string | null
  tapeId?: string | null
  boneCaliperId?: string | null
  conditions?: Conditions
  /** Sites whose reading in force was taken by another tester or instrument than those of the check-in. */
  siteSetups?: Partial<Record<SiteId, SiteSetup>>
}

/** What check-ins are judged with: people, instruments, each tester's own error, and the client's weigh-ins. */
export interface JudgedWith extends Equipment {
  /** By tester. */
  ownErrors: Readonly<Record<string, OwnErrors>>
  weighIns: readonly WeighIn[]
}

/**
 * A check-in as the judgement takes it, from what is on record. Every screen judges by this, so that all show the same
 * error.
 */
export function measuredOf<C extends CheckInRecord & SetupIds>(
  checkIn: C,
  { weighIns, ...known }: JudgedWith,
): C & Measured {
  const setup = measurementSetupOf(known, checkIn, known.ownErrors[checkIn.testerId])
  const inForce = readingsInForce(checkIn.readings)
  const week = massOfWeek(weighIns, checkIn.measuredOn, massTaken(inForce))
  const siteSetups = otherSetups(checkIn, inForce, known)
  return {
    ...checkIn,
    setup,
    ...(siteSetups ? { siteSetups } : {}),
    // One weighing alone is the check-in's own.
    ...(week && week.days > 1 ? { weekMass: { kg: week.kg, days: week.days } } : {}),
  }
}

/** Where a check-in says what a site was read with. */
export const toolOf = (site: SiteId) =>
  isSkinfold(site) ? 'caliperId' : isBone(site) ? 'boneCaliperId' : 'tapeId'

/** Sites that somebody else read, or with something else; of two trials by two people the later counts. */
function otherSetups(
  checkIn: SetupIds,
  inForce: readonly Reading[],
  known: Omit<JudgedWith, 'weighIns'>,
): Measured['siteSetups'] {
  // The last reading of a site says by whom and with what; a site read as usual at last is none of the others.
  const others = new Map<SiteId, SiteSetup>()
  for (const { site, testerId, instrumentId } of inForce) {
    if (!site) continue
    const tool = toolOf(site)
    const usual = checkIn[tool] ?? null
    const by = testerId ?? checkIn.testerId
    const using = instrumentId === undefined ? usual : instrumentId
    if (by === checkIn.testerId && using === usual) {
      others.delete(site)
      continue
    }
    const { caliperId, tapeId, boneCaliperId } = checkIn
    others.set(site, {
      testerId: by,
      instrumentId: using,
      setup: measurementSetupOf(
        known,
        { testerId: by, caliperId, tapeId, boneCaliperId, [tool]: using },
        known.ownErrors[by],
      ),
    })
  }
  return others.size ? Object.fromEntries(others) : undefined
}

/** Who read a site in a check-in and with what. */
export function setupAt(measured: Measured, site: SiteId): SiteSetup {
  return (
    measured.siteSetups?.[site] ?? {
      setup: measured.setup,
      testerId: measured.testerId,
      instrumentId: measured[toolOf(site)] ?? null,
    }
  )
}

/** What differs in people and instruments between two check-ins, or between two readings of a site. */
export interface SetupChange {
  anotherTester: boolean
  anotherCaliper: boolean
}

/** Whether a site was read by another tester or instrument than then. */
function siteSetupChange(then: Measured, now: Measured, site: SiteId): SetupChange {
  const [before, after] = [setupAt(then, site), setupAt(now, site)]
  return {
    anotherTester: before.testerId !== after.testerId,
    anotherCaliper: (before.instrumentId ?? null) !== (after.instrumentId ?? null),
  }
}

/** Whether any of a check-in was read by another tester or caliper than then. */
export function setupChange(then: Measured, now: Measured): SetupChange {
  const apart = [then, now].flatMap(({ siteSetups }) => Object.keys(siteSetups ?? {}) as SiteId[])
  const bySite = apart.map((site) => ({ site, ...siteSetupChange(then, now, site) }))
  const folds = bySite.filter(({ site }) => isSkinfold(site))
  return {
    anotherTester: then.testerId !== now.testerId || bySite.some((s) => s.anotherTester),
    anotherCaliper:
      (then.caliperId ?? null) !== (now.caliperId ?? null) || folds.some((s) => s.anotherCaliper),
  }
}

/** Whether anybody or anything else measured than then. */
export function isOtherSetup(then: Measured, now: Measured): boolean {
  const { anotherTester, anotherCaliper } = setupChange(then, now)
  return anotherTester || anotherCaliper
}

/** How many single trials each value is worth. */
function trialsWorth(
  sites: Partial<Record<SiteId, SiteValue>>,
  protocol: Protocol,
  setupOf: (site: SiteId) => MeasurementSetup,
): Partial<Record<SiteId, number>> {
  const worth: Partial<Record<SiteId, number>> = {}
  for (const site of Object.keys(sites) as SiteId[]) {
    const value = sites[site]!
    const { tolerance, count } = schemeOf(protocol, site)
    const allowed = allowedAt(tolerance, value.value)
    worth[site] = effectiveTrials(value, { allowed, count }, siteError(site, setupOf(site)))
  }
  return worth
}

/** One check-in read once: its sheet, and how many single trials each value is worth. */
export interface ReadCheckIn {
  measured: Measured
  sheet: Sheet
  worth: Partial<Record<SiteId, number>>
  massDays: number
}

/** Reads a check-in for the judgement. */
export function readCheckIn(person: Person, measured: Measured): ReadCheckIn {
  const sheet = sheetOf(person, measured)
  const worth = trialsWorth(sheet.sites, sheet.protocol, (site) => setupAt(measured, site).setup)
  return { measured, sheet, worth, massDays: measured.weekMass?.days ?? 1 }
}

/** The occasion of a check-in for one equation, at the age given. */
export function occasionFor(
  equationId: string,
  { sheet, worth, massDays }: ReadCheckIn,
  ageYears = sheet.subject.ageYears,
): MeasuredOccasion {
  return {
    subject: { ...sheet.subject, ageYears },
    values: servedValues(equationById(equationId), sheet.measured),
    trials: worth,
    massDays,
  }
}

/** Variance of one site's value at one check-in, mm² or cm². */
export function siteVariance({ measured, worth }: ReadCheckIn, site: SiteId): number {
  return valueVariance(siteError(site, setupAt(measured, site).setup), worth[site] ?? 1)
}

/** By how much the error of a change at a site grows for another tester or instrument. */
export function siteFactor(then: Measured, now: Measured, site: SiteId): number {
  const change = siteSetupChange(then, now, site)
  // Tapes are alike: only another tester counts for a girth.
  return changedSetupFactor(isSkinfold(site) ? change : { anotherTester: change.anotherTester })
}

import { isSkinfold, type SiteId, type SkinfoldId } from '../anatomy/ids'
import { lastValues } from './last-values'
import { equationById } from '../equations/registry'
import { findCreep, type Creep } from '../readings/compression-drift'
import { heightOf, massOf, trialsOf } from '../readings/rotation'
import { findSlips, type Finding } from '../data-quality/find'
import { siteError, smallestRealChange, type Hand } from '../measurement-error/site-error'
import { daysBetween } from '../units/dates'
import { leadEquation, sheetOf, type CheckInRecord, type Person, type Sheet } from './check-in'
import { servedValues } from './every'
import { expectedMass } from './expected-mass'

const DAYS_A_WEEK = 7

/** Trials of every site of a check-in in the order of their passes. */
function trialsBySite({ readings }: CheckInRecord, { protocol, sites }: Sheet) {
  return new Map(
    (Object.keys(sites) as SiteId[]).map((site): [SiteId, number[]] => [
      site,
      trialsOf(readings, site, protocol).filter((trial) => trial !== undefined),
    ]),
  )
}

/** The body mass to be expected from the last check-in, if that can be told. */
function massModel(person: Person, { protocol }: Sheet, last: CheckInRecord | undefined) {
  if (!last) return undefined
  const lead = leadEquation(protocol, person.sex)
  const before = sheetOf(person, last)
  if (lead === undefined || before.subject.massKg === undefined) return undefined
  return expectedMass(lead, before.subject, servedValues(equationById(lead), before.measured))
}

/**
 * What asks for a second look in a check-in so far, against the check-ins before it.
 *
 * @param earlier earlier check-ins, newest first
 * @param hand who measures and with what
 */
export function findingsOf(
  person: Person,
  record: CheckInRecord,
  earlier: readonly CheckInRecord[],
  hand: Hand,
): Finding[] {
  const sheet = sheetOf(person, record)
  const last = earlier[0]
  const lastMassKg = earlier.map(({ readings }) => massOf(readings)).find((kg) => kg !== undefined)
  const measuredHeight = heightOf(record.readings) !== undefined
  return findSlips(trialsBySite(record, sheet), {
    hand,
    sex: person.sex,
    weeks: last && daysBetween(last.measuredOn, record.measuredOn) / DAYS_A_WEEK,
    last: lastValues(sheet.protocol, person.sex, earlier),
    massKg: sheet.subject.massKg,
    lastMassKg,
    massAt: massModel(person, sheet, last),
    heightCm: sheet.subject.heightCm,
    // The height on record is the last one only where another was taken today.
    lastHeightCm: measuredHeight ? (record.heightCm ?? person.heightCm ?? undefined) : undefined,
  })
}

/** Folds of a check-in whose trials fall each time. */
export function creepsOf(person: Person, record: CheckInRecord, hand: Hand): Creep[] {
  const sheet = sheetOf(person, record)
  return [...trialsBySite(record, sheet)].flatMap(([site, trials]) => {
    if (!isSkinfold(site)) return []
    return findCreep(site, trials, siteError(site, hand)) ?? []
  })
}

/**
 * The smallest change in the sum of the folds taken so far that this hand can tell from its own error, at 95 %.
 *
 * @param changed whether tester or caliper are others than last time
 * @returns mm, or undefined before the first fold
 */
export function reachOf(
  person: Person,
  record: CheckInRecord,
  hand: Hand,
  changed: { anotherTester?: boolean; anotherCaliper?: boolean } = {},
): number | undefined {
  const { sites } = sheetOf(person, record)
  const folds = (Object.keys(sites) as SiteId[]).filter((site): site is SkinfoldId =>
    isSkinfold(site),
  )
  if (folds.length === 0) return undefined
  return smallestRealChange(
    folds.map((site) => ({ site, trials: sites[site]!.taken })),
    hand,
    changed,
  )
}

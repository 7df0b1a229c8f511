import { isSkinfold, type SiteId, type SkinfoldId } from '../anatomy/ids'
import { lastValues } from '../change/last'
import { findCreep, type Creep } from '../measuring/creep'
import { massOf, trialsOf } from '../measuring/rotation'
import { findSlips, type Finding } from '../measuring/slips'
import { siteError, smallestRealChange, type Hand } from '../reliability/site-error'
import { daysBetween } from '../units/dates'
import { leadEquation, sheetOf, type CheckInRecord, type Person } from './check-in'
import { servedValues } from './every'
import { expectedMass } from './expected-mass'
import { equationById } from '../equations/registry'

const DAYS_A_WEEK = 7

/** Trials of every site of a check-in in the order of their passes. */
function trialsBySite(person: Person, record: CheckInRecord): Map<SiteId, number[]> {
  const { protocol } = sheetOf(person, record)
  const { sex } = person
  return new Map(
    [...protocol.folds[sex], ...protocol.girths[sex]]
      .map((site): [SiteId, number[]] => [
        site,
        trialsOf(record.readings, site, protocol).filter((trial) => trial !== undefined),
      ])
      .filter(([, trials]) => trials.length > 0),
  )
}

/** The body mass to be expected from the last check-in, if that can be told. */
function massModel(person: Person, record: CheckInRecord, last: CheckInRecord | undefined) {
  if (!last) return undefined
  const lead = leadEquation(sheetOf(person, record).protocol, person.sex)
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
  const { protocol, subject } = sheetOf(person, record)
  const last = earlier[0]
  const lastMassKg = earlier.map(({ readings }) => massOf(readings)).find((kg) => kg !== undefined)
  return findSlips(trialsBySite(person, record), {
    hand,
    sex: person.sex,
    weeks: last && daysBetween(last.measuredOn, record.measuredOn) / DAYS_A_WEEK,
    last: lastValues(protocol, person.sex, earlier),
    massKg: subject.massKg,
    lastMassKg,
    massAt: massModel(person, record, last),
    heightCm: person.heightCm ?? undefined,
  })
}

/** Folds of a check-in whose trials fall each time. */
export function creepsOf(person: Person, record: CheckInRecord, hand: Hand): Creep[] {
  return [...trialsBySite(person, record)].flatMap(([site, trials]) => {
    if (!isSkinfold(site)) return []
    return findCreep(site, trials, siteError(site, hand)) ?? []
  })
}

/**
 * The smallest change in the sum of the folds taken so far that this hand can tell from its own error, at 95 %.
 *
 * @returns mm, or undefined before the first fold
 */
export function reachOf(person: Person, record: CheckInRecord, hand: Hand): number | undefined {
  const folds = [...trialsBySite(person, record)].filter((entry): entry is [SkinfoldId, number[]] =>
    isSkinfold(entry[0]),
  )
  if (folds.length === 0) return undefined
  return smallestRealChange(
    folds.map(([site, trials]) => ({ site, trials: trials.length })),
    hand,
  )
}

import { type SiteId, isSkinfold } from '../anatomy/ids'
import { type CheckInRecord, type Person, type Sheet, leadEquation, sheetOf } from './check-in'
import { servedValues } from './every'
import { expectedMass } from './expected-mass'
import { lastValues } from './last-values'
import { type DatedMass, massesFrom } from '../data-quality/expected-mass'
import { findEntryErrors } from '../data-quality/find'
import type { EntryErrorContext, Finding } from '../data-quality/finding'
import { usualUnlike } from '../data-quality/mass-height'
import { equationById } from '../equations/registry'
import { type MeasurementSetup, siteError } from '../measurement-error/site-error'
import { type CompressionDrift, findCompressionDrift } from '../readings/compression-drift'
import { readingsInForce } from '../readings/reading'
import { trialsOf } from '../readings/trials'
import { heightOf, massOf } from '../readings/values'
import { daysBetween } from '../units/dates'

const DAYS_A_WEEK = 7

/** Trials of every site of a check-in in the order they were taken. */
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

/** Body masses that were taken up to the day of a check-in. */
function massesBefore(
  { measuredOn: on }: CheckInRecord,
  earlier: readonly CheckInRecord[],
  weighIns: readonly DatedMass[],
) {
  const taken = earlier.flatMap(({ readings, measuredOn }) => {
    const kg = massOf(readings)
    return kg === undefined ? [] : [{ date: measuredOn, kg }]
  })
  return massesFrom(
    on,
    [...taken, ...weighIns].filter(({ date }) => date <= on),
  )
}

/**
 * What asks for a second look in a check-in so far, against the check-ins before it.
 *
 * @param earlier earlier check-ins, newest first
 * @param setup who measures and with what
 * @param known units that the coach reads in (cm and kg where not said), and the client's weigh-ins
 */
export function findingsOf(
  person: Person,
  record: CheckInRecord,
  earlier: readonly CheckInRecord[],
  setup: MeasurementSetup,
  {
    units,
    weighIns = [],
  }: { units?: EntryErrorContext['units']; weighIns?: readonly DatedMass[] } = {},
): Finding[] {
  const sheet = sheetOf(person, record)
  const last = earlier[0]
  const measuredHeight = heightOf(record.readings) !== undefined
  const found = findEntryErrors(trialsBySite(record, sheet), {
    errorOf: (site) => siteError(site, setup),
    ...(units ? { units } : {}),
    graduationMm: setup.graduation?.mm,
    sex: person.sex,
    weeks: last && daysBetween(last.measuredOn, record.measuredOn) / DAYS_A_WEEK,
    last: lastValues(sheet.protocol, person.sex, earlier),
    massKg: massOf(record.readings),
    masses: massesBefore(record, earlier, weighIns),
    massAt: massModel(person, sheet, last),
    heightCm: sheet.subject.heightCm,
    // The height on record is the last one only where another was taken today.
    lastHeightCm: measuredHeight ? (record.heightCm ?? person.heightCm ?? undefined) : undefined,
  })
  const mass = readingsInForce(record.readings).find(({ kind }) => kind === 'mass')
  if (!mass?.sentBy) return found
  // No finger slips where a scale has sent it; whose weight it is was asked when it came.
  return found.filter(({ sites: [site, another] }) => site !== 'mass' || another !== undefined)
}

/**
 * What somebody usually weighs, where a body mass that a scale sent during their check-in is likelier somebody else's.
 *
 * @param kg what it sent
 * @param earlier earlier check-ins, in any order
 * @returns kg; undefined where it may well be theirs
 */
export const usualMassUnlike = (
  kg: number,
  record: CheckInRecord,
  earlier: readonly CheckInRecord[],
  weighIns: readonly DatedMass[] = [],
): number | undefined => usualUnlike(kg, massesBefore(record, earlier, weighIns))

/** Folds of a check-in whose trials fall each time. */
export function compressionDriftsOf(
  person: Person,
  record: CheckInRecord,
  setup: MeasurementSetup,
): CompressionDrift[] {
  const sheet = sheetOf(person, record)
  return [...trialsBySite(record, sheet)].flatMap(([site, trials]) => {
    if (!isSkinfold(site)) return []
    return findCompressionDrift(site, trials, siteError(site, setup).repeat) ?? []
  })
}

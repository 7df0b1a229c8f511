import { type SiteId, isSkinfold } from '../anatomy/ids'
import { type CheckInRecord, type Person, type Sheet, leadEquation, sheetOf } from './check-in'
import { servedValues } from './every'
import { expectedMass } from './expected-mass'
import { lastValues } from './last-values'
import { findEntryErrors } from '../data-quality/find'
import type { EntryErrorContext, Finding, MassBefore } from '../data-quality/finding'
import { equationById } from '../equations/registry'
import { type MeasurementSetup, siteError } from '../measurement-error/site-error'
import { type CompressionDrift, findCompressionDrift } from '../readings/compression-drift'
import { trialsOf } from '../readings/trials'
import { heightOf, massOf } from '../readings/values'
import { type IsoDate, daysBetween } from '../units/dates'

const DAYS_A_WEEK = 7

interface DatedMass {
  date: IsoDate
  kg: number
}

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

/** Body masses on record, each with how long ago it was. */
function massesBefore(
  earlier: readonly CheckInRecord[],
  weighIns: readonly DatedMass[],
  weeksTo: (date: IsoDate) => number,
): MassBefore[] {
  const taken = earlier.flatMap(({ readings, measuredOn }) => {
    const kg = massOf(readings)
    return kg === undefined ? [] : [{ date: measuredOn, kg }]
  })
  return [...taken, ...weighIns].flatMap(({ date, kg }) => {
    const weeksAgo = weeksTo(date)
    return weeksAgo < 0 ? [] : [{ kg, weeksAgo }]
  })
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
  const weeksTo = (date: IsoDate) => daysBetween(date, record.measuredOn) / DAYS_A_WEEK
  const measuredHeight = heightOf(record.readings) !== undefined
  return findEntryErrors(trialsBySite(record, sheet), {
    errorOf: (site) => siteError(site, setup),
    ...(units ? { units } : {}),
    graduationMm: setup.graduation?.mm,
    sex: person.sex,
    weeks: last && weeksTo(last.measuredOn),
    last: lastValues(sheet.protocol, person.sex, earlier),
    massKg: massOf(record.readings),
    masses: massesBefore(earlier, weighIns, weeksTo),
    massAt: massModel(person, sheet, last),
    heightCm: sheet.subject.heightCm,
    // The height on record is the last one only where another was taken today.
    lastHeightCm: measuredHeight ? (record.heightCm ?? person.heightCm ?? undefined) : undefined,
  })
}

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

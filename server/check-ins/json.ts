import { sql, type SQL } from 'drizzle-orm'
import type { IsoDate } from '#core'
import type { CheckInWithReadings } from '#shared/contract/check-ins'
import { iso, listOf } from '../database/json'

/** A body height with the day it counts from; measured in a check-in, or put on record by hand. */
export interface HeightOnRecord {
  clientId?: string
  cm: number
  unit: string
  takenOn: IsoDate
  checkInId: string | null
}

/** Heights as JSON, oldest first, of the rows of client_heights that a query calls h. */
export const heightsJson = (where: SQL) =>
  listOf(
    sql`json_build_object('clientId', h.client_id, 'cm', h.cm, 'unit', h.typed_unit, 'takenOn', h.taken_on, 'checkInId', h.check_in_id)`,
    sql`from client_heights h where ${where}`,
    sql`h.taken_on, h.stored_at`,
  )

/** A reading as JSON, of the readings that a query calls r. */
const READING = sql`json_build_object('id', r.id, 'checkInId', r.check_in_id, 'kind', r.kind, 'site', r.site,
  'standard', r.standard, 'trial', r.trial, 'value', r.value_canonical, 'typedUnit', r.typed_unit,
  'typedText', r.typed_text, 'takenAt', ${iso(sql`r.taken_at`)}, 'supersedes', r.supersedes,
  'testerId', r.tester_id, 'instrumentId', r.instrument_id)`

/** A check-in with its readings as JSON, of the check-ins that a query calls c; without the height in force. */
const CHECK_IN = sql`json_build_object('id', c.id, 'clientId', c.client_id, 'testerId', c.tester_id,
  'caliperId', c.caliper_id, 'tapeId', c.tape_id, 'scaleId', c.scale_id, 'protocolId', c.protocol_id,
  'ownProtocol', c.own_protocol, 'tolerance', c.tolerance, 'consent', c.consent, 'massDry', c.mass_dry,
  'fromPaper', c.from_paper, 'conversion', c.conversion, 'measuredOn', c.measured_on,
  'startedAt', ${iso(sql`c.started_at`)}, 'closedAt', ${iso(sql`c.closed_at`)}, 'revision', c.revision,
  'voided', case when c.voided_at is null then null else
    json_build_object('at', ${iso(sql`c.voided_at`)}, 'reason', c.void_reason) end,
  'skipped', ${listOf(
    sql`json_build_object('site', k.site, 'reason', k.reason)`,
    sql`from check_in_skips k where k.check_in_id = c.id`,
    sql`k.site`,
  )},
  'extraGirths', ${listOf(
    sql`g.girth`,
    sql`from check_in_extra_girths g where g.check_in_id = c.id`,
    sql`g.position`,
  )},
  'conditions', coalesce((select json_object_agg(o.condition, o.value) from check_in_conditions o
    where o.check_in_id = c.id), '{}'),
  'readings', ${listOf(READING, sql`from readings r where r.check_in_id = c.id`, sql`r.position`)})`

export type PlainCheckIn = Omit<CheckInWithReadings, 'heightCm'>

/** Check-ins as JSON, newest first. @param where about the check-ins, called c */
export const checkInsJson = (where: SQL, limit: SQL = sql``) =>
  limit.queryChunks.length > 0
    ? listOf(
        CHECK_IN,
        sql`from (select * from check_ins c where ${where} order by c.measured_on desc, c.started_at desc ${limit}) c`,
        sql`c.measured_on desc, c.started_at desc`,
      )
    : listOf(
        CHECK_IN,
        sql`from check_ins c where ${where}`,
        sql`c.measured_on desc, c.started_at desc`,
      )

/**
 * The height in force on a day: the latest that is not after it, else the first there is.
 *
 * @param heights oldest first
 * @param except a check-in whose own measured height is left out
 */
function heightOn(
  heights: readonly HeightOnRecord[],
  day: IsoDate,
  except?: string,
): HeightOnRecord | undefined {
  const others = heights.filter(({ checkInId }) => !checkInId || checkInId !== except)
  return others.findLast(({ takenOn }) => takenOn <= day) ?? others[0]
}

/** Check-ins of one client with the height in force at each. */
export function withHeights<C extends PlainCheckIn>(
  checkIns: readonly C[],
  heights: readonly HeightOnRecord[],
): (C & { heightCm: number | null })[] {
  return checkIns.map((checkIn) => ({
    ...checkIn,
    heightCm: heightOn(heights, checkIn.measuredOn, checkIn.id)?.cm ?? null,
  }))
}

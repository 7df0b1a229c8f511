import { sql, type SQL } from 'drizzle-orm'
import type { IsoDate } from '#core'
import type { CheckInWithReadings } from '#shared/contract/check-ins'
import { iso, listOf, rowsOf } from '../database/json'

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
  rowsOf(
    sql`h.client_id as "clientId", h.cm, h.typed_unit as unit, h.taken_on as "takenOn", h.check_in_id as "checkInId"`,
    sql`from client_heights h where ${where}`,
    sql`h.taken_on, h.stored_at`,
  )

/** A reading, of the readings that a query calls r. */
const READING = sql`r.id, r.kind, r.site, r.standard, r.technique, r.trial, r.value_canonical as value,
  r.typed_unit as "typedUnit", r.typed_text as "typedText", ${iso(sql`r.taken_at`)} as "takenAt", r.supersedes,
  r.tester_id as "testerId", r.instrument_id as "instrumentId", r.corrected_by as "correctedBy",
  r.sent_by as "sentBy"`

/** A check-in with its readings, of the check-ins that a query calls c; without the height in force. */
const CHECK_IN = sql`c.id, c.client_id as "clientId", c.tester_id as "testerId", c.caliper_id as "caliperId",
  c.tape_id as "tapeId", c.bone_caliper_id as "boneCaliperId", c.scale_id as "scaleId", c.protocol_id as "protocolId", c.own_protocol as "ownProtocol",
  c.tolerance, c.consent, c.mass_dry as "massDry", c.from_paper as "fromPaper", c.conversion,
  c.measured_on as "measuredOn", ${iso(sql`c.started_at`)} as "startedAt", ${iso(sql`c.closed_at`)} as "closedAt",
  c.revision, case when c.voided_at is null then null else
    json_build_object('at', ${iso(sql`c.voided_at`)}, 'reason', c.void_reason) end as voided,
  ${rowsOf(sql`k.site, k.reason`, sql`from check_in_skips k where k.check_in_id = c.id`, sql`k.site`)} as skipped,
  ${listOf(
    sql`g.girth`,
    sql`from check_in_extra_girths g where g.check_in_id = c.id`,
    sql`g.position`,
  )} as "extraGirths",
  coalesce((select json_object_agg(o.condition, o.value) from check_in_conditions o
    where o.check_in_id = c.id), '{}') as conditions,
  ${rowsOf(READING, sql`from readings r where r.check_in_id = c.id`, sql`r.position`)} as readings`

export type PlainCheckIn = Omit<CheckInWithReadings, 'heightCm'>

/** Check-ins as JSON, newest first. @param where about the check-ins, called c */
export const checkInsJson = (where: SQL, limit: SQL = sql``) =>
  rowsOf(
    CHECK_IN,
    sql`from check_ins c where ${where}`,
    sql`c.measured_on desc, c.started_at desc ${limit}`,
  )

/** Check-ins as they are stored and the heights of whose they are: what `withHeights` puts together. */
export interface MeasuredRows {
  checkIns: PlainCheckIn[]
  heights: HeightOnRecord[]
}

/** The two as members of an object of JSON. @param where about check-ins called c and @param whereHeights heights called h */
export const measuredJson = (where: SQL, whereHeights: SQL) =>
  sql`'checkIns', ${checkInsJson(where)}, 'heights', ${heightsJson(whereHeights)}`

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

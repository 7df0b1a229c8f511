import { sql, type SQL } from 'drizzle-orm'
import { addDays, phaseStartsOf, type IsoDate, type WeighIn, say } from '#core'
import type { CallerView, CheckInView, CheckInWithReadings } from '#shared/contract/check-ins'
import type { Screening, SiteNote } from '#shared/contract/clients'
import type { ClientNote } from '#shared/contract/notes'
import type { Plan } from '#shared/contract/plans'
import {
  clientJson,
  ofCoach,
  screeningJson,
  siteNotesJson,
  withLatestHeight,
  type PlainClient,
} from '../clients/queries'
import type { Connection } from '../database/driver'
import { iso, jsonOf, listOf } from '../database/json'
import { findGym, listOwnErrors } from '../equipment/queries'
import { notFound } from '../http/errors'
import { notesJson } from '../notes/queries'
import { plansJson } from '../plans/queries'
import { weighInsJson } from '../weigh-ins/queries'
import {
  checkInsJson,
  heightsJson,
  withHeights,
  measuredJson,
  type HeightOnRecord,
  type MeasuredRows,
  type PlainCheckIn,
} from './json'

/** Check-ins with their readings, newest first, each with the height in force on its day. */
async function readCheckIns(
  db: Connection,
  where: SQL,
  whereHeights: SQL,
): Promise<CheckInWithReadings[]> {
  const { checkIns, heights } = await jsonOf<MeasuredRows>(
    db,
    sql`select json_build_object(${measuredJson(where, whereHeights)})`,
  )
  return withHeights(checkIns, heights)
}

/** A client's check-ins with their readings, newest first, the voided ones among them. */
export const listCheckIns = (db: Connection, clientId: string): Promise<CheckInWithReadings[]> =>
  readCheckIns(db, sql`c.client_id = ${clientId}`, sql`h.client_id = ${clientId}`)

/** One check-in with its readings, or undefined. */
export async function findCheckIn(
  db: Connection,
  id: string,
): Promise<CheckInWithReadings | undefined> {
  const ofItsClient = sql`h.client_id = (select client_id from check_ins where id = ${id})`
  return (await readCheckIns(db, sql`c.id = ${id}`, ofItsClient))[0]
}

/** The check-in of that id; the answer is 404 when there is none. */
export async function checkInOr404(db: Connection, id: string): Promise<CheckInWithReadings> {
  const checkIn = await findCheckIn(db, id)
  if (!checkIn) throw notFound(say('api.suchCheck'))
  return checkIn
}

/** Check-ins before the one in hand that its screen gets, besides the very first. */
const EARLIER = 24

/** Everything that the check-in screen needs. */
export async function findCheckInView(
  db: Connection,
  id: string,
  today: IsoDate,
): Promise<CheckInView> {
  const checkIn = await checkInOr404(db, id)
  const { clientId, measuredOn, startedAt } = checkIn
  const before = sql`c.client_id = ${clientId} and c.id <> ${id} and c.closed_at is not null and c.voided_at is null
    and (c.measured_on, c.started_at) < (${measuredOn}::date, ${startedAt}::timestamptz)`
  const found = await jsonOf<{
    client: PlainClient
    latest: PlainCheckIn[]
    first: PlainCheckIn[]
    heights: HeightOnRecord[]
    screening: Screening | null
    siteNotes: SiteNote[]
    weighIns: WeighIn[]
    notes: ClientNote[]
    plans: Plan[]
  }>(
    db,
    sql`select json_build_object('client', ${clientJson(clientId)}, 'latest', ${checkInsJson(before, sql`limit ${EARLIER}`)},
      'first', ${checkInsJson(sql`c.id = (select c.id from check_ins c where ${before} order by c.measured_on, c.started_at limit 1)`)},
      'heights', ${heightsJson(sql`h.client_id = ${clientId}`)}, 'screening', ${screeningJson(clientId)},
      'siteNotes', ${siteNotesJson(clientId)},
      'weighIns', ${weighInsJson(sql`client_id = ${clientId} and date <= ${addDays(measuredOn, 1)}::date`)},
      'notes', ${notesJson(clientId)}, 'plans', ${plansJson(sql`p.client_id = ${clientId} and p.replaced_at is null`)})`,
  )
  const { client, latest, first, heights, notes, plans, ...rest } = found
  const older = first.filter((c) => !latest.some((l) => l.id === c.id))
  return {
    ...rest,
    phaseStarts: Object.values(phaseStartsOf({ planInForce: plans[0] ?? null, notes })).flat(),
    client: withLatestHeight(client, heights),
    ownErrors: await listOwnErrors(db),
    checkIn,
    earlier: withHeights([...latest, ...older], heights),
    gym: await findGym(db, today),
  }
}

/** A check-in for a screen that anybody may read: without conditions, notes, height, body mass and percentages. */
export async function findCallerView(db: Connection, id: string): Promise<CallerView> {
  const { conditions: _c, consent: _n, heightCm: _h, ...checkIn } = await checkInOr404(db, id)
  const { client, siteNotes } = await jsonOf<{ client: PlainClient; siteNotes: SiteNote[] }>(
    db,
    sql`select json_build_object('client', ${clientJson(checkIn.clientId)}, 'siteNotes', ${siteNotesJson(checkIn.clientId)})`,
  )
  const readings = checkIn.readings.filter(({ site }) => site !== null)
  const { name, sex } = client
  return { checkIn: { ...checkIn, readings }, client: { name, sex }, siteNotes }
}

/** Whom a check-in is open for, the latest first. */
export const listOpenCheckIns = (
  db: Connection,
  coach?: string,
): Promise<{ id: string; name: string; startedAt: string }[]> =>
  jsonOf(
    db,
    listOf(
      sql`json_build_object('id', k.id, 'name', c.name, 'startedAt', ${iso(sql`k.started_at`)})`,
      sql`from check_ins k join clients c on c.id = k.client_id
        where k.closed_at is null and k.voided_at is null and ${ofCoach(coach)}`,
      sql`k.started_at desc`,
    ),
  )

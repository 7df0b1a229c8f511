import { eq, sql, type SQL } from 'drizzle-orm'
import { LATE_AFTER_DAYS, readingsInForce, type IsoDate, type WeighIn, say } from '#core'
import type { Client, Screening, SiteNote } from '#shared/contract/clients'
import type { Instrument } from '#shared/contract/equipment'
import type { ClientFile, ClientRecord } from '#shared/contract/record'
import { auditLogJson } from '../audit/log'
import { selfGirthsJson } from '../client-side/self-girths'
import {
  heightsJson,
  measuredJson,
  withHeights,
  type HeightOnRecord,
  type MeasuredRows,
} from '../check-ins/json'
import type { Connection } from '../database/driver'
import { jsonOf, listOf } from '../database/json'
import { clients } from '../database/schema'
import { otherResultsJson } from '../other-results/queries'
import { doubtsOf } from '../equipment/doubts'
import { GYM_FIGURES_JSON, instrumentsJson, listOwnErrors, TESTERS } from '../equipment/queries'
import { notFound } from '../http/errors'
import { notesJson } from '../notes/queries'
import { plansJson } from '../plans/queries'
import { weighInsJson } from '../weigh-ins/queries'

/** A client as it is stored, without the height that is kept beside it. */
export type PlainClient = Omit<Client, 'heightCm' | 'heightUnit'>

/** The client of an id, or of a column that holds one, as JSON; `withLatestHeight` makes it whole. */
export const clientJson = (id: string | SQL) =>
  sql`(select json_build_object('id', c.id, 'name', c.name, 'sex', c.sex, 'birthDate', c.birth_date, 'birthYear', c.birth_year,
    'cadenceDays', c.cadence_days, 'showPercentages', c.show_percentages, 'cycleWanted', c.cycle_wanted, 'groupTerm', c.group_term,
    'hiddenOnLeaderboards', c.hidden_on_leaderboards, 'weekEndsOn', c.week_ends_on,
    'nextDueOn', c.next_due_on, 'archived', c.archived_at is not null)
    from clients c where c.id = ${id})`

/** A client with the latest height on record. @param heights oldest first */
export function withLatestHeight(client: PlainClient, heights: readonly HeightOnRecord[]): Client {
  const { cm, unit } = heights.at(-1) ?? { cm: null, unit: null }
  return { ...client, heightCm: cm, heightUnit: unit }
}

/** One client, or undefined. */
export async function findClient(db: Connection, id: string): Promise<Client | undefined> {
  const { client, heights } = await jsonOf<{
    client: PlainClient | null
    heights: HeightOnRecord[]
  }>(
    db,
    sql`select json_build_object('client', ${clientJson(id)}, 'heights', ${heightsJson(sql`h.client_id = ${id}`)})`,
  )
  return client ? withLatestHeight(client, heights) : undefined
}

/** The client of that id; the answer is 404 when there is none. */
export async function clientOr404(db: Connection, id: string): Promise<Client> {
  const client = await findClient(db, id)
  if (!client) throw notFound(say('api.suchClient'))
  return client
}

/** The screening in force as JSON, or null where nothing was asked. */
export const screeningJson = (clientId: string) => sql`(
  select json_build_object('answers', s.answers, 'reviewedOn', s.reviewed_on) from screenings s
  where s.client_id = ${clientId} order by s.position desc limit 1)`

export const findScreening = (db: Connection, clientId: string): Promise<Screening | null> =>
  jsonOf(db, screeningJson(clientId))

/** The client's own marks in force as JSON, one a site and landmark standard. */
export const siteNotesJson = (clientId: string) =>
  listOf(
    sql`json_build_object('site', n.site, 'standard', n.standard, 'text', n.text, 'side', n.side)`,
    sql`from (select distinct on (site, standard) * from site_notes where client_id = ${clientId}
      order by site, standard, position desc) n`,
    sql`n.site, n.standard`,
  )

export const listSiteNotes = (db: Connection, clientId: string): Promise<SiteNote[]> =>
  jsonOf(db, siteNotesJson(clientId))

/**
 * A client's record with what it is judged by.
 *
 * @param known the testers' own errors, where they were asked for already
 */
export async function findRecord(
  db: Connection,
  id: string,
  known?: ClientRecord['ownErrors'],
): Promise<ClientRecord> {
  const found = await jsonOf<
    | (Omit<
        ClientRecord,
        'client' | 'checkIns' | 'planInForce' | 'ownErrors' | 'doubts' | 'instruments'
      > &
        MeasuredRows & {
          client: PlainClient | null
          plans: ClientRecord['planInForce'][]
          instruments: Instrument[]
        })
    | null
  >(
    db,
    sql`select json_build_object('client', ${clientJson(id)},
      ${measuredJson(sql`c.client_id = ${id} and c.voided_at is null`, sql`h.client_id = ${id}`)}, 'testers', ${TESTERS},
      'instruments', ${instrumentsJson(true)}, 'weighIns', ${weighInsJson(sql`client_id = ${id}`)},
      'selfGirths', ${selfGirthsJson(id)}, 'otherResults', ${otherResultsJson(id)},
      'gymFigures', ${GYM_FIGURES_JSON}, 'notes', ${notesJson(id)}, 'plans', ${plansJson(sql`p.client_id = ${id} and p.replaced_at is null`)},
      'screenedOn', (select s.reviewed_on from screenings s where s.client_id = ${id} order by s.position desc limit 1),
      'voided', (select count(*) from check_ins v where v.client_id = ${id} and v.voided_at is not null))`,
  )
  if (!found?.client) throw notFound(say('api.suchClient'))
  const { client, heights, checkIns, plans, instruments, ...rest } = found
  const newest = checkIns.find(({ closedAt }) => closedAt !== null)
  return {
    ...rest,
    instruments: instruments.map(({ checks: _, ...instrument }) => instrument),
    doubts: newest
      ? doubtsOf(instruments, {
          measuredOn: newest.measuredOn,
          instrumentIds: readingsInForce(newest.readings).map((one) => one.instrumentId),
        })
      : [],
    client: withLatestHeight(client, heights),
    ownErrors: known ?? (await listOwnErrors(db)),
    checkIns: withHeights(checkIns, heights),
    planInForce: plans[0] ?? null,
  }
}

/** A client's file: what is private, what was changed by hand, and what was set aside. */
export async function findFile(db: Connection, id: string): Promise<ClientFile> {
  const file = await jsonOf<ClientFile | null>(
    db,
    sql`select case when exists (select from clients where id = ${id}) then json_build_object(
      'screening', ${screeningJson(id)}, 'siteNotes', ${siteNotesJson(id)},
      'heights', ${heightsJson(sql`h.client_id = ${id}`)}, 'auditLog', ${auditLogJson(id)},
      'voided', ${listOf(
        sql`json_build_object('id', k.id, 'measuredOn', k.measured_on, 'reason', k.void_reason,
          'readings', (select count(*) from readings r where r.check_in_id = k.id))`,
        sql`from check_ins k where k.client_id = ${id} and k.voided_at is not null`,
        sql`k.measured_on desc, k.started_at desc`,
      )}) end`,
  )
  if (!file) throw notFound(say('api.suchClient'))
  return file
}

/** The client's weigh-ins in force, oldest first. */
export const listWeighIns = (db: Connection, clientId: string): Promise<WeighIn[]> =>
  jsonOf(db, weighInsJson(sql`client_id = ${clientId}`))

/** True of the clients c of a coach; of all where none is named. */
export const ofCoach = (coach: string | undefined): SQL =>
  coach === undefined ? sql`true` : sql`c.coach_id::text = ${coach}`

/**
 * What is due, of the clients that a query calls c with their standing as s: the same states as the core's `dueState`.
 */
export const stateOn = (today: IsoDate) => sql`
  case
    when s.last_on is null then 'first'
    when s.due_on + ${LATE_AFTER_DAYS}::int <= ${today}::date then 'late'
    when s.due_on <= ${today}::date then 'due'
    else 'coming' end`

/** Clients who are due between two days, the earliest first. */
export function listDue(
  db: Connection,
  { from, to, coach }: { from: IsoDate; to: IsoDate; coach?: string },
): Promise<{ clientId: string; name: string; dueOn: IsoDate; moved: boolean }[]> {
  return jsonOf(
    db,
    listOf(
      sql`json_build_object('clientId', c.id, 'name', c.name, 'dueOn', s.due_on, 'moved', s.moved)`,
      sql`from clients c join client_standings s on s.client_id = c.id
        where c.archived_at is null and ${ofCoach(coach)} and s.due_on between ${from}::date and ${to}::date`,
      sql`s.due_on, c.name`,
    ),
  )
}

/** Archived clients by name. */
export const listArchived = (
  db: Connection,
  coach?: string,
): Promise<{ id: string; name: string }[]> =>
  jsonOf(
    db,
    listOf(
      sql`json_build_object('id', c.id, 'name', c.name)`,
      sql`from clients c where c.archived_at is not null and ${ofCoach(coach)}`,
      sql`c.name`,
    ),
  )

/** Whose client somebody is; null for nobody's in particular. The answer is 404 where there is no such client. */
export async function coachOf(db: Connection, id: string): Promise<string | null> {
  const [found] = await db
    .select({ coachId: clients.coachId })
    .from(clients)
    .where(eq(clients.id, id))
  if (!found) throw notFound(say('api.suchClient'))
  return found.coachId
}

import { sql, type SQL } from 'drizzle-orm'
import {
  EXCHANGE_FORMAT,
  EXCHANGE_VERSION,
  exchangeClientSchema,
  exchangeGymSchema,
  type Exchange,
  type ExchangeClient,
  type ExchangeGym,
} from '#shared/contract/exchange'
import type { Connection } from '../database/driver'
import { iso, jsonOf, listOf, rowsOf } from '../database/json'
import { otherResultsJson } from '../other-results/queries'

const amount = (of: string) =>
  sql.raw(`${of}.typed_unit as "typedUnit", ${of}.typed_text as "typedText"`)

/** Where a row stood in a file that it was brought in from. */
const source = (of: string) =>
  sql.raw(`case when ${of}.import_row is null then null else
    json_build_object('sheet', coalesce(${of}.import_sheet, ''), 'row', ${of}.import_row) end as source`)

const READINGS = rowsOf(
  sql`r.id, r.kind, r.site, r.standard, r.technique, r.trial, r.value_canonical as value, ${amount('r')},
    ${iso(sql`r.taken_at`)} as "takenAt", r.supersedes, r.tester_id as tester, r.instrument_id as instrument,
    r.corrected_by as "correctedBy", r.sent_by as "sentBy",
    ${source('r')}`,
  sql`from readings r where r.check_in_id = k.id`,
  sql`r.position`,
)

const CHECK_INS = rowsOf(
  sql`k.id, k.measured_on as "measuredOn", ${iso(sql`k.started_at`)} as "startedAt", ${iso(sql`k.closed_at`)} as "closedAt",
    k.from_paper as "fromPaper", case when k.voided_at is null then null else
      json_build_object('at', ${iso(sql`k.voided_at`)}, 'reason', k.void_reason) end as voided,
    k.tester_id as tester, k.caliper_id as caliper, k.tape_id as tape, k.bone_caliper_id as "boneCaliper",
    k.scale_id as scale, k.protocol_id as protocol,
    k.own_protocol as "ownProtocol", k.tolerance, k.conversion, k.consent, k.mass_dry as "massDry",
    ${rowsOf(sql`s.site, s.reason`, sql`from check_in_skips s where s.check_in_id = k.id`, sql`s.site`)} as skipped,
    ${listOf(sql`g.girth`, sql`from check_in_extra_girths g where g.check_in_id = k.id`, sql`g.position`)} as "extraGirths",
    coalesce((select json_object_agg(o.condition, o.value order by o.condition) from check_in_conditions o
      where o.check_in_id = k.id), '{}') as conditions,
    ${READINGS} as readings, ${source('k')}`,
  sql`from check_ins k where k.client_id = c.id`,
  sql`k.measured_on, k.started_at, k.id`,
)

/** A client with all that the format has of one, of the clients that a query calls c. */
const CLIENT = sql`c.id, c.name, c.sex, c.birth_date as "birthDate", c.birth_year as "birthYear",
  c.cadence_days as "cadenceDays", c.show_percentages as "showPercentages", c.cycle_wanted as "cycleWanted",
  c.group_term as "groupTerm",
  c.hidden_on_leaderboards as "hiddenOnLeaderboards", c.week_ends_on as "weekEndsOn", c.next_due_on as "nextDueOn",
  c.archived_at is not null as archived,
  ${rowsOf(
    sql`h.id, h.taken_on as date, h.value_cm as cm, ${amount('h')}, ${source('h')}`,
    sql`from heights h where h.client_id = c.id`,
    sql`h.taken_on, h.stored_at, h.id`,
  )} as heights,
  ${rowsOf(
    sql`s.id, s.answers, s.reviewed_on as "reviewedOn"`,
    sql`from screenings s where s.client_id = c.id`,
    sql`s.position`,
  )} as screenings,
  ${rowsOf(
    sql`n.id, n.site, n.standard, n.text, n.side`,
    sql`from site_notes n where n.client_id = c.id`,
    sql`n.position`,
  )} as "siteNotes",
  ${CHECK_INS} as "checkIns",
  ${rowsOf(
    sql`w.id, w.date, w.kg, ${amount('w')}, ${source('w')}`,
    sql`from weigh_ins w where w.client_id = c.id`,
    sql`w.position`,
  )} as "weighIns",
  ${rowsOf(
    sql`n.id, n.date, n.kind, n.words`,
    sql`from client_notes n where n.client_id = c.id and n.removed_at is null`,
    sql`n.date, n.id`,
  )} as notes,
  ${rowsOf(
    sql`p.id, p.started_on as "startedOn", p.definition, p.made_by as "madeBy", p.changes, p.findings, p.refused,
      ${iso(sql`p.created_at`)} as "createdAt", ${iso(sql`p.replaced_at`)} as "replacedAt"`,
    sql`from plans p where p.client_id = c.id`,
    sql`p.created_at, p.id`,
  )} as plans,
  ${rowsOf(
    sql`l.id, l.rule, l.cleared_by as by, l.cleared_on as on`,
    sql`from plan_clearances l where l.client_id = c.id`,
    sql`l.cleared_on, l.id`,
  )} as clearances,
  (select json_build_object('email', d.email, 'phone', d.phone, 'goal', d.goal, 'sees', d.sees, 'seesClasses', d.sees_classes,
    'asks', d.asks, 'mailStopped', d.mail_stopped_at is not null) from client_details d where d.client_id = c.id) as details,
  ${listOf(sql`t.tag`, sql`from client_tags t where t.client_id = c.id`, sql`t.tag`)} as tags,
  ${rowsOf(
    sql`n.id, n.date, n.words, n.written_by as "writtenBy"`,
    sql`from session_notes n where n.client_id = c.id and n.removed_at is null`,
    sql`n.date, n.id`,
  )} as "sessionNotes",
  ${rowsOf(
    sql`a.id, ${iso(sql`a.starts_at`)} as "startsAt", a.minutes, a.words`,
    sql`from appointments a where a.client_id = c.id and a.cancelled_at is null`,
    sql`a.starts_at, a.id`,
  )} as appointments,
  ${rowsOf(
    sql`g.id, g.date, g.girth, g.trial, g.cm, ${amount('g')}, null as source`,
    sql`from self_girths g where g.client_id = c.id`,
    sql`g.position`,
  )} as "selfGirths",
  ${otherResultsJson(sql`c.id`)} as "otherResults"`

/** Clients that are read at a time. */
const AT_A_TIME = 20

/** Whose record is taken out: one client's, or everybody's. */
export type Whose = { clientId: string } | 'all'

/** Clients with all that is kept of them but pictures, by their names, a few at a time. */
async function* clientsOut(db: Connection, whose: Whose): AsyncGenerator<ExchangeClient> {
  const among = whose === 'all' ? sql`true` : sql`c.id = ${whose.clientId}`
  const ids = await jsonOf<string[]>(
    db,
    listOf(sql`c.id`, sql`from clients c where ${among}`, sql`c.name, c.id`),
  )
  for (let at = 0; at < ids.length; at += AT_A_TIME) {
    const some = JSON.stringify(ids.slice(at, at + AT_A_TIME))
    const clients = await jsonOf<unknown[]>(
      db,
      rowsOf(
        CLIENT,
        sql`from clients c where c.id in (select value::uuid from json_array_elements_text(${some}::json))`,
        sql`c.name, c.id`,
      ),
    )
    for (const client of clients) yield exchangeClientSchema.parse(client)
  }
}

/** Who measures, with what and by which sets of the gym's own; of one client, those that their record speaks of. */
async function gymOut(db: Connection, whose: Whose): Promise<ExchangeGym> {
  const ofClient = (column: SQL) =>
    whose === 'all'
      ? sql`true`
      : sql`x.id in (select ${column} from readings r join check_ins k on k.id = r.check_in_id where k.client_id = ${whose.clientId}
          union select unnest(array[k.tester_id, k.caliper_id, k.tape_id, k.bone_caliper_id, k.scale_id]) from check_ins k where k.client_id = ${whose.clientId})`
  const gym = await jsonOf<unknown>(
    db,
    sql`json_build_object(
      'people', ${rowsOf(
        sql`x.id, x.name, x.skill, x.retired_at is not null as retired`,
        sql`from people x where ${ofClient(sql`r.tester_id`)}`,
        sql`x.created_at, x.id`,
      )},
      'instruments', ${rowsOf(
        sql`x.id, x.kind, x.name, x.graduation, x.jaws, x.check_every_days as "checkEveryDays",
          x.retired_at is not null as retired, ${rowsOf(
            sql`y.id, y.checked_on as "checkedOn", ${rowsOf(
              sql`z.known, z.read`,
              sql`from instrument_check_points z where z.check_id = y.id`,
              sql`z.place`,
            )} as points`,
            sql`from instrument_checks y where y.instrument_id = x.id`,
            sql`y.checked_on, y.id`,
          )} as checks`,
        sql`from instruments x where ${ofClient(sql`r.instrument_id`)}`,
        sql`x.created_at, x.id`,
      )},
      'ownProtocols', ${
        whose === 'all'
          ? listOf(
              sql`o.definition`,
              sql`from own_protocols o where o.retired_at is null`,
              sql`o.created_at, o.id`,
            )
          : sql`'[]'::json`
      })`,
  )
  return exchangeGymSchema.parse(gym)
}

/** The whole record of the format, in memory. */
export async function takeOut(db: Connection, whose: Whose, at = new Date()): Promise<Exchange> {
  const clients: ExchangeClient[] = []
  for await (const client of clientsOut(db, whose)) clients.push(client)
  return {
    ...{ format: EXCHANGE_FORMAT, version: EXCHANGE_VERSION, exportedAt: at.toISOString() },
    ...{ ...(await gymOut(db, whose)), clients },
  }
}

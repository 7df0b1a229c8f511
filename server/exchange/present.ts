import { sql } from 'drizzle-orm'
import type { IsoDate } from '#core'
import type { ImportLine } from '#shared/contract/imports'
import type { Connection } from '../database/driver'
import { jsonOf, listOf, rowsOf } from '../database/json'

/** What is on record of the clients of a batch. */
export interface Present {
  clients: { id: string; planInForce: boolean; open: boolean }[]
  erased: string[]
  checkIns: { id: string; clientId: string; measuredOn: IsoDate; values: string[] }[]
  weighIns: { clientId: string; date: IsoDate; kg: number }[]
  heights: { clientId: string; cm: number; date: IsoDate }[]
  otherResults: { clientId: string; method: string; on: IsoDate; fatPercent: number }[]
  notes: { clientId: string; date: IsoDate; kind: string; words: string }[]
  /** Ids of rows that are there. */
  ids: string[]
}

/** Looks up what is on record of the clients of some lines. */
export async function presentOf(db: Connection, lines: readonly ImportLine[]): Promise<Present> {
  const clientIds = lines.flatMap(({ into, client }) => (into ? [into, client.id] : [client.id]))
  const checkInIds = lines.flatMap(({ client }) => client.checkIns.map(({ id }) => id))
  const rowIds = lines.flatMap(({ client }) =>
    [client.heights, client.screenings, client.siteNotes, client.weighIns, client.notes]
      .concat([client.plans, client.clearances, client.sessionNotes] as never)
      .concat([client.appointments, client.selfGirths, client.otherResults] as never)
      .flatMap((of) => of.map(({ id }) => id)),
  )
  const among = (ids: readonly string[]) =>
    sql`(select value::uuid from json_array_elements_text(${JSON.stringify(ids)}::json))`
  const [mine, these, others] = [among(clientIds), among(checkInIds), among(rowIds)]
  const found = (table: string) =>
    sql`select x.id from ${sql.identifier(table)} x where x.id in ${others}`
  return jsonOf<Present>(
    db,
    sql`json_build_object(
      'clients', ${rowsOf(
        sql`c.id, exists (select from plans p where p.client_id = c.id and p.replaced_at is null) as "planInForce",
          exists (select from check_ins o where o.client_id = c.id and o.closed_at is null and o.voided_at is null
            and not o.from_paper) as open`,
        sql`from clients c where c.id in ${mine}`,
        sql`c.id`,
      )},
      'erased', ${listOf(sql`e.client_id`, sql`from erasures e where e.client_id in ${mine}`, sql`e.client_id`)},
      'checkIns', ${rowsOf(
        sql`k.id, k.client_id as "clientId", k.measured_on as "measuredOn", ${listOf(
          sql`r.kind || ' ' || coalesce(r.site, '') || ' ' || r.trial || ' ' || trim_scale(round(r.value_canonical::numeric, 6))`,
          sql`from readings_in_force r where r.check_in_id = k.id`,
          sql`r.position`,
        )} as values`,
        sql`from check_ins k where k.client_id in ${mine} or k.id in ${these}`,
        sql`k.id`,
      )},
      'weighIns', ${rowsOf(
        sql`w.client_id as "clientId", w.date, w.kg`,
        sql`from (select distinct on (client_id, date) * from weigh_ins where client_id in ${mine}
          order by client_id, date, position desc) w where w.kg is not null`,
        sql`w.date`,
      )},
      'heights', ${rowsOf(
        sql`h.client_id as "clientId", h.cm, h.taken_on as date`,
        sql`from client_heights h where h.client_id in ${mine}`,
        sql`h.taken_on`,
      )},
      'otherResults', ${rowsOf(
        sql`o.client_id as "clientId", o.method, o.measured_on as "on", o.fat_percent as "fatPercent"`,
        sql`from other_results o where o.client_id in ${mine} and o.removed_at is null`,
        sql`o.measured_on`,
      )},
      'notes', ${rowsOf(
        sql`n.client_id as "clientId", n.date, n.kind, n.words`,
        sql`from client_notes n where n.client_id in ${mine} and n.removed_at is null`,
        sql`n.date`,
      )},
      'ids', ${listOf(
        sql`x.id`,
        sql`from (${sql.join(
          [
            'heights',
            'screenings',
            'site_notes',
            'weigh_ins',
            'client_notes',
            'plans',
            'plan_clearances',
            'session_notes',
            'appointments',
            'self_girths',
            'other_results',
          ].map(found),
          sql` union all `,
        )}) x`,
        sql`x.id`,
      )})`,
  )
}

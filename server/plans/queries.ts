import { sql, type SQL } from 'drizzle-orm'
import type { Plan } from '#shared/contract/plans'
import type { Connection } from '../database/driver'
import { iso, jsonOf, listOf } from '../database/json'

/** Plans as JSON, the latest first, of the plans that a query calls p. */
export const plansJson = (where: SQL) =>
  listOf(
    sql`json_build_object('id', p.id, 'startedOn', p.started_on, 'definition', p.definition,
      'createdAt', ${iso(sql`p.created_at`)}, 'replacedAt', ${iso(sql`p.replaced_at`)})`,
    sql`from plans p where ${where}`,
    sql`p.created_at desc, p.id`,
  )

/** A client's plans, the latest first. */
export const listPlans = (db: Connection, clientId: string): Promise<Plan[]> =>
  jsonOf(db, plansJson(sql`p.client_id = ${clientId}`))

import { sql, type SQL } from 'drizzle-orm'
import type { Clearance, Plan } from '#shared/contract/plans'
import type { Connection } from '../database/driver'
import { iso, jsonOf, listOf } from '../database/json'

/** Plans as JSON, the latest first, of the plans that a query calls p. */
export const plansJson = (where: SQL) =>
  listOf(
    sql`json_build_object('id', p.id, 'startedOn', p.started_on, 'definition', p.definition,
      'madeBy', p.made_by, 'changes', p.changes, 'findings', p.findings, 'refused', p.refused,
      'createdAt', ${iso(sql`p.created_at`)}, 'replacedAt', ${iso(sql`p.replaced_at`)})`,
    sql`from plans p where ${where}`,
    sql`p.created_at desc, p.id`,
  )

/** A client's plans, the latest first. */
export const listPlans = (db: Connection, clientId: string): Promise<Plan[]> =>
  jsonOf(db, plansJson(sql`p.client_id = ${clientId}`))

/** What was cleared for a client, the latest first. */
export const listClearances = (db: Connection, clientId: string): Promise<Clearance[]> =>
  jsonOf(
    db,
    listOf(
      sql`json_build_object('rule', c.rule, 'by', c.cleared_by, 'on', c.cleared_on)`,
      sql`from plan_clearances c where c.client_id = ${clientId}`,
      sql`c.stored_at desc, c.id`,
    ),
  )

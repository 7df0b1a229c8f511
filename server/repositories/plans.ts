import { randomUUID } from 'node:crypto'
import { and, desc, eq, isNull } from 'drizzle-orm'
import type { Plan, PlanDefinition } from '#shared/plans'
import type { Connection, Database } from '../database/open'
import { clients, plans } from '../database/schema'

/** A client's plans, the latest first. */
export async function listPlans(db: Database, clientId: string): Promise<Plan[]> {
  const rows = await db
    .select()
    .from(plans)
    .where(eq(plans.clientId, clientId))
    .orderBy(desc(plans.createdAt))
  return rows.map(({ id, startedOn, definition, createdAt, replacedAt }) => ({
    ...{ id, startedOn, definition },
    createdAt: createdAt.toISOString(),
    replacedAt: replacedAt?.toISOString() ?? null,
  }))
}

/** Ends the plan in force; it is kept. */
export async function endPlan(db: Connection, clientId: string): Promise<void> {
  await db
    .update(plans)
    .set({ replacedAt: new Date() })
    .where(and(eq(plans.clientId, clientId), isNull(plans.replacedAt)))
}

/** Puts a plan in the place of the one in force. */
export async function addPlan(
  db: Database,
  clientId: string,
  plan: { startedOn: string; definition: PlanDefinition; cadenceDays?: number },
): Promise<void> {
  const { startedOn, definition, cadenceDays } = plan
  await db.transaction(async (tx) => {
    await endPlan(tx, clientId)
    await tx.insert(plans).values({ id: randomUUID(), clientId, startedOn, definition })
    if (cadenceDays) await tx.update(clients).set({ cadenceDays }).where(eq(clients.id, clientId))
  })
}

import { and, eq, isNull } from 'drizzle-orm'
import { checkPlan, inputError, measuredOf, startOf, type IsoDate } from '#core'
import type { z } from 'zod'
import type { newClearanceSchema, newPlanSchema } from '#shared/contract/plans'
import { findCheckIn } from '../check-ins/queries'
import { clientOr404, findScreening, listWeighIns } from '../clients/queries'
import type { Connection, Database } from '../database/driver'
import { clients, planClearances, plans } from '../database/schema'
import { listClearances } from './queries'

/** Ends the plan in force; it is kept. */
export async function endPlan(db: Connection, clientId: string): Promise<void> {
  await db
    .update(plans)
    .set({ replacedAt: new Date() })
    .where(and(eq(plans.clientId, clientId), isNull(plans.replacedAt)))
}

/** Of fat and lean mass on their way, kg. */
const ROUNDING_KG = 1e-6

/**
 * Keeps a plan in place of the one in force, which stays on record; the same id again keeps it once. It is held against
 * every limit here once more, so that no plan that can hurt is kept, whatever sends it.
 */
export async function keepPlan(
  db: Database,
  clientId: string,
  plan: z.output<typeof newPlanSchema>,
  today: IsoDate,
): Promise<void> {
  const client = await clientOr404(db, clientId)
  const { checkInId, fatKg, leanKg } = plan.definition
  const checkIn = await findCheckIn(db, checkInId)
  const theirs =
    checkIn?.clientId === clientId && checkIn.closedAt !== null && checkIn.voided === null
  const weighIns = theirs ? await listWeighIns(db, clientId) : []
  const known = { testers: [], instruments: [], ownErrors: {}, weighIns }
  const start = theirs ? startOf(client, measuredOf(checkIn, known), today) : undefined
  const same = (a: number, b: number) => Math.abs(a - b) < ROUNDING_KG
  if (!start || !same(start.fatKg, fatKg) || !same(start.leanKg, leanKg)) {
    throw inputError(
      'checkInId',
      'unknown',
      'Start of the plan',
      checkInId,
      'a closed check-in of this client with the fat and lean mass that it gives',
    )
  }
  const flags = (await findScreening(db, clientId))?.answers.flags ?? []
  const clearances = await listClearances(db, clientId)
  checkPlan(plan.definition, start, { flags, clearances, today })
  const { id, startedOn, definition, cadenceDays } = plan
  await db.transaction(async (tx) => {
    const there = await tx.select({ id: plans.id }).from(plans).where(eq(plans.id, id))
    if (there.length > 0) return
    await endPlan(tx, clientId)
    await tx.insert(plans).values({ id, clientId, startedOn, definition })
    if (cadenceDays) await tx.update(clients).set({ cadenceDays }).where(eq(clients.id, clientId))
  })
}

/** Records who lifted a hold; the same id again records it once. */
export async function clearHold(
  db: Connection,
  clientId: string,
  { id, rule, by, on }: z.output<typeof newClearanceSchema>,
): Promise<void> {
  await db
    .insert(planClearances)
    .values({ id, clientId, rule, clearedBy: by, clearedOn: on })
    .onConflictDoNothing()
}

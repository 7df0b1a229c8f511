import { and, eq, isNull } from 'drizzle-orm'
import { checkPlan, inputError, measuredOf, safePlan, startOf, say, dayValue } from '#core'
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

type NewPlan = z.output<typeof newPlanSchema>

/** The body that a plan says it starts from, and what it is held against; refused where it is none of the client's. */
async function groundOf(db: Connection, clientId: string, plan: NewPlan) {
  const client = await clientOr404(db, clientId)
  const { startedOn, definition } = plan
  const { checkInId, fatKg, leanKg } = definition
  const checkIn = await findCheckIn(db, checkInId)
  const theirs =
    checkIn?.clientId === clientId && checkIn.closedAt !== null && checkIn.voided === null
  const weighIns = theirs ? await listWeighIns(db, clientId) : []
  const known = { testers: [], instruments: [], ownErrors: {}, weighIns }
  const start = theirs ? startOf(client, measuredOf(checkIn, known), startedOn) : undefined
  const same = (a: number, b: number) => Math.abs(a - b) < ROUNDING_KG
  if (!start || !same(start.fatKg, fatKg) || !same(start.leanKg, leanKg)) {
    throw inputError(
      'checkInId',
      'unknown',
      say('api.startPlan'),
      checkInId,
      say('api.closedCheckClientFatLean'),
    )
  }
  if (startedOn < checkIn!.measuredOn) {
    const accepted = say('api.dayCheckLater', { measuredOn: dayValue(checkIn!.measuredOn, true) })
    throw inputError('startedOn', 'impossible', say('api.startPlan'), startedOn, accepted)
  }
  const flags = (await findScreening(db, clientId))?.answers.flags ?? []
  const clearances = await listClearances(db, clientId)
  return { start, ground: { flags, clearances, today: startedOn } }
}

const isOnRecord = async (db: Connection, id: string) =>
  (await db.select({ id: plans.id }).from(plans).where(eq(plans.id, id))).length > 0

/** Refuses a change of what is no plan of this client. */
async function needChanged(db: Connection, clientId: string, changes: string | undefined) {
  if (changes === undefined) return
  const [found] = await db
    .select({ clientId: plans.clientId })
    .from(plans)
    .where(eq(plans.id, changes))
  if (found?.clientId !== clientId) {
    const accepted = say('api.planClient')
    throw inputError('changes', 'unknown', say('api.planOneChanges'), changes, accepted)
  }
}

/**
 * Keeps a plan in place of the one in force, which stays on record; the same id again keeps it once. It is held against
 * every limit here once more, so that no plan that can hurt is kept, whatever sends it.
 */
export async function keepPlan(db: Database, clientId: string, plan: NewPlan): Promise<void> {
  const { start, ground } = await groundOf(db, clientId, plan)
  const { id, startedOn, definition, cadenceDays, madeBy, changes } = plan
  await needChanged(db, clientId, changes)
  const { findings } = checkPlan({ ...definition, startedOn }, start, ground)
  await db.transaction(async (tx) => {
    if (await isOnRecord(tx, id)) return
    await endPlan(tx, clientId)
    await tx
      .insert(plans)
      .values({ id, clientId, startedOn, definition, madeBy, changes, findings })
    if (cadenceDays) await tx.update(clients).set({ cadenceDays }).where(eq(clients.id, clientId))
  })
}

/** Puts a wish on record that the rules refuse, with why; it is never in force, and the plan in force stays. */
export async function refusePlan(db: Database, clientId: string, plan: NewPlan): Promise<void> {
  const { start, ground } = await groundOf(db, clientId, plan)
  const { id, startedOn, definition, madeBy } = plan
  const { outcome, findings } = safePlan(definition, start, ground)
  if (outcome !== 'refused') {
    const accepted = say('api.oneRuleRefusesOneCan')
    throw inputError('plan', 'impossible', say('api.planPutRecordRefused'), outcome, accepted)
  }
  if (await isOnRecord(db, id)) return
  const now = new Date()
  await db.insert(plans).values({
    ...{ id, clientId, startedOn, definition, madeBy, findings },
    ...{ refused: true, createdAt: now, replacedAt: now },
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

import { checkPlan, inputError, startOf } from '#core'
import { newPlanSchema } from '#shared/plans'
import { findCheckIn } from '../../../../repositories/check-ins'
import { findScreening } from '../../../../repositories/clients'
import { addPlan, listPlans } from '../../../../repositories/plans'
import { bodyOf, defineApi, idOf } from '../../../../utils/api'
import { clientOr404 } from '../../../../utils/check-in'
import { todayHere } from '../../../../utils/today'

/** Of fat and lean mass on their way, kg. */
const ROUNDING_KG = 1e-6

/**
 * Keeps a plan in place of the one in force, which stays on record. It is held against every limit here once more, so
 * that no plan that can hurt is kept, whatever sends it.
 */
export default defineApi(async (event, db) => {
  const client = await clientOr404(db, idOf(event))
  const { id } = client
  const today = todayHere()
  const plan = await bodyOf(event, newPlanSchema)
  const { checkInId, fatKg, leanKg } = plan.definition
  const checkIn = await findCheckIn(db, checkInId)
  const theirs = checkIn?.clientId === id && checkIn.closedAt !== null && checkIn.voided === null
  const start = theirs ? startOf(client, checkIn, today) : undefined
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
  const flags = (await findScreening(db, id))?.answers.flags ?? []
  checkPlan(plan.definition, start, flags, today)
  await addPlan(db, id, plan)
  return listPlans(db, id)
})

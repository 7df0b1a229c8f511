import { newPlanSchema } from '#shared/plans'
import { addPlan, listPlans } from '../../../../repositories/plans'
import { bodyOf, defineApi, idOf } from '../../../../utils/api'
import { clientOr404 } from '../../../../utils/check-in'

/** Keeps a plan in place of the one in force, which stays on record. */
export default defineApi(async (event, db) => {
  const { id } = await clientOr404(db, idOf(event))
  await addPlan(db, id, await bodyOf(event, newPlanSchema))
  return listPlans(db, id)
})

import { endPlan, listPlans } from '../../../../repositories/plans'
import { defineApi, idOf } from '../../../../utils/api'
import { clientOr404 } from '../../../../utils/check-in'

export default defineApi(async (event, db) => {
  const { id } = await clientOr404(db, idOf(event))
  await endPlan(db, id)
  return listPlans(db, id)
})

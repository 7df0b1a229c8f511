import { plans } from '#shared/contract/routes/plans'
import { clientOr404 } from '../../../../clients/queries'
import { endPlan } from '../../../../plans/commands'
import { listPlans } from '../../../../plans/queries'
import { defineApi } from '../../../../http/define-api'

export default defineApi(plans.end, async ({ db, params: { id } }) => {
  await clientOr404(db, id)
  await endPlan(db, id)
  return listPlans(db, id)
})

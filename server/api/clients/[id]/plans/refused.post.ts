import { plans } from '#shared/contract/routes/plans'
import { defineApi } from '../../../../http/define-api'
import { refusePlan } from '../../../../plans/commands'
import { listPlans } from '../../../../plans/queries'

export default defineApi(plans.refuse, async ({ db, params: { id }, body }) => {
  await refusePlan(db, id, body)
  return listPlans(db, id)
})

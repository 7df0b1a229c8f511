import { plans } from '#shared/contract/routes/plans'
import { keepPlan } from '../../../../plans/commands'
import { listPlans } from '../../../../plans/queries'
import { defineApi } from '../../../../http/define-api'

export default defineApi(plans.keep, async ({ db, params: { id }, body }) => {
  await keepPlan(db, id, body)
  return listPlans(db, id)
})

import { plans } from '#shared/contract/routes/plans'
import { clientOr404, findScreening } from '../../../../clients/queries'
import { listClearances, listPlans } from '../../../../plans/queries'
import { defineApi } from '../../../../http/define-api'

/** A client’s plans, and what of the private screening stands against a plan. */
export default defineApi(plans.list, async ({ db, params: { id } }) => {
  await clientOr404(db, id)
  const answers = (await findScreening(db, id))?.answers
  return {
    plans: await listPlans(db, id),
    flags: answers?.flags ?? [],
    training: answers?.training ?? null,
    clearances: await listClearances(db, id),
  }
})

import { plans } from '#shared/contract/routes/plans'
import { clientOr404 } from '../../../../clients/queries'
import { defineApi } from '../../../../http/define-api'
import { clearHold } from '../../../../plans/commands'
import { listClearances } from '../../../../plans/queries'

export default defineApi(plans.clear, async ({ db, params: { id }, body }) => {
  await clientOr404(db, id)
  await clearHold(db, id, body)
  return listClearances(db, id)
})

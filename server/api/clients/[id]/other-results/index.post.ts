import { otherResults } from '#shared/contract/routes/other-results'
import { clientOr404 } from '../../../../clients/queries'
import { defineApi } from '../../../../http/define-api'
import { addOtherResult } from '../../../../other-results/commands'
import { listOtherResults } from '../../../../other-results/queries'

export default defineApi(otherResults.add, async ({ db, params: { id }, body }) => {
  await clientOr404(db, id)
  await addOtherResult(db, id, body)
  return listOtherResults(db, id)
})

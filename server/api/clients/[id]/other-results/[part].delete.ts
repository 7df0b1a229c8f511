import { otherResults } from '#shared/contract/routes/other-results'
import { defineApi } from '../../../../http/define-api'
import { removeOtherResult } from '../../../../other-results/commands'
import { listOtherResults } from '../../../../other-results/queries'

export default defineApi(otherResults.remove, async ({ db, params: { id, part } }) => {
  await removeOtherResult(db, id, part)
  return listOtherResults(db, id)
})

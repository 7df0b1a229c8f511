import { weighIns } from '#shared/contract/routes/weigh-ins'
import { clientOr404, listWeighIns } from '../../../../clients/queries'
import { defineApi } from '../../../../http/define-api'

export default defineApi(weighIns.list, async ({ db, params: { id } }) => {
  await clientOr404(db, id)
  return listWeighIns(db, id)
})

import { weighIns } from '#shared/contract/routes/weigh-ins'
import { clientOr404, listWeighIns } from '../../../../clients/queries'
import { removeWeighIn } from '../../../../weigh-ins/commands'
import { defineApi } from '../../../../http/define-api'

export default defineApi(weighIns.remove, async ({ db, params: { id, date } }) => {
  await clientOr404(db, id)
  await removeWeighIn(db, id, date)
  return listWeighIns(db, id)
})

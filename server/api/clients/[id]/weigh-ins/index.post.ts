import { weighIns } from '#shared/contract/routes/weigh-ins'
import { listWeighIns } from '../../../../clients/queries'
import { addWeighIns } from '../../../../weigh-ins/commands'
import { defineApi } from '../../../../http/define-api'

export default defineApi(weighIns.add, async ({ db, params: { id }, body }) => {
  await addWeighIns(db, id, body)
  return listWeighIns(db, id)
})

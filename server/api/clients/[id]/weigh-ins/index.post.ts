import { weighInsFormSchema } from '#shared/weigh-ins'
import { addWeighIns, listWeighIns } from '../../../../repositories/tracking'
import { bodyOf, defineApi, idOf } from '../../../../utils/api'
import { clientOr404 } from '../../../../utils/check-in'

export default defineApi(async (event, db) => {
  const { id } = await clientOr404(db, idOf(event))
  await addWeighIns(db, id, await bodyOf(event, weighInsFormSchema))
  return listWeighIns(db, id)
})

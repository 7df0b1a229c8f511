import { getRouterParam } from 'h3'
import { isoDateSchema } from '#shared/ids'
import { listWeighIns, takeBackWeighIn } from '../../../../repositories/tracking'
import { defineApi, idOf } from '../../../../utils/api'
import { clientOr404 } from '../../../../utils/check-in'

export default defineApi(async (event, db) => {
  const { id } = await clientOr404(db, idOf(event))
  await takeBackWeighIn(db, id, isoDateSchema.parse(getRouterParam(event, 'date')))
  return listWeighIns(db, id)
})

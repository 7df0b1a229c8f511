import { clientChangeSchema } from '#shared/clients'
import { changeClient } from '../../../repositories/clients'
import { findSettings } from '../../../repositories/gym'
import { bodyOf, defineApi, idOf } from '../../../utils/api'
import { clientOr404 } from '../../../utils/check-in'
import { todayHere } from '../../../utils/today'

export default defineApi(async (event, db) => {
  const { id } = await clientOr404(db, idOf(event))
  const today = todayHere()
  const change = await bodyOf(event, clientChangeSchema(today))
  await changeClient(db, id, change, { testerId: (await findSettings(db)).testerId, today })
  return clientOr404(db, id)
})

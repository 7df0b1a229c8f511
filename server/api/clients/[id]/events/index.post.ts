import { eventFormSchema } from '#shared/tracking'
import { addClientEvent, listClientEvents } from '../../../../repositories/tracking'
import { bodyOf, defineApi, idOf } from '../../../../utils/api'
import { clientOr404 } from '../../../../utils/check-in'

export default defineApi(async (event, db) => {
  const { id } = await clientOr404(db, idOf(event))
  await addClientEvent(db, id, await bodyOf(event, eventFormSchema))
  return listClientEvents(db, id)
})

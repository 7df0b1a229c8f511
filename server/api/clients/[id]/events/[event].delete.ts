import { listClientEvents, removeClientEvent } from '../../../../repositories/tracking'
import { defineApi, idOf, NotFound } from '../../../../utils/api'
import { clientOr404 } from '../../../../utils/check-in'

export default defineApi(async (event, db) => {
  const { id } = await clientOr404(db, idOf(event))
  if (!(await removeClientEvent(db, id, idOf(event, 'event')))) throw new NotFound('No such note.')
  return listClientEvents(db, id)
})

import { listClientNotes, removeClientNote } from '../../../../repositories/tracking'
import { defineApi, idOf, NotFound } from '../../../../utils/api'
import { clientOr404 } from '../../../../utils/check-in'

export default defineApi(async (event, db) => {
  const { id } = await clientOr404(db, idOf(event))
  if (!(await removeClientNote(db, id, idOf(event, 'note')))) throw new NotFound('No such note.')
  return listClientNotes(db, id)
})

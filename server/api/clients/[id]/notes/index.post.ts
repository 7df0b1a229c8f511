import { clientNoteFormSchema } from '#shared/tracking'
import { addClientNote, listClientNotes } from '../../../../repositories/tracking'
import { bodyOf, defineApi, idOf } from '../../../../utils/api'
import { clientOr404 } from '../../../../utils/check-in'

export default defineApi(async (event, db) => {
  const { id } = await clientOr404(db, idOf(event))
  await addClientNote(db, id, await bodyOf(event, clientNoteFormSchema))
  return listClientNotes(db, id)
})

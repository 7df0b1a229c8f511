import { notes } from '#shared/contract/routes/notes'
import { clientOr404 } from '../../../../clients/queries'
import { addNote } from '../../../../notes/commands'
import { listNotes } from '../../../../notes/queries'
import { defineApi } from '../../../../http/define-api'

export default defineApi(notes.add, async ({ db, params: { id }, body }) => {
  await clientOr404(db, id)
  await addNote(db, id, body)
  return listNotes(db, id)
})

import { notes } from '#shared/contract/routes/notes'
import { removeNote } from '../../../../notes/commands'
import { listNotes } from '../../../../notes/queries'
import { defineApi } from '../../../../http/define-api'

export default defineApi(notes.remove, async ({ db, params: { id, note } }) => {
  await removeNote(db, id, note)
  return listNotes(db, id)
})

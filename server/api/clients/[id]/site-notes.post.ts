import { siteNoteSchema } from '#shared/clients'
import { addSiteNote, listSiteNotes } from '../../../repositories/clients'
import { bodyOf, defineApi, idOf } from '../../../utils/api'
import { clientOr404 } from '../../../utils/check-in'

export default defineApi(async (event, db) => {
  const { id } = await clientOr404(db, idOf(event))
  await addSiteNote(db, id, await bodyOf(event, siteNoteSchema))
  return listSiteNotes(db, id)
})

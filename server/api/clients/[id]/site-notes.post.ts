import { clients } from '#shared/contract/routes/clients'
import { addSiteNote } from '../../../clients/commands'
import { clientOr404, listSiteNotes } from '../../../clients/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(clients.keepSiteNote, async ({ db, params: { id }, body }) => {
  await clientOr404(db, id)
  await addSiteNote(db, id, body)
  return listSiteNotes(db, id)
})

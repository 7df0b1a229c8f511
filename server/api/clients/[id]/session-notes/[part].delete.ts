import { details } from '#shared/contract/routes/client-side'
import { findDetails, removeSessionNote } from '../../../../client-side/details'
import { defineApi } from '../../../../http/define-api'

export default defineApi(details.removeNote, async ({ db, params: { id, part }, coach }) => {
  await removeSessionNote(db, id, part)
  return findDetails(db, id, coach)
})

import { details } from '#shared/contract/routes/client-side'
import { findDetails, keepSessionNote } from '../../../../client-side/details'
import { defineApi } from '../../../../http/define-api'

export default defineApi(details.keepNote, async ({ db, params: { id }, body, actor, coach }) => {
  await keepSessionNote(db, id, body, actor)
  return findDetails(db, id, coach)
})

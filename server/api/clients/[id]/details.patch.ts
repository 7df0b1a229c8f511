import { details } from '#shared/contract/routes/client-side'
import { changeDetails, findDetails } from '../../../client-side/details'
import { defineApi } from '../../../http/define-api'

export default defineApi(details.change, async ({ db, params: { id }, body, actor, coach }) => {
  await changeDetails(db, id, body, actor)
  return findDetails(db, id, coach)
})

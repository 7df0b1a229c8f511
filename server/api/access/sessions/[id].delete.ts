import { access } from '#shared/contract/routes/access'
import { endSession, findAccess } from '../../../access/people'
import { defineApi } from '../../../http/define-api'

export default defineApi(access.endSession, async ({ db, asking, params: { id } }) => {
  await endSession(db, id)
  return findAccess(db, asking?.session?.id)
})

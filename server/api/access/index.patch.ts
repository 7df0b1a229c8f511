import { access } from '#shared/contract/routes/access'
import { changeAccess, findAccess } from '../../access/people'
import { defineApi } from '../../http/define-api'

export default defineApi(access.change, async ({ db, asking, body }) => {
  await changeAccess(db, body)
  return findAccess(db, asking?.session?.id)
})

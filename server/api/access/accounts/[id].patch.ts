import { access } from '#shared/contract/routes/access'
import { changeAccount, findAccess } from '../../../access/people'
import { defineApi } from '../../../http/define-api'

export default defineApi(access.changeAccount, async ({ db, asking, params: { id }, body }) => {
  await changeAccount(db, id, body)
  return findAccess(db, asking?.session?.id)
})

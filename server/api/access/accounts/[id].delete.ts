import { access } from '#shared/contract/routes/access'
import { findAccess, removeAccount } from '../../../access/people'
import { defineApi } from '../../../http/define-api'

export default defineApi(access.removeAccount, async ({ db, asking, params: { id } }) => {
  await removeAccount(db, id)
  return findAccess(db, asking?.session?.id)
})

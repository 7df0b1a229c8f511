import { access } from '#shared/contract/routes/access'
import { addAccount, findAccess } from '../../../access/people'
import { defineApi } from '../../../http/define-api'

export default defineApi(access.addAccount, async ({ db, asking, body }) => {
  await addAccount(db, body)
  return findAccess(db, asking?.session?.id)
})

import { access } from '#shared/contract/routes/access'
import { meOf, signedIn } from '../../access/me'
import { changeOwnPassword } from '../../access/people'
import { defineApi } from '../../http/define-api'

export default defineApi(access.changePassword, async ({ db, asking, body }) => {
  const { userId, sessionId } = signedIn(asking)
  await changeOwnPassword(db, userId, body, sessionId)
  return meOf(db, asking)
})

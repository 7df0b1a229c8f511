import { access } from '#shared/contract/routes/access'
import { meOf, nameDevice, signedIn } from '../../access/me'
import { defineApi } from '../../http/define-api'

export default defineApi(access.nameDevice, async ({ db, asking, body }) => {
  await nameDevice(db, signedIn(asking).sessionId, body.device)
  return meOf(db, asking)
})

import { access } from '#shared/contract/routes/access'
import { noteEvent } from '../access/events'
import { meOf, whoIs } from '../access/me'
import { signIn } from '../access/sign-in'
import { defineApi } from '../http/define-api'

export default defineApi(access.signIn, async ({ event, db, body }) => {
  const { userId } = await signIn(db, event, body)
  const asking = { actor: await whoIs(db, userId), session: null }
  await noteEvent(db, asking, 'access.signIn')
  return meOf(db, asking)
})

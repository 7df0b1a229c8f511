import { access } from '#shared/contract/routes/access'
import { noteEvent } from '../../access/events'
import { meOf, whoIs } from '../../access/me'
import { addOwner } from '../../access/people'
import { signIn } from '../../access/sign-in'
import { defineApi } from '../../http/define-api'

export default defineApi(access.begin, async ({ event, db, body }) => {
  await addOwner(db, body)
  const { userId } = await signIn(db, event, body)
  const asking = { actor: await whoIs(db, userId), session: null }
  await noteEvent(db, asking, 'access.begin')
  return meOf(db, asking)
})

import { access } from '#shared/contract/routes/access'
import { enter } from '../../access/me'
import { addOwner } from '../../access/people'
import { signIn } from '../../access/sign-in'
import { defineApi } from '../../http/define-api'

export default defineApi(access.begin, async ({ event, db, body }) => {
  await addOwner(db, body)
  return enter(db, () => signIn(db, event, body), 'access.begin')
})

import { access } from '#shared/contract/routes/access'
import { meOf } from '../access/me'
import { signOut } from '../access/sign-in'
import { defineApi } from '../http/define-api'

export default defineApi(access.signOut, async ({ event, db, asking }) => {
  // Nobody signs in here: there is nothing to end.
  if (!asking?.session) return meOf(db, asking)
  await signOut(db, event, asking.session.id)
  return meOf(db, undefined)
})

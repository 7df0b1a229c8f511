import { access } from '#shared/contract/routes/access'
import { enter } from '../access/me'
import { signIn } from '../access/sign-in'
import { defineApi } from '../http/define-api'

export default defineApi(access.signIn, ({ event, db, body }) =>
  enter(db, () => signIn(db, event, body), 'access.signIn'),
)

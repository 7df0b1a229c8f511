import { access } from '#shared/contract/routes/access'
import { enter } from '../access/me'
import { defineApi } from '../http/define-api'

export default defineApi(access.signIn, ({ event, db, body }) =>
  enter(db, event, body, 'access.signIn'),
)

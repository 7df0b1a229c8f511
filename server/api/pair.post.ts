import { access } from '#shared/contract/routes/access'
import { enter } from '../access/me'
import { pair } from '../access/pairing'
import { defineApi } from '../http/define-api'

export default defineApi(access.pair, ({ event, db, body: { code } }) =>
  enter(db, () => pair(db, event, code), 'access.pair'),
)

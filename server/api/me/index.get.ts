import { access } from '#shared/contract/routes/access'
import { meOf } from '../../access/me'
import { defineApi } from '../../http/define-api'

export default defineApi(access.me, ({ db, asking }) => meOf(db, asking))

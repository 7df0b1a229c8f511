import { exchange } from '#shared/contract/routes/exchange'
import { handOut } from '../../exchange/hand-out'
import { defineApi } from '../../http/define-api'

export default defineApi(exchange.everything, ({ event, db, params: { as } }) =>
  handOut(event, db, as),
)

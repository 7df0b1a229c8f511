import { exchange } from '#shared/contract/routes/exchange'
import { listKnown } from '../../exchange/known'
import { defineApi } from '../../http/define-api'

export default defineApi(exchange.known, ({ db }) => listKnown(db))

import { exchange } from '#shared/contract/routes/exchange'
import { listImports } from '../../exchange/undo'
import { defineApi } from '../../http/define-api'

export default defineApi(exchange.imports, ({ db }) => listImports(db))

import { exchange } from '#shared/contract/routes/exchange'
import { listSheetKeys } from '../../exchange/sheet-keys'
import { defineApi } from '../../http/define-api'

export default defineApi(exchange.sheetKeys, ({ db }) => listSheetKeys(db))

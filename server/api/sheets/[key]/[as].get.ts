import { exchange } from '#shared/contract/routes/exchange'
import { handOut } from '../../../exchange/hand-out'
import { mustOpenSheets } from '../../../exchange/sheet-keys'
import { defineApi } from '../../../http/define-api'

export default defineApi(exchange.sheet, async ({ event, db, params: { key, as } }) => {
  await mustOpenSheets(db, event, key)
  return handOut(event, db, as)
})

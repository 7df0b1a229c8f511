import { exchange } from '#shared/contract/routes/exchange'
import { addSheetKey, listSheetKeys } from '../../exchange/sheet-keys'
import { defineApi } from '../../http/define-api'

export default defineApi(exchange.addSheetKey, async ({ db, body }) => {
  const key = await addSheetKey(db, body)
  return { key, keys: await listSheetKeys(db) }
})

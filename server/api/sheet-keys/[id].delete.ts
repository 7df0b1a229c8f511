import { exchange } from '#shared/contract/routes/exchange'
import { listSheetKeys, removeSheetKey } from '../../exchange/sheet-keys'
import { defineApi } from '../../http/define-api'

export default defineApi(exchange.removeSheetKey, async ({ db, params: { id } }) => {
  await removeSheetKey(db, id)
  return listSheetKeys(db)
})

import { exchange } from '#shared/contract/routes/exchange'
import { importOr404, undoImport } from '../../../exchange/undo'
import { defineApi } from '../../../http/define-api'

export default defineApi(exchange.undo, async ({ db, params: { id } }) => {
  await undoImport(db, id)
  return importOr404(db, id)
})

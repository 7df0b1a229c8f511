import { clients } from '#shared/contract/routes/clients'
import { changeClient } from '../../../clients/commands'
import { clientOr404 } from '../../../clients/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(clients.change, async ({ db, params: { id }, body, actor, today }) => {
  await changeClient(db, id, body, { actor, today })
  return clientOr404(db, id)
})

import { clients } from '#shared/contract/routes/clients'
import { addClient } from '../../clients/commands'
import { defineApi } from '../../http/define-api'

export default defineApi(clients.add, ({ db, body, today, asking }) => {
  const { role, personId } = asking!.actor
  return addClient(db, body, today, role === 'coach' ? personId : null)
})

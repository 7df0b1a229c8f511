import { clients } from '#shared/contract/routes/clients'
import { addClient } from '../../clients/commands'
import { defineApi } from '../../http/define-api'

export default defineApi(clients.add, ({ db, body, today }) => addClient(db, body, today))

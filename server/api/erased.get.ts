import { clients } from '#shared/contract/routes/clients'
import { erasedIn } from '../clients/erasures'
import { defineApi } from '../http/define-api'

export default defineApi(clients.erased, async ({ db }) => ({ clientIds: await erasedIn(db) }))

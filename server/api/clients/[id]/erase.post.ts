import { clients } from '#shared/contract/routes/clients'
import { eraseClient } from '../../../clients/erasures'
import { defineApi } from '../../../http/define-api'

/** Erases a client for good, on request. */
export default defineApi(clients.erase, async ({ db, params: { id }, body }) => {
  await eraseClient(db, id, body.name)
  return { erased: id }
})

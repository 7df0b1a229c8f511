import { access } from '#shared/contract/routes/access'
import { findEvents } from '../../../access/people'
import { clientOr404 } from '../../../clients/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(access.seen, async ({ db, params: { id } }) => {
  await clientOr404(db, id)
  return findEvents(db, { client: id, page: 1 })
})

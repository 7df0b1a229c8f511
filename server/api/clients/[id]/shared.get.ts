import { sharing } from '#shared/contract/routes/client-side'
import { findShared } from '../../../client-side/shared'
import { defineApi } from '../../../http/define-api'

export default defineApi(sharing.preview, async ({ event, db, params: { id }, query }) => ({
  story: await findShared(db, event, id, query),
}))

import { my } from '#shared/contract/routes/client-side'
import { findMyPage, ownId } from '../../client-side/my-page'
import { defineApi } from '../../http/define-api'

export default defineApi(my.page, ({ event, db, asking, query }) =>
  findMyPage(db, event, ownId(asking), query),
)

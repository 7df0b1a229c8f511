import { my } from '#shared/contract/routes/client-side'
import { findMyPage, ownId } from '../../../client-side/my-page'
import { keepReport } from '../../../client-side/weekly-reports'
import { defineApi } from '../../../http/define-api'

export default defineApi(my.send, async ({ event, db, asking, body, query }) => {
  const id = ownId(asking)
  await keepReport(db, id, { ...body, way: 'form', message: null })
  return findMyPage(db, event, id, query)
})

import { my } from '#shared/contract/routes/client-side'
import { findMyPage, ownId } from '../../../../client-side/my-page'
import { talkAboutReport } from '../../../../client-side/weekly-reports'
import { defineApi } from '../../../../http/define-api'

export default defineApi(
  my.answer,
  async ({ event, db, asking, params, body: { words }, query }) => {
    const id = ownId(asking)
    await talkAboutReport(db, id, params.id, { by: 'client', words })
    return findMyPage(db, event, id, query)
  },
)

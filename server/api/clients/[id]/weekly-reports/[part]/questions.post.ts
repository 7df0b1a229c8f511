import { weeklyReports } from '#shared/contract/routes/client-side'
import { listWeeklyReports, talkAboutReport } from '../../../../../client-side/weekly-reports'
import { defineApi } from '../../../../../http/define-api'

export default defineApi(
  weeklyReports.ask,
  async ({ db, params: { id, part }, body: { words } }) => {
    await talkAboutReport(db, id, part, { by: 'coach', words })
    return listWeeklyReports(db, id)
  },
)

import { weeklyReports } from '#shared/contract/routes/client-side'
import { decideOnReport, listWeeklyReports } from '../../../../../client-side/weekly-reports'
import { defineApi } from '../../../../../http/define-api'

export default defineApi(
  weeklyReports.decide,
  async ({ db, params: { id, part }, body: { decision }, actor }) => {
    await decideOnReport(db, id, part, { decision, decidedBy: actor })
    return listWeeklyReports(db, id)
  },
)

import { weeklyReports } from '#shared/contract/routes/client-side'
import { keepReport, listWeeklyReports } from '../../../../client-side/weekly-reports'
import { defineApi } from '../../../../http/define-api'

export default defineApi(weeklyReports.add, async ({ db, params: { id }, body }) => {
  await keepReport(db, id, body)
  return listWeeklyReports(db, id)
})

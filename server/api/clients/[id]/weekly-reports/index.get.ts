import { weeklyReports } from '#shared/contract/routes/client-side'
import { listWeeklyReports } from '../../../../client-side/weekly-reports'
import { clientOr404 } from '../../../../clients/queries'
import { defineApi } from '../../../../http/define-api'

export default defineApi(weeklyReports.list, async ({ db, params: { id } }) => {
  await clientOr404(db, id)
  return listWeeklyReports(db, id)
})

import { equationById } from '#core'
import { reports } from '#shared/contract/routes/reports'
import { defineApi } from '../http/define-api'
import { answerWithPaper } from '../reports/answer'
import { sumByAgePage } from '../reports/sum-by-age'

export default defineApi(reports.sumByAge, ({ event, db, query, today }) =>
  answerWithPaper(
    event,
    db,
    { size: query.paper, units: { mass: 'kg', length: 'cm' }, today },
    (paper) => ({ title: equationById(query.equation).name, content: sumByAgePage(query, paper) }),
  ),
)

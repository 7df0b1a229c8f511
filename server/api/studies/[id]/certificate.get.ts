import { studies } from '#shared/contract/routes/studies'
import { defineApi } from '../../../http/define-api'
import { answerWithPaper } from '../../../reports/answer'
import { certificatePage } from '../../../reports/study-page'
import { wholeStudy } from '../../../studies/queries'
import { findGym } from '../../../equipment/queries'

export default defineApi(studies.certificate, ({ event, db, params, query, today }) =>
  answerWithPaper(
    event,
    db,
    { size: query.paper, units: { mass: 'kg', length: 'cm' }, today },
    async (paper) => {
      const study = await wholeStudy(db, params.id)
      return certificatePage(study, await findGym(db, today), paper)
    },
  ),
)

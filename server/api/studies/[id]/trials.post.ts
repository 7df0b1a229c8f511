import { studies } from '#shared/contract/routes/studies'
import { defineApi } from '../../../http/define-api'
import { takeStudyTrial } from '../../../studies/commands'
import { findStudy } from '../../../studies/queries'

export default defineApi(studies.take, async ({ db, params, body, today }) => {
  await takeStudyTrial(db, params.id, body, today)
  return findStudy(db, params.id)
})

import { studies } from '#shared/contract/routes/studies'
import { defineApi } from '../../../http/define-api'
import { endStudy } from '../../../studies/commands'
import { findStudy } from '../../../studies/queries'

export default defineApi(studies.end, async ({ db, params, body }) => {
  await endStudy(db, params.id, body.ended)
  return findStudy(db, params.id)
})

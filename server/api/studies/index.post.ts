import { studies } from '#shared/contract/routes/studies'
import { defineApi } from '../../http/define-api'
import { beginStudy } from '../../studies/commands'
import { findStudy } from '../../studies/queries'

export default defineApi(studies.begin, async ({ db, body, today }) => {
  await beginStudy(db, body, today)
  return findStudy(db, body.id)
})

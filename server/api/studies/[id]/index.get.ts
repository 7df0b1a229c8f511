import { studies } from '#shared/contract/routes/studies'
import { defineApi } from '../../../http/define-api'
import { findStudy } from '../../../studies/queries'

export default defineApi(studies.view, ({ db, params }) => findStudy(db, params.id))

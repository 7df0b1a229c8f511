import { studies } from '#shared/contract/routes/studies'
import { defineApi } from '../../../http/define-api'
import { findTester } from '../../../studies/queries'

export default defineApi(studies.tester, ({ db, params }) => findTester(db, params.id))

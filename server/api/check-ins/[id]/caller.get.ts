import { checkIns } from '#shared/contract/routes/check-ins'
import { findCallerView } from '../../../check-ins/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(checkIns.caller, ({ db, params }) => findCallerView(db, params.id))

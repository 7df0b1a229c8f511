import { checkIns } from '#shared/contract/routes/check-ins'
import { findCheckInView } from '../../../check-ins/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(checkIns.view, ({ db, params, today }) =>
  findCheckInView(db, params.id, today),
)

import { details } from '#shared/contract/routes/client-side'
import { findDetails } from '../../../client-side/details'
import { defineApi } from '../../../http/define-api'

export default defineApi(details.view, ({ db, params: { id }, coach }) =>
  findDetails(db, id, coach),
)

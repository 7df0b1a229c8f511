import { access } from '#shared/contract/routes/access'
import { findAccess } from '../../access/people'
import { defineApi } from '../../http/define-api'

export default defineApi(access.view, ({ db, asking }) => findAccess(db, asking?.session?.id))

import { clients } from '#shared/contract/routes/clients'
import { findRecord } from '../../../clients/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(clients.record, ({ db, params }) => findRecord(db, params.id))

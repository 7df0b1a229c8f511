import { clients } from '#shared/contract/routes/clients'
import { findFile } from '../../../clients/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(clients.file, ({ db, params }) => findFile(db, params.id))

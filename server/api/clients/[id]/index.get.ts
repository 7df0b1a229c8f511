import { clients } from '#shared/contract/routes/clients'
import { clientOr404 } from '../../../clients/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(clients.view, ({ db, params }) => clientOr404(db, params.id))

import { clients } from '#shared/contract/routes/clients'
import { listArchived } from '../clients/queries'
import { defineApi } from '../http/define-api'

export default defineApi(clients.archived, ({ db, coach }) => listArchived(db, coach))

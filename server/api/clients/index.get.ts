import { clients } from '#shared/contract/routes/clients'
import { findRoster } from '../../clients/roster'
import { defineApi } from '../../http/define-api'

export default defineApi(clients.list, ({ db, query, today, coach }) =>
  findRoster(db, query, today, coach),
)

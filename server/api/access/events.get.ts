import { access } from '#shared/contract/routes/access'
import { findEvents } from '../../access/people'
import { defineApi } from '../../http/define-api'

export default defineApi(access.events, ({ db, query }) => findEvents(db, query))

import { sharing } from '#shared/contract/routes/client-side'
import { openLink } from '../access/links'
import { enter } from '../access/me'
import { defineApi } from '../http/define-api'

export default defineApi(sharing.open, ({ event, db, body }) =>
  enter(db, () => openLink(db, event, body), 'sharing.open'),
)

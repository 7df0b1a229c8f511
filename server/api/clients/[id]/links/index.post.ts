import { sharing } from '#shared/contract/routes/client-side'
import { addLink } from '../../../../access/links'
import { defineApi } from '../../../../http/define-api'

export default defineApi(sharing.addLink, ({ db, params: { id }, body, actor }) =>
  addLink(db, id, body, actor),
)

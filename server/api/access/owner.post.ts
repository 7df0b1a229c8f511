import { access } from '#shared/contract/routes/access'
import { enter } from '../../access/me'
import { addOwner } from '../../access/people'
import { defineApi } from '../../http/define-api'

export default defineApi(access.begin, async ({ event, db, body }) => {
  await addOwner(db, body)
  return enter(db, event, body, 'access.begin')
})

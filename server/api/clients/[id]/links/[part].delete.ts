import { sharing } from '#shared/contract/routes/client-side'
import { endLink } from '../../../../access/links'
import { findDetails } from '../../../../client-side/details'
import { defineApi } from '../../../../http/define-api'

export default defineApi(sharing.endLink, async ({ db, params: { id, part }, coach }) => {
  await endLink(db, id, part)
  return findDetails(db, id, coach)
})

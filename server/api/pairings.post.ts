import { access } from '#shared/contract/routes/access'
import { offerPairing } from '../access/pairing'
import { signedIn } from '../access/me'
import { defineApi } from '../http/define-api'

export default defineApi(access.offerPairing, ({ db, asking, body }) => {
  signedIn(asking)
  return offerPairing(db, asking!.actor, body)
})

import { access } from '#shared/contract/routes/access'
import { signedIn } from '../../access/me'
import { defineApi } from '../../http/define-api'
import { closeDoor, openDoor, phonesNow } from '../../network/door'

export default defineApi(access.letPhonesIn, async ({ asking, body: { open } }) => {
  // Without a password of the owner nobody could tell who comes in.
  signedIn(asking)
  if (open) await openDoor()
  else await closeDoor()
  return phonesNow()
})

import { gym } from '#shared/contract/routes/equipment'
import { saveOwnProtocol } from '../../../equipment/commands'
import { findGym } from '../../../equipment/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(gym.keepProtocol, async ({ db, body, today }) => {
  await saveOwnProtocol(db, body)
  return findGym(db, today)
})

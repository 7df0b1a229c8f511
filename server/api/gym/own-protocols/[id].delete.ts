import { gym } from '#shared/contract/routes/equipment'
import { retireOwnProtocol } from '../../../equipment/commands'
import { findGym } from '../../../equipment/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(gym.removeProtocol, async ({ db, params, today }) => {
  await retireOwnProtocol(db, params.id)
  return findGym(db, today)
})

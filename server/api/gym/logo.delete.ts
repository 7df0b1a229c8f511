import { gym } from '#shared/contract/routes/equipment'
import { removeLogo } from '../../equipment/letterhead'
import { findGym } from '../../equipment/queries'
import { defineApi } from '../../http/define-api'

export default defineApi(gym.removeLogo, async ({ db, today }) => {
  await removeLogo(db)
  return findGym(db, today)
})

import { gym } from '#shared/contract/routes/equipment'
import { changeSettings } from '../../equipment/commands'
import { findGym } from '../../equipment/queries'
import { defineApi } from '../../http/define-api'

export default defineApi(gym.change, async ({ db, body, today }) => {
  await changeSettings(db, body)
  return findGym(db, today)
})

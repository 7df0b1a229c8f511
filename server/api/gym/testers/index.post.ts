import { gym } from '#shared/contract/routes/equipment'
import { addTester } from '../../../equipment/commands'
import { findGym } from '../../../equipment/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(gym.addTester, async ({ db, body, today }) => {
  await addTester(db, body)
  return findGym(db, today)
})

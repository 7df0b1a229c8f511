import { gym } from '#shared/contract/routes/equipment'
import { changeTester } from '../../../equipment/commands'
import { findGym } from '../../../equipment/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(gym.changeTester, async ({ db, params, body, today }) => {
  await changeTester(db, params.id, body)
  return findGym(db, today)
})

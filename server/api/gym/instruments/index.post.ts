import { gym } from '#shared/contract/routes/equipment'
import { addInstrument } from '../../../equipment/commands'
import { findGym } from '../../../equipment/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(gym.addInstrument, async ({ db, body, today }) => {
  await addInstrument(db, body)
  return findGym(db, today)
})

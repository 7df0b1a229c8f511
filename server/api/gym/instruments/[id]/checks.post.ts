import { gym } from '#shared/contract/routes/equipment'
import { addInstrumentCheck } from '../../../../equipment/commands'
import { findGym } from '../../../../equipment/queries'
import { defineApi } from '../../../../http/define-api'

export default defineApi(gym.checkInstrument, async ({ db, params, body, today }) => {
  await addInstrumentCheck(db, params.id, body)
  return findGym(db, today)
})

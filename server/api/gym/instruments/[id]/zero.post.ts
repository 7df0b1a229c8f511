import { gym } from '#shared/contract/routes/equipment'
import { addZeroCheck } from '../../../../equipment/commands'
import { findGym } from '../../../../equipment/queries'
import { defineApi } from '../../../../http/define-api'

export default defineApi(gym.zeroInstrument, async ({ db, params, body, today }) => {
  await addZeroCheck(db, params.id, body, today)
  return findGym(db, today)
})

import { gym } from '#shared/contract/routes/equipment'
import { changeInstrument } from '../../../../equipment/commands'
import { findGym } from '../../../../equipment/queries'
import { defineApi } from '../../../../http/define-api'

export default defineApi(gym.changeInstrument, async ({ db, params, body, today }) => {
  await changeInstrument(db, params.id, body)
  return findGym(db, today)
})

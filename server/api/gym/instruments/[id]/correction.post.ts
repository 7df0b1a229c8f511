import { gym } from '#shared/contract/routes/equipment'
import { correctInstrument } from '../../../../equipment/commands'
import { findGym } from '../../../../equipment/queries'
import { defineApi } from '../../../../http/define-api'

export default defineApi(gym.correctInstrument, async ({ db, params, body, today }) => {
  await correctInstrument(db, params.id, body.corrected)
  return findGym(db, today)
})

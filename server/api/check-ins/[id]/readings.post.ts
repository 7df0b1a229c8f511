import { checkIns } from '#shared/contract/routes/check-ins'
import { appendReadings } from '../../../check-ins/readings'
import { announce } from '../../../events/live'
import { defineApi } from '../../../http/define-api'

export default defineApi(checkIns.addReadings, async ({ db, params: { id }, body, actor }) => {
  const receipt = await appendReadings(db, id, body.readings, actor)
  if (receipt.stored.length > 0) announce(db, id)
  return receipt
})

import { voidSchema } from '#shared/check-ins'
import { voidCheckIn } from '../../../repositories/check-ins'
import { findSettings } from '../../../repositories/gym'
import { bodyOf, defineApi, idOf } from '../../../utils/api'
import { checkInOr404 } from '../../../utils/check-in'
import { announce } from '../../../utils/live'

/** Sets a check-in aside with a reason; it stays on record. */
export default defineApi(async (event, db) => {
  const checkIn = await checkInOr404(db, idOf(event))
  const { reason } = await bodyOf(event, voidSchema)
  await voidCheckIn(db, checkIn, reason, (await findSettings(db)).testerId)
  announce(checkIn.id)
  return checkInOr404(db, checkIn.id)
})

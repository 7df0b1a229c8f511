import { voidCheckIn } from '../../../repositories/check-ins'
import { findSettings } from '../../../repositories/gym'
import { defineApi, idOf } from '../../../utils/api'
import { checkInOr404 } from '../../../utils/check-in'

/** Takes a voided check-in back. */
export default defineApi(async (event, db) => {
  const checkIn = await checkInOr404(db, idOf(event))
  await voidCheckIn(db, checkIn, null, (await findSettings(db)).testerId)
  return checkInOr404(db, checkIn.id)
})

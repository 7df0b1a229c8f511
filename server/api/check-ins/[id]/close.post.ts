import { closeCheckIn } from '../../../repositories/check-ins'
import { defineApi, idOf } from '../../../utils/api'
import { checkInOr404 } from '../../../utils/check-in'
import { announce } from '../../../utils/live'

export default defineApi(async (event, db) => {
  const { id } = await checkInOr404(db, idOf(event))
  await closeCheckIn(db, id, new Date())
  announce(id)
  return checkInOr404(db, id)
})

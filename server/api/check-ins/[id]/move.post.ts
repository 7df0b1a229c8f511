import { moveSchema } from '#shared/check-ins'
import { moveCheckIn } from '../../../repositories/check-ins'
import { findSettings } from '../../../repositories/gym'
import { bodyOf, Conflict, defineApi, idOf } from '../../../utils/api'
import { checkInOr404, clientOr404 } from '../../../utils/check-in'

/** Moves a check-in that was taken under the wrong name. */
export default defineApi(async (event, db) => {
  const checkIn = await checkInOr404(db, idOf(event))
  const to = await bodyOf(event, moveSchema)
  const { id, name } = await clientOr404(db, to.clientId)
  if (id === checkIn.clientId) throw new Conflict(`This check-in is ${name}’s already.`)
  await moveCheckIn(db, checkIn, to, (await findSettings(db)).testerId)
  return checkInOr404(db, checkIn.id)
})

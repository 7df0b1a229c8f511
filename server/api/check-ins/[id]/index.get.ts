import type { CheckInView } from '#shared/check-ins'
import { listCheckIns } from '../../../repositories/check-ins'
import { findScreening, listMarks } from '../../../repositories/clients'
import { findGym, findHand } from '../../../repositories/gym'
import { defineApi, idOf } from '../../../utils/api'
import { checkInOr404, clientOr404 } from '../../../utils/check-in'
import { todayHere } from '../../../utils/today'

export default defineApi(async (event, db): Promise<CheckInView> => {
  const checkIn = await checkInOr404(db, idOf(event))
  const client = await clientOr404(db, checkIn.clientId)
  const all = await listCheckIns(db, client.id)
  const mine = all.findIndex(({ id }) => id === checkIn.id)
  return {
    checkIn,
    client,
    earlier: all.slice(mine + 1).filter((c) => c.closedAt !== null && c.voided === null),
    screening: await findScreening(db, client.id),
    marks: await listMarks(db, client.id),
    gym: await findGym(db, todayHere()),
    hand: await findHand(db, checkIn),
  }
})

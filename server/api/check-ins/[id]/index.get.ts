import type { CheckInView } from '#shared/check-ins'
import { listCheckIns } from '../../../repositories/check-ins'
import { findClient } from '../../../repositories/clients'
import { defineApi, idOf } from '../../../utils/api'
import { checkInOr404 } from '../../../utils/check-in'

export default defineApi(async (event, db): Promise<CheckInView> => {
  const checkIn = await checkInOr404(db, idOf(event))
  const client = (await findClient(db, checkIn.clientId))!
  const all = await listCheckIns(db, client.id)
  const mine = all.findIndex(({ id }) => id === checkIn.id)
  return {
    checkIn,
    client,
    earlier: all.slice(mine + 1).filter(({ closedAt }) => closedAt !== null),
  }
})

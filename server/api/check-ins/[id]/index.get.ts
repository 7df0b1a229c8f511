import type { CheckInView } from '#shared/check-ins'
import { clientOf, listCheckIns } from '../../../repositories/check-ins'
import { findScreening, listSiteNotes } from '../../../repositories/clients'
import { findGym, findMeasurementSetup } from '../../../repositories/gym'
import { defineApi, idOf, NotFound } from '../../../utils/api'
import { clientOr404 } from '../../../utils/check-in'
import { todayHere } from '../../../utils/today'

export default defineApi(async (event, db): Promise<CheckInView> => {
  const id = idOf(event)
  const clientId = await clientOf(db, id)
  if (!clientId) throw new NotFound('No such check-in.')
  const client = await clientOr404(db, clientId)
  const all = await listCheckIns(db, clientId)
  const mine = all.findIndex((c) => c.id === id)
  const checkIn = all[mine]!
  return {
    checkIn,
    client,
    earlier: all.slice(mine + 1).filter((c) => c.closedAt !== null && c.voided === null),
    screening: await findScreening(db, client.id),
    siteNotes: await listSiteNotes(db, client.id),
    gym: await findGym(db, todayHere()),
    setup: await findMeasurementSetup(db, checkIn),
  }
})

import { setResponseStatus } from 'h3'
import { newCheckInSchema } from '#shared/check-ins'
import { startCheckIn } from '../../repositories/check-ins'
import { findClient } from '../../repositories/clients'
import { furnitureInUse } from '../../repositories/furniture'
import { bodyOf, defineApi, NotFound } from '../../utils/api'

export default defineApi(async (event, db) => {
  const start = await bodyOf(event, newCheckInSchema)
  if (!(await findClient(db, start.clientId))) throw new NotFound('No such client.')
  const { coach, ...instruments } = await furnitureInUse(db)
  const checkIn = await startCheckIn(db, start, { coachId: coach.id, ...instruments })
  setResponseStatus(event, 201)
  return checkIn
})

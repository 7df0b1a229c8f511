import { setResponseStatus } from 'h3'
import { newCheckInSchema } from '#shared/check-ins'
import { startCheckIn } from '../../repositories/check-ins'
import { bodyOf, defineApi, NotFound } from '../../utils/api'
import { checkInOr404, clientOr404 } from '../../utils/check-in'

export default defineApi(async (event, db) => {
  const start = await bodyOf(event, newCheckInSchema)
  await clientOr404(db, start.clientId)
  const id = await startCheckIn(db, start)
  if (!id) throw new NotFound(`Protocol: there is no set “${start.protocolId}”.`)
  setResponseStatus(event, 201)
  return checkInOr404(db, id)
})

import { checkInChangeSchema } from '#shared/check-ins'
import { changeCheckIn } from '../../../repositories/check-ins'
import { equipmentExists, findProtocol } from '../../../repositories/gym'
import { bodyOf, defineApi, idOf, NotFound } from '../../../utils/api'
import { checkInOr404 } from '../../../utils/check-in'
import { announce } from '../../../utils/live'

export default defineApi(async (event, db) => {
  const { id } = await checkInOr404(db, idOf(event))
  const change = await bodyOf(event, checkInChangeSchema)
  if (!(await equipmentExists(db, change))) throw new NotFound('No such tester or instrument.')
  const protocol =
    change.protocolId === undefined ? undefined : await findProtocol(db, change.protocolId)
  if (change.protocolId !== undefined && !protocol) {
    throw new NotFound(`Protocol: there is no set “${change.protocolId}”.`)
  }
  await changeCheckIn(db, id, change, protocol?.ownProtocol)
  announce(id)
  return checkInOr404(db, id)
})

import { settingsChangeSchema } from '#shared/gym'
import { equipmentExists, changeSettings, findGym, findProtocol } from '../../repositories/gym'
import { bodyOf, defineApi, NotFound } from '../../utils/api'
import { todayHere } from '../../utils/today'

export default defineApi(async (event, db) => {
  const change = await bodyOf(event, settingsChangeSchema)
  const { testerId, ...tools } = change
  if (!(await equipmentExists(db, { ...tools, testerId: testerId ?? undefined }))) {
    throw new NotFound('No such tester or instrument.')
  }
  if (change.defaultProtocolId && !(await findProtocol(db, change.defaultProtocolId))) {
    throw new NotFound(`Protocol: there is no set “${change.defaultProtocolId}”.`)
  }
  await changeSettings(db, change)
  return findGym(db, todayHere())
})

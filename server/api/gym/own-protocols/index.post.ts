import { ownProtocolSchema } from '#shared/gym'
import { findGym, saveOwnProtocol } from '../../../repositories/gym'
import { bodyOf, defineApi } from '../../../utils/api'
import { todayHere } from '../../../utils/today'

export default defineApi(async (event, db) => {
  await saveOwnProtocol(db, await bodyOf(event, ownProtocolSchema))
  return findGym(db, todayHere())
})

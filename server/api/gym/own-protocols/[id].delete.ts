import { getRouterParam } from 'h3'
import { findGym, retireOwnProtocol } from '../../../repositories/gym'
import { defineApi } from '../../../utils/api'
import { todayHere } from '../../../utils/today'

export default defineApi(async (event, db) => {
  await retireOwnProtocol(db, getRouterParam(event, 'id') ?? '')
  return findGym(db, todayHere())
})

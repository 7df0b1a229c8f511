import { setResponseStatus } from 'h3'
import { newClientSchema } from '#shared/clients'
import { addClient } from '../../repositories/clients'
import { bodyOf, defineApi } from '../../utils/api'
import { todayHere } from '../../utils/today'

export default defineApi(async (event, db) => {
  const today = todayHere()
  const client = await addClient(db, await bodyOf(event, newClientSchema(today)), today)
  setResponseStatus(event, 201)
  return client
})

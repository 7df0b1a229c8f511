import type { ClientView } from '#shared/check-ins'
import { listCheckIns } from '../../repositories/check-ins'
import { findClient } from '../../repositories/clients'
import { defineApi, idOf, NotFound } from '../../utils/api'

export default defineApi(async (event, db): Promise<ClientView> => {
  const id = idOf(event)
  const client = await findClient(db, id)
  if (!client) throw new NotFound('No such client.')
  return { client, checkIns: await listCheckIns(db, id) }
})

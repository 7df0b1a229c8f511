import { eraseSchema } from '#shared/clients'
import { eraseClient } from '../../../repositories/clients'
import { bodyOf, Conflict, defineApi, idOf } from '../../../utils/api'
import { clientOr404 } from '../../../utils/check-in'

/** Erases a client for good, on request; the name is given once more. */
export default defineApi(async (event, db) => {
  const { id, name } = await clientOr404(db, idOf(event))
  const given = await bodyOf(event, eraseSchema)
  if (given.name.trim() !== name) {
    throw new Conflict(`Name: got “${given.name}”. Accepted: ${name}, the client to be erased.`)
  }
  await eraseClient(db, id)
  return { erased: id }
})

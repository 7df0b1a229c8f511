import { eraseSchema } from '#shared/clients'
import { eraseClient } from '../../../repositories/clients'
import { listPhotos } from '../../../repositories/tracking'
import { bodyOf, Conflict, defineApi, idOf } from '../../../utils/api'
import { clientOr404 } from '../../../utils/check-in'
import { deletePhotos } from '../../../utils/photo-files'

/** Erases a client for good, on request; the name is given once more. */
export default defineApi(async (event, db) => {
  const { id, name } = await clientOr404(db, idOf(event))
  const given = await bodyOf(event, eraseSchema)
  if (given.name !== name) {
    throw new Conflict(`Name: got “${given.name}”. Accepted: ${name}, the client to be erased.`)
  }
  const pictures = (await listPhotos(db, id)).map((photo) => photo.id)
  await eraseClient(db, id)
  await deletePhotos(pictures)
  return { erased: id }
})

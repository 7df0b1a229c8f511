import { findPhoto, listPhotos, removePhoto } from '../../../repositories/tracking'
import { defineApi, idOf, NotFound } from '../../../utils/api'
import { deletePhotos } from '../../../utils/photo-files'

/** Deletes a photo for good, its file too. */
export default defineApi(async (event, db) => {
  const photo = await findPhoto(db, idOf(event))
  if (!photo) throw new NotFound('No such photo.')
  await removePhoto(db, photo.id)
  await deletePhotos([photo.id])
  return listPhotos(db, photo.clientId)
})

import { photoPointsSchema } from '#shared/tracking'
import { findPhoto, listPhotos, setPhotoPoints } from '../../../repositories/tracking'
import { bodyOf, defineApi, idOf, NotFound } from '../../../utils/api'

/** Keeps where crown and floor are. */
export default defineApi(async (event, db) => {
  const photo = await findPhoto(db, idOf(event))
  if (!photo) throw new NotFound('No such photo.')
  await setPhotoPoints(db, photo.id, await bodyOf(event, photoPointsSchema))
  return listPhotos(db, photo.clientId)
})

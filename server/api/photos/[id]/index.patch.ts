import { photos } from '#shared/contract/routes/photos'
import { setPhotoPoints } from '../../../photos/commands'
import { listPhotos } from '../../../photos/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(photos.setPoints, async ({ db, params: { id }, body }) => {
  const { clientId } = await setPhotoPoints(db, id, body)
  return listPhotos(db, clientId)
})

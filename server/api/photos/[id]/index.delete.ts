import { photos } from '#shared/contract/routes/photos'
import { removePhoto } from '../../../photos/commands'
import { listPhotos } from '../../../photos/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(photos.remove, async ({ db, params: { id } }) => {
  const { clientId } = await removePhoto(db, id)
  return listPhotos(db, clientId)
})

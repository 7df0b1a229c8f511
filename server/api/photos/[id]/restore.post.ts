import { photos } from '#shared/contract/routes/photos'
import { restorePhoto } from '../../../photos/commands'
import { listPhotos } from '../../../photos/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(photos.restore, async ({ db, params: { id } }) => {
  const { clientId } = await restorePhoto(db, id)
  return listPhotos(db, clientId)
})

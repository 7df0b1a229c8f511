import { photos } from '#shared/contract/routes/photos'
import { clientOr404 } from '../../../../clients/queries'
import { addPhoto } from '../../../../photos/commands'
import { listPhotos } from '../../../../photos/queries'
import { defineApi } from '../../../../http/define-api'

export default defineApi(photos.add, async ({ db, params: { id }, query, file }) => {
  await clientOr404(db, id)
  await addPhoto(db, id, query, file)
  return listPhotos(db, id)
})

import { photos } from '#shared/contract/routes/photos'
import { clientOr404 } from '../../../../clients/queries'
import { listPhotos } from '../../../../photos/queries'
import { defineApi } from '../../../../http/define-api'

export default defineApi(photos.list, async ({ db, params: { id } }) => {
  await clientOr404(db, id)
  return listPhotos(db, id)
})

import { photos } from '#shared/contract/routes/photos'
import { clientOr404 } from '../../../../clients/queries'
import { addPhoto } from '../../../../photos/commands'
import { listPhotos } from '../../../../photos/queries'
import { joined } from '../../../../http/body'
import { defineApi } from '../../../../http/define-api'

export default defineApi(photos.add, async ({ db, params: { id }, query, file }) => {
  await clientOr404(db, id)
  await addPhoto(db, id, query, { type: file.type, bytes: await joined(file.parts) })
  return listPhotos(db, id)
})

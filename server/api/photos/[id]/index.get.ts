import { say } from '#core'
import { setResponseHeaders } from 'h3'
import { photos } from '#shared/contract/routes/photos'
import { readPhoto } from '../../../files/photos'
import { defineApi } from '../../../http/define-api'
import { notFound } from '../../../http/errors'
import { photoOr404 } from '../../../photos/queries'

export default defineApi(photos.picture, async ({ event, db, params: { id } }) => {
  const photo = await photoOr404(db, id)
  const bytes = await readPhoto(db, photo.id)
  if (!bytes) throw notFound(say('api.picturePhotoGone'))
  setResponseHeaders(event, {
    'content-type': photo.type,
    'cache-control': 'private, no-store',
    'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
    'cross-origin-resource-policy': 'same-origin',
    'x-content-type-options': 'nosniff',
  })
  return bytes
})

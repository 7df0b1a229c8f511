import { say } from '#core'
import { photos } from '#shared/contract/routes/photos'
import { readPhoto } from '../../../files/photos'
import { defineApi } from '../../../http/define-api'
import { notFound } from '../../../http/errors'
import { answerPicture } from '../../../http/picture'
import { photoOr404 } from '../../../photos/queries'

export default defineApi(photos.picture, async ({ event, db, params: { id } }) => {
  const photo = await photoOr404(db, id)
  const bytes = await readPhoto(db, photo.id)
  if (!bytes) throw notFound(say('api.picturePhotoGone'))
  answerPicture(event, photo.type)
  return bytes
})

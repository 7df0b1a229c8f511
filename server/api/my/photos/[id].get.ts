import { say } from '#core'
import { my } from '#shared/contract/routes/client-side'
import { ownId } from '../../../client-side/my-page'
import { readPhoto } from '../../../files/photos'
import { defineApi } from '../../../http/define-api'
import { notFound } from '../../../http/errors'
import { answerPicture } from '../../../http/picture'
import { photoOr404 } from '../../../photos/queries'

export default defineApi(my.photo, async ({ event, db, asking, params: { id } }) => {
  const photo = await photoOr404(db, id)
  // Somebody else's is not there.
  if (photo.clientId !== ownId(asking)) throw notFound(say('api.suchPhoto'))
  const bytes = await readPhoto(db, photo.id)
  if (!bytes) throw notFound(say('api.picturePhotoGone'))
  answerPicture(event, photo.type)
  return bytes
})

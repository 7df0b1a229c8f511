import { randomUUID } from 'node:crypto'
import { getHeader, getQuery, readRawBody } from 'h3'
import { inputError, withoutMetadata, type PictureType } from '#core'
import { LARGEST_PHOTO_BYTES, newPhotoSchema, PHOTO_TYPES } from '#shared/tracking'
import { addPhoto, listPhotos } from '../../../../repositories/tracking'
import { defineApi, idOf } from '../../../../utils/api'
import { clientOr404 } from '../../../../utils/check-in'
import { deletePhotos, writePhoto } from '../../../../utils/photo-files'

/** Keeps a picture, freed of its metadata once more: the browser has done so already, but nobody has to trust it. */
export default defineApi(async (event, db) => {
  const { id: clientId } = await clientOr404(db, idOf(event))
  const photo = newPhotoSchema.parse(getQuery(event))
  const type = getHeader(event, 'content-type') ?? ''
  const bytes = await readRawBody(event, false)
  if (!bytes || !PHOTO_TYPES.some((t) => t === type) || bytes.length > LARGEST_PHOTO_BYTES) {
    throw inputError(
      'photo',
      'impossible',
      'Photo',
      `${type || 'no type'}, ${bytes?.length ?? 0} bytes`,
      `${PHOTO_TYPES.join(', ')} of up to ${LARGEST_PHOTO_BYTES / 1e6} MB`,
    )
  }
  const id = randomUUID()
  await writePhoto(id, withoutMetadata(bytes, type as PictureType))
  await deletePhotos(await addPhoto(db, clientId, { ...photo, id, type }))
  return listPhotos(db, clientId)
})

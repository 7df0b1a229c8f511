import { setResponseHeaders } from 'h3'
import { findPhoto } from '../../../repositories/tracking'
import { defineApi, idOf, NotFound } from '../../../utils/api'
import { readPhoto } from '../../../utils/photo-files'

export default defineApi(async (event, db) => {
  const photo = await findPhoto(db, idOf(event))
  const bytes = photo && (await readPhoto(photo.id))
  if (!photo || !bytes) throw new NotFound('No such photo.')
  setResponseHeaders(event, {
    'content-type': photo.type,
    'cache-control': 'private, no-store',
    'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
    'x-content-type-options': 'nosniff',
  })
  return bytes
})

import { and, eq } from 'drizzle-orm'
import { withoutMetadata, type PictureType } from '#core'
import type { NewPhoto, PhotoPoint } from '#shared/contract/photos'
import type { Database } from '../database/driver'
import { photos } from '../database/schema'
import { deletePhotos, writePhoto } from '../files/photos'
import { conflict } from '../http/errors'
import { photoOr404 } from './queries'

/**
 * Keeps a picture, freed of its metadata once more: the browser has done so already, but nobody has to trust it. A
 * picture of that view and day takes the place of one that is there; the same id again keeps it once.
 */
export async function addPhoto(
  db: Database,
  clientId: string,
  photo: NewPhoto,
  { bytes, type }: { bytes: Uint8Array; type: string },
): Promise<void> {
  const picture = withoutMetadata(bytes, type as PictureType, photo)
  const replaced = await db.transaction(async (tx) => {
    const [there] = await tx.select().from(photos).where(eq(photos.id, photo.id))
    if (there) {
      if (there.clientId !== clientId)
        throw conflict('Id: belongs to another photo.', 'id-taken', 'id')
      return undefined
    }
    // The file first: a row never speaks of a picture that is not there.
    await writePhoto(photo.id, picture)
    const old = await tx
      .delete(photos)
      .where(
        and(
          eq(photos.clientId, clientId),
          eq(photos.view, photo.view),
          eq(photos.takenOn, photo.takenOn),
        ),
      )
      .returning()
    await tx.insert(photos).values({ clientId, ...photo, type })
    return old.map(({ id }) => id)
  })
  if (replaced) await deletePhotos(replaced)
}

/** Keeps where crown and ground are. */
export async function setPhotoPoints(
  db: Database,
  id: string,
  points: { crown: PhotoPoint | null; groundPoint: PhotoPoint | null },
): Promise<{ clientId: string }> {
  const photo = await photoOr404(db, id)
  await db.update(photos).set(points).where(eq(photos.id, id))
  return photo
}

/** Deletes a photo for good, its file too. */
export async function removePhoto(db: Database, id: string): Promise<{ clientId: string }> {
  const photo = await photoOr404(db, id)
  await db.delete(photos).where(eq(photos.id, id))
  await deletePhotos([id])
  return photo
}

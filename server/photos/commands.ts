import { eq, lt } from 'drizzle-orm'
import { withoutMetadata, type PictureType, say } from '#core'
import type { NewPhoto, PhotoPoint } from '#shared/contract/photos'
import type { Database } from '../database/driver'
import { photos } from '../database/schema'
import { deletePhotos, writePhoto } from '../files/photos'
import { conflict, notFound } from '../http/errors'
import { photoOr404 } from './queries'

/**
 * Keeps a picture, freed of its metadata once more: the browser has done so already, but nobody has to trust it. There
 * may be several of a view and day; the same id again keeps it once.
 */
export async function addPhoto(
  db: Database,
  clientId: string,
  photo: NewPhoto & { reportId?: string },
  { bytes, type }: { bytes: Uint8Array; type: string },
): Promise<void> {
  const picture = withoutMetadata(bytes, type as PictureType, photo)
  const [there] = await db.select().from(photos).where(eq(photos.id, photo.id))
  if (there && there.clientId !== clientId) {
    throw conflict(say('api.idBelongsAnotherPhoto'), 'id-taken', 'id')
  }
  if (there) return
  // The file first: a row never speaks of a picture that is not there.
  await writePhoto(db, photo.id, picture)
  await db
    .insert(photos)
    .values({ clientId, ...photo, type })
    .onConflictDoNothing()
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

/** How long a deleted photo can be had back. The screen offers it for ten seconds; a slow line may add to that. */
const GRACE_MS = 60_000

/** Deletes a photo. It can be had back for a minute; then it goes for good, its file too. */
export async function removePhoto(db: Database, id: string): Promise<{ clientId: string }> {
  const photo = await photoOr404(db, id)
  await db.update(photos).set({ deletedAt: new Date() }).where(eq(photos.id, id))
  setTimeout(() => void purgePhotos(db).catch(() => {}), GRACE_MS + 1000).unref()
  return photo
}

/** Has a photo back that was just deleted; one that is there stays as it is. */
export async function restorePhoto(db: Database, id: string): Promise<{ clientId: string }> {
  const [photo] = await db
    .update(photos)
    .set({ deletedAt: null })
    .where(eq(photos.id, id))
    .returning({ clientId: photos.clientId })
  if (!photo) throw notFound(say('api.photoGoneGood'))
  return photo
}

/**
 * Takes what was deleted out of the record and off the disk, once it can no longer be had back. Run with every start as
 * well: a server that was stopped within the minute finishes what it began.
 */
export async function purgePhotos(db: Database, now = Date.now()): Promise<void> {
  const gone = await db
    .delete(photos)
    .where(lt(photos.deletedAt, new Date(now - GRACE_MS)))
    .returning({ id: photos.id })
  await deletePhotos(
    db,
    gone.map(({ id }) => id),
  )
}

/** The ids of all photos on record, those that can still be had back among them. */
export async function keptPhotoIds(db: Database): Promise<Set<string>> {
  const rows = await db.select({ id: photos.id }).from(photos)
  return new Set(rows.map(({ id }) => id))
}

import { randomUUID } from 'node:crypto'
import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm'
import type { TypedWeighIn, WeighIn } from '#core'
import type { ClientNote, ClientNoteForm, NewPhoto, Photo, PhotoPoint } from '#shared/tracking'
import type { Database } from '../database/open'
import { clientNotes, photos, weighIns } from '../database/schema'

/** A client's weigh-ins in force, oldest first. */
export async function listWeighIns(db: Database, clientId: string): Promise<WeighIn[]> {
  const latest = await db
    .selectDistinctOn([weighIns.date], { date: weighIns.date, kg: weighIns.kg })
    .from(weighIns)
    .where(eq(weighIns.clientId, clientId))
    .orderBy(asc(weighIns.date), desc(weighIns.position))
  return latest.flatMap(({ date, kg }) => (kg === null ? [] : [{ date, kg }]))
}

/** Keeps weigh-ins; one of a day that has one already stands in its place, and the old one stays on record. */
export async function addWeighIns(
  db: Database,
  clientId: string,
  taken: readonly TypedWeighIn[],
): Promise<void> {
  if (taken.length === 0) return
  await db.insert(weighIns).values(
    taken.map(({ date, kg, typed }) => ({
      ...{ id: randomUUID(), clientId, date, kg },
      ...{ unit: typed.unit, typed: typed.text },
    })),
  )
}

/** Takes a weigh-in back; the row stays on record. */
export async function takeBackWeighIn(db: Database, clientId: string, date: string): Promise<void> {
  await db
    .insert(weighIns)
    .values({ id: randomUUID(), clientId, date, kg: null, unit: '', typed: '' })
}

/** What happened to a client, oldest first. */
export async function listClientNotes(db: Database, clientId: string): Promise<ClientNote[]> {
  return db
    .select({
      id: clientNotes.id,
      date: clientNotes.date,
      kind: clientNotes.kind,
      words: clientNotes.words,
    })
    .from(clientNotes)
    .where(and(eq(clientNotes.clientId, clientId), isNull(clientNotes.removedAt)))
    .orderBy(asc(clientNotes.date), asc(clientNotes.storedAt))
}

export async function addClientNote(db: Database, clientId: string, event: ClientNoteForm) {
  await db.insert(clientNotes).values({ id: randomUUID(), clientId, ...event })
}

/** @returns false where the client has no such event */
export async function removeClientNote(db: Database, clientId: string, id: string) {
  const removed = await db
    .update(clientNotes)
    .set({ removedAt: new Date() })
    .where(and(eq(clientNotes.clientId, clientId), eq(clientNotes.id, id)))
    .returning()
  return removed.length > 0
}

const photoColumns = {
  id: photos.id,
  view: photos.view,
  takenOn: photos.takenOn,
  width: photos.width,
  height: photos.height,
  crown: photos.crown,
  floor: photos.floor,
}

/** A client's photos, latest first. */
export async function listPhotos(db: Database, clientId: string): Promise<Photo[]> {
  return db
    .select(photoColumns)
    .from(photos)
    .where(eq(photos.clientId, clientId))
    .orderBy(desc(photos.takenOn), sql`array_position(array['front', 'side', 'back'], view)`)
}

/** A photo of that view and day takes the place of one that is there. @returns the ids of those it replaces */
export async function addPhoto(
  db: Database,
  clientId: string,
  photo: NewPhoto & { id: string; type: string; crown?: PhotoPoint; floor?: PhotoPoint },
): Promise<string[]> {
  return db.transaction(async (tx) => {
    const replaced = await tx
      .delete(photos)
      .where(
        and(
          eq(photos.clientId, clientId),
          eq(photos.view, photo.view),
          eq(photos.takenOn, photo.takenOn),
        ),
      )
      .returning()
    await tx.insert(photos).values({ clientId, ...photo })
    return replaced.map(({ id }) => id)
  })
}

/** The type and owner of a photo, or undefined. */
export async function findPhoto(db: Database, id: string) {
  const [row] = await db
    .select({ ...photoColumns, type: photos.type, clientId: photos.clientId })
    .from(photos)
    .where(eq(photos.id, id))
  return row
}

export async function setPhotoPoints(
  db: Database,
  id: string,
  points: { crown: PhotoPoint | null; floor: PhotoPoint | null },
): Promise<void> {
  await db.update(photos).set(points).where(eq(photos.id, id))
}

export async function removePhoto(db: Database, id: string): Promise<void> {
  await db.delete(photos).where(eq(photos.id, id))
}

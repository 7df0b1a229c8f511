import { say } from '#core'
import { and, eq, sql } from 'drizzle-orm'
import type { ClientNoteForm } from '#shared/contract/notes'
import type { Database } from '../database/driver'
import { clientNotes } from '../database/schema'
import { notFound } from '../http/errors'

/** Keeps a note on the time axis; the same id again keeps it once. */
export async function addNote(db: Database, clientId: string, note: ClientNoteForm): Promise<void> {
  await db
    .insert(clientNotes)
    .values({ clientId, ...note })
    .onConflictDoNothing()
}

/** Takes a note away; it stays on record, and taking it away twice is the same. */
export async function removeNote(db: Database, clientId: string, id: string): Promise<void> {
  const removed = await db
    .update(clientNotes)
    .set({ removedAt: sql`coalesce(${clientNotes.removedAt}, now())` })
    .where(and(eq(clientNotes.clientId, clientId), eq(clientNotes.id, id)))
    .returning()
  if (removed.length === 0) throw notFound(say('api.suchNote'))
}

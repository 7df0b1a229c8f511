import { sql } from 'drizzle-orm'
import type { ClientNote } from '#shared/contract/notes'
import type { Connection } from '../database/driver'
import { jsonOf, listOf } from '../database/json'

/** What happened to a client as JSON, oldest first. */
export const notesJson = (clientId: string) =>
  listOf(
    sql`json_build_object('id', n.id, 'date', n.date, 'kind', n.kind, 'words', n.words)`,
    sql`from client_notes n where n.client_id = ${clientId} and n.removed_at is null`,
    sql`n.date, n.stored_at`,
  )

export const listNotes = (db: Connection, clientId: string): Promise<ClientNote[]> =>
  jsonOf(db, notesJson(clientId))

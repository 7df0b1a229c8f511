import { eq, isNull, sql } from 'drizzle-orm'
import { plainName, say } from '#core'
import { folderOf, isShared, type Connection, type Database } from '../database/driver'
import { clients, erasures, photos } from '../database/schema'
import { removeAsides } from '../database/record-folder'
import { deletePhotos } from '../files/photos'
import { conflict } from '../http/errors'
import { clientOr404 } from './queries'

/*
 * Deleted for good means that nothing is left to be read: no row, no free page of a table, no log of the database, no
 * picture, no mention in somebody else's history. The row of the erasure is written with the deletion itself, so that a
 * start finishes what a stop left half done.
 */

/** Erases a client and everything that hangs on them, for good; the name is given once more. */
export async function eraseClient(db: Database, id: string, name: string): Promise<void> {
  const client = await clientOr404(db, id)
  if (plainName(client.name) !== plainName(name)) {
    throw conflict(
      say('api.typeNameClientDeletedGot', { name: client.name, name2: name }),
      'other-name',
      'name',
    )
  }
  await db.transaction(async (tx) => {
    const rows = await tx.select({ id: photos.id }).from(photos).where(eq(photos.clientId, id))
    const photoIds = rows.map((photo) => photo.id)
    await tx.insert(erasures).values({ clientId: id, photoIds }).onConflictDoNothing()
    await forgetMentions(tx, id, client.name)
    await tx.delete(clients).where(eq(clients.id, id))
  })
  await finishErasures(db)
}

/** What stands where a name stood. */
const FORGOTTEN = '(…)'

/** Free words of others, in which a name may stand. */
const WORDS: readonly (readonly [table: string, column: string, type?: 'jsonb'])[] = [
  ['audit_log', 'reason'],
  ['check_ins', 'void_reason'],
  ['check_in_conditions', 'value'],
  ['client_notes', 'words'],
  ['site_notes', 'text'],
  ['session_notes', 'words'],
  ['appointments', 'words'],
  ['client_details', 'goal'],
  ['imports', 'file_name'],
  // What an import left out is told of rows, and may name whose they were.
  ['imports', 'left_out', 'jsonb'],
  ['other_results', 'device'],
  ['other_results', 'conditions'],
  // Who was measured in a study is written down by hand.
  ['studies', 'subjects', 'jsonb'],
]

/** Takes a client's name out of what was written about others. */
async function forgetMentions(tx: Connection, id: string, name: string): Promise<void> {
  // The history is append-only for everything but this.
  const history = (state: 'disable' | 'enable') =>
    tx.execute(sql.raw(`alter table audit_log ${state} trigger audit_log_append_only`))
  await history('disable')
  // Why a check-in changed hands may name them in any way.
  await tx.execute(sql`update audit_log set reason = ${FORGOTTEN} where field = 'client' and reason is not null
    and check_in_id in (select check_in_id from audit_log where client_id = ${id} and field = 'client')`)
  const parts = name.split(/\s+/).map((part) => part.replace(/[\\^$.|?*+()[\]{}]/g, '\\$&'))
  const pattern = `(?<!\\w)${parts.join('\\s+')}(?!\\w)`
  for (const [table, column, type = 'text'] of WORDS) {
    const words = sql`${sql.identifier(column)}::text`
    await tx.execute(
      sql`update ${sql.identifier(table)} set ${sql.identifier(column)} = regexp_replace(${words}, ${pattern}, ${FORGOTTEN}, 'gi')::${sql.raw(type)} where ${words} ~* ${pattern}`,
    )
  }
  await history('enable')
}

/**
 * Takes off the disk what erased clients left behind in files: their pictures, the free pages of the tables, what the
 * planner of queries remembers of their values, and the log.
 */
export async function finishErasures(db: Database): Promise<void> {
  const open = await db.select().from(erasures).where(isNull(erasures.finishedAt))
  if (open.length === 0) return
  await deletePhotos(
    db,
    open.flatMap(({ photoIds }) => photoIds),
  )
  // What restores have put aside holds them as well.
  const folder = folderOf(db)
  if (folder) removeAsides(folder)
  const { rows } = await db.execute<{ name: string }>(
    sql`select c.oid::regclass::text as name from pg_class c where c.relkind = 'r' and c.relnamespace in ('public'::regnamespace, 'access'::regnamespace)`,
  )
  await db.execute(sql`analyze`)
  const tables = rows.map(({ name }) => name)
  // A server's own tables and log are its keeper's: docs/running-on-a-server.md says what is left to them.
  for (const name of isShared(db) ? tables : [...tables, 'pg_catalog.pg_statistic'])
    await db.execute(sql.raw(`vacuum full ${name}`))
  if (!isShared(db)) {
    // What was logged so far goes with its segments, which the checkpoint takes away.
    await db.execute(sql`select pg_switch_wal()`)
    await db.execute(sql`checkpoint`)
  }
  for (const { clientId } of open)
    await db
      .update(erasures)
      .set({ finishedAt: new Date(), photoIds: [] })
      .where(eq(erasures.clientId, clientId))
}

/** The ids of everybody who was deleted for good. */
export async function erasedIn(db: Connection): Promise<string[]> {
  const rows = await db.select({ id: erasures.clientId }).from(erasures)
  return rows.map(({ id }) => id)
}

import { eq, sql, type SQL } from 'drizzle-orm'
import { listed, say } from '#core'
import type { Import } from '#shared/contract/imports'
import type { Connection, Database } from '../database/driver'
import { iso, jsonOf, listOf, rowsOf } from '../database/json'
import { imports } from '../database/schema'
import { conflict, notFound } from '../http/errors'

/** What was brought in, newest first. @param where about imports called i */
export const listImports = (db: Connection, where: SQL = sql`true`): Promise<Import[]> =>
  jsonOf(
    db,
    rowsOf(
      sql`i.id, ${iso(sql`i.at`)} as at, i.actor, i.file_name as "fileName", i.sha256, i.counts, i.left_out as left,
        ${iso(sql`i.undone_at`)} as "undoneAt"`,
      sql`from imports i where ${where}`,
      sql`i.at desc`,
    ),
  )

/** Names of clients in whose records something builds on an import, a few of them. */
const NAMED = 5

/**
 * Those whose record has gone on from what an import brought: a client of it with anything else, a check-in of it that was
 * corrected, or a plan made since.
 */
const builtOn = (id: string) => sql`
  select distinct c.name from clients c where
    exists (select from check_ins k where k.client_id = c.id and k.import_id = ${id} and (k.revision > 0 or k.voided_at is not null
      or exists (select from readings r where r.check_in_id = k.id and r.import_id is distinct from ${id})
      or exists (select from audit_log a where a.check_in_id = k.id)
      or exists (select from plans p where p.client_id = c.id and p.definition->>'checkInId' = k.id::text
        and p.created_at > (select at from imports where id = ${id}))))
    or c.import_id = ${id} and (
      exists (select from check_ins k where k.client_id = c.id and k.import_id is distinct from ${id})
      or exists (select from weigh_ins w where w.client_id = c.id and w.import_id is distinct from ${id})
      or exists (select from photos p where p.client_id = c.id)
      or exists (select from leaderboard_members m where m.client_id = c.id)
      or exists (select from plans p where p.client_id = c.id and p.created_at > (select at from imports where id = ${id}))
      or exists (select from client_notes n where n.client_id = c.id and n.import_id is distinct from ${id})
      or exists (select from site_notes s where s.client_id = c.id and s.stored_at > (select at from imports where id = ${id}))
      or exists (select from screenings s where s.client_id = c.id and s.stored_at > (select at from imports where id = ${id})))`

/**
 * Takes back what an import brought, as long as nothing else builds on it. Doing it twice is the same.
 *
 * @throws Refusal naming those whose record has gone on
 */
export async function undoImport(db: Database, id: string): Promise<void> {
  await db.transaction(async (tx) => {
    const [row] = await tx.select().from(imports).where(eq(imports.id, id)).for('update')
    if (!row) throw notFound(say('api.suchImport'))
    if (row.undoneAt) return
    const names = await jsonOf<string[]>(
      tx,
      listOf(sql`b.name`, sql`from (${builtOn(id)}) b`, sql`b.name`),
    )
    if (names.length > 0) {
      const shown = listed(names.slice(0, NAMED))
      throw conflict(say('api.importBuiltOn', { names: shown, count: names.length }), 'built-on')
    }
    for (const table of ['check_ins', 'weigh_ins', 'heights', 'client_notes', 'clients'])
      await tx.execute(sql`delete from ${sql.identifier(table)} where import_id = ${id}`)
    await tx.update(imports).set({ undoneAt: new Date() }).where(eq(imports.id, id))
  })
}

/** The import of that id. */
export async function importOr404(db: Connection, id: string): Promise<Import> {
  const [found] = await listImports(db, sql`i.id = ${id}`)
  if (!found) throw notFound(say('api.suchImport'))
  return found
}

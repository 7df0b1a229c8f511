import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** What drizzle writes down about the migrations. */
export interface Journal {
  entries: { idx: number; when: number; tag: string }[]
}

const JOURNAL = join('meta', '_journal.json')

/** The migrations of a folder, oldest first. */
export const journalOf = (migrations: string): Journal =>
  JSON.parse(readFileSync(join(migrations, JOURNAL), 'utf8')) as Journal

/**
 * The first so many migrations, as they were when a version had no more.
 *
 * @param count as a record of that version counts them
 * @returns a folder of them that is to be removed again; undefined where there are not so many
 */
export function firstMigrations(
  migrations: string,
  count: number,
): { folder: string; isWhole: boolean; remove: () => void } | undefined {
  const journal = journalOf(migrations)
  if (count > journal.entries.length) return undefined
  const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-migrations-'))
  cpSync(migrations, folder, { recursive: true })
  const entries = journal.entries.slice(0, count)
  writeFileSync(join(folder, JOURNAL), JSON.stringify({ ...journal, entries }))
  return {
    folder,
    isWhole: count === journal.entries.length,
    remove: () => rmSync(folder, { recursive: true, force: true }),
  }
}

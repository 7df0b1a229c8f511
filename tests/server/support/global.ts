import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import type { PGlite } from '@electric-sql/pglite'
import type { TestProject } from 'vitest/node'
import { openDatabase } from '../../../server/database/driver'
import { ensureGym } from '../../../server/equipment/commands'

declare module 'vitest' {
  export interface ProvidedContext {
    /** Dump of a migrated, empty database. */
    databaseDump: string
  }
}

export const migrations = fileURLToPath(
  new URL('../../../server/database/migrations', import.meta.url),
)

/** Migrates one database, so that each test file only loads its dump. */
export default async function setup(project: TestProject) {
  const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-test-'))
  const database = await openDatabase(undefined, migrations)
  await ensureGym(database.db)
  const dump = await (database.engine as PGlite).dumpDataDir('none')
  const path = join(folder, 'database.tar')
  writeFileSync(path, Buffer.from(await dump.arrayBuffer()))
  await database.close()
  project.provide('databaseDump', path)
  return () => rmSync(folder, { recursive: true, force: true })
}

import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import { lockDataFolder } from './lock'
import { countStatement, countStatements } from './remembered'
import * as schema from './schema'

export type Database = PgliteDatabase<typeof schema>

/** The database, or a transaction on it. */
export type Connection = Database | Parameters<Parameters<Database['transaction']>[0]>[0]

const open = new WeakSet<Database>()
/** False once a database was closed. */
export const isOpen = (db: Database) => open.has(db)

export interface OpenDatabase {
  db: Database
  engine: PGlite
  /** Counts the rows anew for the planner of queries. */
  analyze(): Promise<unknown>
  close(): Promise<void>
}

/**
 * The one place that opens the database: takes the folder, opens PGlite in it and applies the migrations.
 *
 * @param folder the data folder, made if missing; undefined for a database in memory
 * @param migrationsFolder the generated SQL
 * @param loadDataDir a dump to start from, in memory
 * @throws DataFolderInUse when another process has the folder
 */
export async function openDatabase(
  folder: string | undefined,
  migrationsFolder: string,
  loadDataDir?: Blob,
): Promise<OpenDatabase> {
  if (folder) mkdirSync(folder, { recursive: true })
  const unlock = folder ? await lockDataFolder(folder) : async () => {}
  const engine = await PGlite.create(folder ? join(folder, 'pglite') : 'memory://', { loadDataDir })
  const db: Database = drizzle(engine, {
    schema,
    logger: { logQuery: (statement) => countStatement(db, statement) },
  })
  countStatements(db)
  open.add(db)
  await migrate(db, { migrationsFolder })
  return {
    db,
    engine,
    analyze: () => engine.exec('analyze'),
    async close() {
      open.delete(db)
      await engine.close()
      await unlock()
    },
  }
}

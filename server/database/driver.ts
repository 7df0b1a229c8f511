import { PGlite } from '@electric-sql/pglite'
import { is, sql } from 'drizzle-orm'
import { getTableConfig, PgTable } from 'drizzle-orm/pg-core'
import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import { say } from '#core'
import { sayInTerminal } from '../terminal'
import { RecordEngine, type EngineDied } from './engine'
import { journalOf } from './migrations-folder'
import { closedInGoodOrder, holdFolder, type Creating } from './record-folder'
import { countStatement, countStatements } from './remembered'
import * as schema from './schema'
import { diskTrouble, RecordTrouble } from './trouble'

export type Database = PgliteDatabase<typeof schema>

/** The database, or a transaction on it. */
export type Connection = Database | Parameters<Parameters<Database['transaction']>[0]>[0]

const open = new WeakSet<Database>()
/** False once a database was closed. */
export const isOpen = (db: Database) => open.has(db)

const folders = new WeakMap<Database, string>()
/** The data folder of a database; undefined of one in memory. */
export const folderOf = (db: Database): string | undefined => folders.get(db)

const shared = new WeakSet<Database>()
/** Whether other processes may write to a database: what one of them remembers may have been changed by another. */
export const isShared = (db: Database) => shared.has(db)

/** Notes that a database is open. @returns what notes that it is not any more */
export function openNow(
  db: Database,
  { folder, shared: byOthers = false }: { folder?: string; shared?: boolean },
): () => void {
  open.add(db)
  if (folder !== undefined) folders.set(db, folder)
  if (byOthers) shared.add(db)
  return () => open.delete(db)
}

export interface OpenDatabase {
  db: Database
  /** PostgreSQL without the tables' types: for what no other code may do. */
  engine: {
    query<T>(text: string, values?: unknown[]): Promise<{ rows: T[] }>
    exec(text: string): Promise<unknown>
  }
  /**
   * Calls back with every message that any process sends on a channel, once its transaction is committed; and by `missed`
   * after a time in which messages may have gone by unheard.
   */
  hear(channel: string, tell: (payload: string) => void, missed: () => void): Promise<void>
  /** Counts the rows anew for the planner of queries. */
  analyze(): Promise<unknown>
  /** Writes what the log holds into the tables, so that the log may be shortened. */
  checkpoint(): Promise<unknown>
  close(): Promise<void>
}

export interface Opening {
  /** A dump to start from, in memory. */
  loadDataDir?: Blob
  /** Makes a database in an empty folder; without it, PostgreSQL does, which takes some seconds. */
  create?: Creating
  /** Whether a folder without a record may become one; otherwise that is refused with `missing`. */
  mayBegin?: boolean
  /** Called at once when the engine has died: the process may not go on with it. */
  onDeath?: (error: EngineDied) => void
  /** Called before the tables of an earlier version are changed. */
  beforeMigration?: (db: Database) => Promise<void>
}

/** PostgreSQL's own way to an empty database: initdb. */
const initialized: Creating = async (folder) => (await RecordEngine.open(folder)).close()

/**
 * The one place that opens the database: takes the folder, opens PostgreSQL in it and applies the migrations.
 *
 * @param folder the data folder, made if missing; undefined for a database in memory
 * @param migrationsFolder the generated SQL
 * @throws RecordTrouble when the folder cannot be opened, in words for the coach
 */
export async function openDatabase(
  folder: string | undefined,
  migrationsFolder: string,
  { create = initialized, mayBegin = true, ...opening }: Opening = {},
): Promise<OpenDatabase> {
  if (folder === undefined) {
    const engine = await PGlite.create('memory://', { loadDataDir: opening.loadDataDir })
    return ready(engine, migrationsFolder, () => engine.close())
  }
  try {
    const held = await holdFolder(folder, create, mayBegin)
    try {
      const engine = await RecordEngine.open(held.database, opening.onDeath)
      return await ready(
        engine,
        migrationsFolder,
        async () => {
          await engine.close()
          if (!closedInGoodOrder(held.database)) sayInTerminal(say('trouble.notInOrder'))
          await held.release()
        },
        { folder, beforeMigration: opening.beforeMigration },
      )
    } catch (error) {
      await held.release()
      throw error
    }
  } catch (error) {
    throw error instanceof RecordTrouble
      ? error
      : new RecordTrouble(diskTrouble(error) ?? 'damaged', folder, { cause: error })
  }
}

async function ready(
  engine: PGlite,
  migrationsFolder: string,
  close: () => Promise<void>,
  kept?: { folder: string; beforeMigration?: Opening['beforeMigration'] },
): Promise<OpenDatabase> {
  const db: Database = drizzle(engine, {
    schema,
    logger: { logQuery: (statement) => countStatement(db, statement) },
  })
  countStatements(db)
  const closed = openNow(db, { folder: kept?.folder })
  if (kept) {
    const state = await migrationState(db, migrationsFolder)
    if (state === 'newer') throw new RecordTrouble('newer', kept.folder)
    if (state === 'older') await kept.beforeMigration?.(db)
  }
  await migrate(db, { migrationsFolder })
  return {
    db,
    engine,
    hear: async (channel, tell) => void (await engine.listen(channel, tell)),
    analyze: () => engine.exec(ANALYZE),
    checkpoint: () => engine.exec('checkpoint'),
    async close() {
      closed()
      await close()
    },
  }
}

/** Of the record's own tables: those of PostgreSQL itself take five times as long, and nobody asks them for anything. */
const ANALYZE = `analyze ${Object.values(schema)
  .filter((table) => is(table, PgTable))
  .map((table) => getTableConfig(table))
  .map(({ schema: room = 'public', name }) => `"${room}"."${name}"`)
  .join(', ')}`

/** How far a database is against the migrations at hand: `new` has none of them, `newer` has one that is not there. */
async function migrationState(
  db: Database,
  migrationsFolder: string,
): Promise<'new' | 'older' | 'same' | 'newer'> {
  const made = await lastMigration(db)
  if (made === undefined) return 'new'
  const last = journalOf(migrationsFolder).entries.at(-1)!.when
  if (made > last) return 'newer'
  return made < last ? 'older' : 'same'
}

/** When the last migration of a database was written, ms; undefined where it has none. */
async function lastMigration(db: Connection): Promise<number | undefined> {
  const known = await db.execute<{ there: boolean }>(
    sql`select to_regclass('drizzle.__drizzle_migrations') is not null as there`,
  )
  if (!known.rows[0]?.there) return undefined
  const { rows } = await db.execute<{ made: string | null }>(
    sql`select max(created_at)::text as made from drizzle.__drizzle_migrations`,
  )
  return rows[0]?.made ? Number(rows[0].made) : undefined
}

import { mkdtempSync, rmSync, writeFileSync, mkdirSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { DataFolderInUse } from './lock'
import { ensureGym } from '../equipment/commands'
import { purgePhotos } from '../photos/commands'
import { keepPhotosInMemory, writePhoto } from '../files/photos'
import { dataFolder } from '../files/data-folder'
import { openDatabase, type Database, type OpenDatabase } from './driver'

let opening: Promise<OpenDatabase> | undefined

/** Migrations are bundled with the server; the migrator wants them in a folder. */
async function withMigrations<T>(use: (folder: string) => Promise<T>): Promise<T> {
  const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-migrations-'))
  try {
    const assets = useStorage('assets:migrations')
    for (const key of await assets.getKeys()) {
      const path = join(folder, ...key.split(':'))
      mkdirSync(dirname(path), { recursive: true })
      const content = await assets.getItem(key)
      writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content))
    }
    return await use(folder)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

const ANALYZE_EVERY_MS = 15 * 60_000

/** @param folder of the data; undefined for a database in memory, which is gone with the server */
async function start(folder: string | undefined): Promise<OpenDatabase> {
  const open = await withMigrations((migrations) => openDatabase(folder, migrations))
  await ensureGym(open.db)
  if (!folder) await fillWithMadeUp(open.db)
  await purgePhotos(open.db)
  // Nothing does it by itself in PGlite, and without it the planner takes every table for nearly empty.
  await open.analyze()
  const timer = setInterval(() => open.analyze(), ANALYZE_EVERY_MS)
  timer.unref()
  return {
    ...open,
    async close() {
      clearInterval(timer)
      await open.close()
    },
  }
}

/** The database of this server, opened once. */
export async function useDatabase(): Promise<Database> {
  opening ??= start(dataFolder()).catch((error: unknown) => {
    const line =
      error instanceof DataFolderInUse
        ? error.message
        : `Oak Pinch cannot open its data folder: ${error instanceof Error ? error.message : error}`
    console.error(line)
    process.exit(1)
  })
  return (await opening).db
}

let openingMadeUp: Promise<OpenDatabase> | undefined

/**
 * The made-up club, to look around in: made the first time somebody looks, in memory, apart from everything of the
 * gym's own.
 */
export async function useMadeUpDatabase(): Promise<Database> {
  openingMadeUp ??= start(undefined).catch((error: unknown) => {
    openingMadeUp = undefined
    throw error
  })
  return (await openingMadeUp).db
}

/** Puts the made-up club into an empty database, its pictures by their ids. */
type FillWithMadeUp = (
  db: Database,
  keepPhoto: (id: string, bytes: Uint8Array) => Promise<void>,
) => Promise<void>

let fill: FillWithMadeUp | undefined
/** Says who makes up the club: demo/ does, which the server itself knows nothing of. */
export function provideMadeUp(filling: FillWithMadeUp): void {
  fill = filling
}

async function fillWithMadeUp(db: Database): Promise<void> {
  keepPhotosInMemory(db)
  await fill?.(db, (id, bytes) => writePhoto(db, id, bytes))
}

/** For tests: the database to use from now on. */
export function provideDatabase(open: OpenDatabase): void {
  opening = Promise.resolve(open)
}

/** Closes the database, if it was opened, so that a stop in good order leaves it clean. */
export async function closeDatabase(): Promise<void> {
  const all = [opening, openingMadeUp]
  opening = openingMadeUp = undefined
  for (const open of all) await (await open)?.close()
}

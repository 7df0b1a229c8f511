import { mkdtempSync, rmSync, writeFileSync, mkdirSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { DataFolderInUse } from './lock'
import { ensureGym } from '../equipment/commands'
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

async function start(): Promise<OpenDatabase> {
  const folder = dataFolder()
  const open = await withMigrations((migrations) => openDatabase(folder, migrations))
  await ensureGym(open.db)
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
  opening ??= start().catch((error: unknown) => {
    const line =
      error instanceof DataFolderInUse
        ? error.message
        : `Oak Pinch cannot open its data folder: ${error instanceof Error ? error.message : error}`
    console.error(line)
    process.exit(1)
  })
  return (await opening).db
}

/** For tests: the database to use from now on. */
export function provideDatabase(open: OpenDatabase): void {
  opening = Promise.resolve(open)
}

/** Closes the database, if it was opened, so that a stop in good order leaves it clean. */
export async function closeDatabase(): Promise<void> {
  const open = await opening
  opening = undefined
  await open?.close()
}

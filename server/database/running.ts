import { mkdtempSync, rmSync, writeFileSync, mkdirSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { say } from '#core'
import { sayInTerminal } from '../terminal'
import { ensureGym } from '../equipment/commands'
import { erasedIn, finishErasures } from '../clients/erasures'
import { keptPhotoIds, purgePhotos } from '../photos/commands'
import { keepPhotosInMemory, sweepPhotos, writePhoto } from '../files/photos'
import { dataFolder } from '../files/data-folder'
import {
  backupFile,
  hasBackupOf,
  makeBackup,
  noteTried,
  openArchive,
  readSettings,
  sweepBackups,
} from '../archive/backups'
import type { Manifest } from '../archive/format'
import {
  handedOn,
  restoreInto,
  restoreOnServer,
  tryRestore,
  type Restoring,
} from '../archive/restore'
import { isSignInNeeded } from '../access/actor'
import { addOwner } from '../access/people'
import { Refusal } from '../http/errors'
import { endStreams, hearNews } from '../events/live'
import { keepCheckpoints } from './checkpoints'
import { givenBack } from './lending'
import { lockDataFolder } from './lock'
import { PARTS } from './record-folder'
import { clients } from './schema'
import { openDatabase, type Database, type OpenDatabase } from './driver'
import type { EngineDied } from './engine'
import { openPostgres } from './postgres'
import { unpackTemplate } from './template'
import { diskTrouble, RecordTrouble } from './trouble'

let opening: Promise<OpenDatabase> | undefined

/** Migrations are bundled with the server; the migrator wants them in a folder. */
async function withMigrations<T>(use: (folder: string) => Promise<T>): Promise<T> {
  const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-migrations-'))
  try {
    const assets = useStorage('assets:migrations')
    for (const key of await assets.getKeys()) {
      // What the next migration is drawn up against; running them takes the SQL and the journal.
      if (key.endsWith('_snapshot.json')) continue
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

/** The empty database that was made with the build; undefined where there is none. */
const template = () =>
  useStorage('assets:template')
    .getItemRaw<Uint8Array>('record.zip.gz')
    .catch(() => null)

const ANALYZE_EVERY_MS = 15 * 60_000

/** What a process ends with that is to be started again. */
const START_AGAIN = 75

/** PostgreSQL could not write through and may not go on: a new process finds everything that was acknowledged. */
function startAgain(error: EngineDied): never {
  sayInTerminal(
    diskTrouble(error) === 'full' ? say('trouble.againFull') : say('trouble.againFailed'),
  )
  process.exit(START_AGAIN)
}

/** Nobody sits at a server: its first owner is named where it is set up. */
async function ensureOwner(db: Database): Promise<void> {
  if (await isSignInNeeded(db)) return
  const [name, password] = [process.env.OAK_PINCH_OWNER, process.env.OAK_PINCH_OWNER_PASSWORD]
  if (!name || !password) return sayInTerminal(say('api.nameOwner'))
  await addOwner(db, { name, password }).catch((error: unknown) => {
    if (!(error instanceof Refusal)) throw error
    // Another process was first, or the password is one that everybody would try.
    sayInTerminal(error.said)
  })
}

let mayBegin = process.env.OAK_PINCH_DATA === undefined || process.env.OAK_PINCH_NEW === '1'
/** Lets a folder without a record become one, since somebody asked for it. */
export const allowBeginning = () => (mayBegin = true)

/** A new version changes the tables of the one before: what there was stays to be had. */
const backUpBefore = async (db: Database, folder: string) =>
  void (await makeBackup(db, folder, 'migration'))

/** How often it is looked whether the day has its backup, ms. */
const BACKUP_EVERY_MS = 10 * 60_000

/** Makes the backup of each day on which the server runs and there is something to keep. */
function keepBackups(db: Database, folder: string): () => void {
  const look = async () => {
    if (hasBackupOf(folder, new Date())) return
    const [anybody] = await db.select({ id: clients.id }).from(clients).limit(1)
    if (anybody) await makeBackup(db, folder, 'daily')
  }
  const failed = () => sayInTerminal(say('trouble.noBackup'))
  const timer = setInterval(() => void look().catch(failed), BACKUP_EVERY_MS)
  timer.unref()
  setTimeout(() => void look().catch(failed), FIRST_BACKUP_MS).unref()
  return () => clearInterval(timer)
}
/** The first pages of the day come first. */
const FIRST_BACKUP_MS = 15_000

/**
 * @param folder of the data; undefined for a database in memory, which is gone with the server
 * @param url of a PostgreSQL server that has the record; otherwise the folder has it
 */
async function start(folder: string | undefined, url?: string): Promise<OpenDatabase> {
  const open = await withMigrations((migrations) =>
    url
      ? openPostgres(url, migrations, folder)
      : openDatabase(folder, migrations, {
          create,
          beforeMigration: folder === undefined ? undefined : (db) => backUpBefore(db, folder),
          onDeath: startAgain,
          mayBegin,
        }),
  )
  await hearNews(open)
  await ensureGym(open.db)
  if (!folder) await fillWithMadeUp(open.db)
  if (url) await ensureOwner(open.db)
  await finishErasures(open.db)
  await purgePhotos(open.db)
  await sweepPhotos(open.db, await keptPhotoIds(open.db))
  if (folder) sweepBackups(folder)
  // Nothing does it by itself in PGlite, and without it the planner takes every table for nearly empty.
  await open.analyze()
  const timer = setInterval(() => open.analyze(), ANALYZE_EVERY_MS)
  timer.unref()
  const endCheckpoints = folder && !url ? keepCheckpoints(open) : undefined
  const endBackups = folder ? keepBackups(open.db, folder) : undefined
  return {
    ...open,
    async close() {
      clearInterval(timer)
      endCheckpoints?.()
      endBackups?.()
      await open.close()
    },
  }
}

/** The PostgreSQL server that has the record; undefined where the data folder has it. */
const databaseUrl = (): string | undefined => process.env.DATABASE_URL || undefined

/** How long after a failure a folder is not tried again, ms: each try costs a second of everybody's time. */
const RETRY_AFTER_MS = 3000
let trouble: { error: RecordTrouble; at: number } | undefined

/** What keeps the record from being opened; undefined where nothing does. */
export const recordTrouble = (): RecordTrouble | undefined => trouble?.error

/**
 * The database of this server, opened once. What could not be opened is tried again when it is asked for: a disk that
 * was full may have room by now.
 *
 * @throws RecordTrouble
 */
export async function useDatabase(): Promise<Database> {
  if (trouble && Date.now() - trouble.at < RETRY_AFTER_MS) throw trouble.error
  opening ??= start(dataFolder(), databaseUrl())
  try {
    const { db } = await opening
    trouble = undefined
    return db
  } catch (error) {
    opening = undefined
    if (!(error instanceof RecordTrouble)) throw error
    if (trouble?.error.kind !== error.kind) sayInTerminal(error.said)
    trouble = { error, at: Date.now() }
    throw error
  }
}

/** Forgets that the folder could not be opened, so that it is tried again at once. */
export const tryAgain = () => (trouble = undefined)

/** Opens the database with the server. A folder that another process has is that process's: this one ends. */
export async function openAtStart(): Promise<void> {
  await useDatabase().catch((error: unknown) => {
    if (!(error instanceof RecordTrouble) || error.kind === 'in-use') process.exit(1)
  })
}

/** What a restore puts in place of the record is made by the tables of this version. */
const create = (into: string) => unpackTemplate(into, template)

/**
 * Puts the record of one of the folder's own backups in place of what is there. A record that can be opened is backed
 * up first, with everything that was acknowledged; one that cannot is put aside. Whoever calls it has let go of the
 * record.
 *
 * @throws Refusal where the backup is not whole, or its passphrase is another one
 */
export async function restoreBackup(name: string, passphrase: string | null): Promise<Manifest> {
  const folder = dataFolder()
  const parts = await openBackup(folder, name, passphrase)
  if (databaseUrl()) return restoreWhileOpen(folder, name, parts)
  const before = opening?.catch(() => undefined)
  let closed = false
  const restored = withMigrations(async (migrations) => {
    const open = await before
    let present: Partial<Restoring> = {}
    if (open) {
      await givenBack(open.db)
      await makeBackup(open.db, folder, 'restore', { spare: name })
      present = await handedOn(open.db)
      endStreams()
    }
    closed = true
    await open?.close()
    const release = await lockDataFolder(folder)
    try {
      return await restoreInto(parts, folder, { migrations, create, ...present })
    } finally {
      await release()
    }
  })
  // Who asks for the record meanwhile waits for the restored one, or for the one before where that failed.
  opening = restored
    .catch(() => {})
    .then(async () => (closed ? undefined : await before) ?? start(folder))
  opening.catch(() => (opening = undefined))
  trouble = undefined
  const manifest = await restored
  await noteTried(folder)
  return manifest
}

/** On a server the record is replaced in one transaction, while others go on with the one before. */
async function restoreWhileOpen(
  folder: string,
  name: string,
  parts: AsyncIterable<Uint8Array>,
): Promise<Manifest> {
  const db = await useDatabase()
  await makeBackup(db, folder, 'restore', { spare: name })
  const erased = await erasedIn(db)
  const manifest = await withMigrations((migrations) =>
    restoreOnServer(db, parts, folder, { migrations, create, erased }),
  )
  await finishErasures(db)
  await sweepPhotos(db, await keptPhotoIds(db))
  endStreams()
  await noteTried(folder)
  return manifest
}

/**
 * Restores one of the folder's own backups beside the record, to see whether that works, and takes it away again.
 *
 * @throws Refusal as `restoreBackup`
 */
export async function tryBackup(name: string, passphrase: string | null): Promise<Manifest> {
  const folder = dataFolder()
  const parts = await openBackup(folder, name, passphrase)
  const work = trying.then(() =>
    withMigrations((migrations) =>
      tryRestore(parts, join(folder, PARTS.trying), { migrations, create }),
    ),
  )
  trying = work.catch(() => {})
  const manifest = await work
  await noteTried(folder)
  return manifest
}
/** They share one folder. */
let trying: Promise<unknown> = Promise.resolve()

/** What it was locked with is known where new ones are locked with the same. */
const openBackup = (folder: string, name: string, passphrase: string | null) =>
  openArchive(backupFile(folder, name), passphrase ?? readSettings(folder).passphrase)

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
export function provideDatabase(open: OpenDatabase): Promise<void> {
  opening = Promise.resolve(open)
  return hearNews(open)
}

/** Closes the database, if it was opened, so that a stop in good order leaves it clean. */
export async function closeDatabase(): Promise<void> {
  const all = [opening, openingMadeUp]
  opening = openingMadeUp = undefined
  for (const open of all) await (await open)?.close()
}

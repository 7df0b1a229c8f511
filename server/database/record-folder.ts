import fs from 'node:fs'
import { join } from 'node:path'
import { emptyFolder, PRIVATE, syncFolder, syncPath, syncTree } from './durable-fs'
import { LOCK_FILE, lockDataFolder } from './lock'
import { RecordTrouble } from './trouble'

/** What lies in a data folder. */
export const PARTS = {
  /** The database. */
  database: 'db',
  /** One in the making: never opened, and gone at the next start. */
  making: 'db.new',
  /** Where versions before this one had the database. */
  earlier: 'pglite',
  photos: 'photos',
  /** Photos of a record that is being restored. */
  makingPhotos: 'photos.new',
  /** A restored record beside this one, to see whether it can be restored. */
  trying: 'db.try',
  /** Stands while a restored record takes the place of the one before. */
  swap: 'restored',
  backups: 'backups',
  lock: LOCK_FILE,
  /** What cookies are signed with. */
  secret: 'secret',
  /** What phones know this computer by, and whether they are let in. */
  network: 'network',
  /** What could not be opened, put aside when a backup took its place. */
  aside: 'aside-',
} as const

/** Files that a system puts into any folder by itself. */
const NOBODYS = /^(?:\.DS_Store|Thumbs\.db|desktop\.ini|lost\+found|\..*)$/i
const ours = (name: string) =>
  name.startsWith(PARTS.aside) || (Object.values(PARTS) as string[]).includes(name)

/** Fills an empty folder with a database that was closed in good order. */
export type Creating = (folder: string) => Promise<void>

/** A data folder that is this process's alone. */
export interface HeldFolder {
  /** Where its database is. */
  database: string
  release(): Promise<void>
}

/**
 * Takes a data folder for this process and makes it ready to be opened: everything that an earlier process wrote is on
 * the disk, and a folder that holds no record gets one only where nothing speaks against it.
 *
 * @param folder of the data, made if missing
 * @param create makes a database in an empty folder
 * @param mayBegin whether a folder without a record may become one
 * @throws RecordTrouble when another process has it, it is not ours, or its record is gone
 */
export async function holdFolder(
  folder: string,
  create: Creating,
  mayBegin: boolean,
): Promise<HeldFolder> {
  const before = fs.existsSync(folder) ? fs.readdirSync(folder) : []
  const foreign = before.find((name) => !ours(name) && !NOBODYS.test(name))
  if (foreign !== undefined) throw new RecordTrouble('foreign', folder, { more: foreign })
  if (!mayBegin && !before.some((name) => ours(name))) throw new RecordTrouble('missing', folder)
  fs.mkdirSync(folder, { recursive: true, mode: PRIVATE.folder })
  fs.chmodSync(folder, PRIVATE.folder)
  const release = await lockDataFolder(folder)
  try {
    return { database: await makeReady(folder, create, mayBegin), release }
  } catch (error) {
    await release()
    throw error
  }
}

async function makeReady(folder: string, create: Creating, mayBegin: boolean): Promise<string> {
  const database = join(folder, PARTS.database)
  const earlier = join(folder, PARTS.earlier)
  if (!fs.existsSync(database) && fs.existsSync(join(earlier, 'PG_VERSION'))) {
    keepPrivate(earlier)
    syncTree(earlier)
    fs.renameSync(earlier, database)
    syncFolder(folder)
  }
  finishSwap(folder)
  for (const part of [PARTS.making, PARTS.makingPhotos, PARTS.trying])
    fs.rmSync(join(folder, part), { recursive: true, force: true })
  if (!fs.existsSync(database)) {
    // Pictures or backups without the record that they belong to: somebody took it away.
    const left = [PARTS.photos, PARTS.backups].find((part) => isFilled(join(folder, part)))
    if (left || !mayBegin) throw new RecordTrouble('emptied', folder)
    await makeDatabase(folder, create)
    return database
  }
  // PGlite would put a new database over the remains of this one, without a word.
  if (!fs.existsSync(join(database, 'PG_VERSION'))) throw new RecordTrouble('emptied', folder)
  // A power cut can leave it empty, and then nothing opens. Who holds the folder is said by its lock.
  fs.rmSync(join(database, 'postmaster.pid'), { force: true })
  syncTree(database)
  return database
}

/**
 * Makes a database beside where it will be and gives it its name when it is whole and on the disk: a stop in the midst
 * leaves nothing that could be taken for a record.
 */
export async function makeDatabase(folder: string, create: Creating): Promise<void> {
  const making = join(folder, PARTS.making)
  emptyFolder(making)
  await create(making)
  keepPrivate(making)
  syncTree(making)
  fs.renameSync(making, join(folder, PARTS.database))
  syncFolder(folder)
}

/** What a restore replaces, with what it puts in its place. */
const REPLACED = [
  [PARTS.database, PARTS.making],
  [PARTS.photos, PARTS.makingPhotos],
] as const

/** Notes that what was made beside the record is whole and takes its place: from here on it is finished, come what may. */
export function startSwap(folder: string): void {
  const note = join(folder, PARTS.swap)
  fs.writeFileSync(note, new Date().toISOString(), { mode: PRIVATE.file })
  syncPath(note)
  syncFolder(folder)
}

/**
 * Puts a restored record in the place of the one before, which is put aside. Does nothing where none waits.
 *
 * @returns the folder of what was put aside, if anything
 */
export function finishSwap(folder: string): string | undefined {
  const note = join(folder, PARTS.swap)
  if (!fs.existsSync(note)) return undefined
  const aside = join(folder, PARTS.aside + fs.readFileSync(note, 'utf8').replace(/\W/g, ''))
  for (const [name, making] of REPLACED) {
    const [present, made] = [join(folder, name), join(folder, making)]
    // Gone: it took its place before a stop.
    if (!fs.existsSync(made)) continue
    if (fs.existsSync(present)) {
      fs.mkdirSync(aside, { recursive: true, mode: PRIVATE.folder })
      fs.renameSync(present, join(aside, name))
    }
    fs.renameSync(made, present)
  }
  syncFolder(aside)
  syncFolder(folder)
  fs.rmSync(note)
  syncFolder(folder)
  return fs.existsSync(aside) ? aside : undefined
}

/** Takes away for good what restores have put aside. */
export function removeAsides(folder: string): void {
  for (const name of fs.readdirSync(folder))
    if (name.startsWith(PARTS.aside)) fs.rmSync(join(folder, name), { recursive: true })
}

const isFilled = (path: string) => fs.existsSync(path) && fs.readdirSync(path).length > 0

/** Leaves everything below a folder to its owner alone. */
export function keepPrivate(path: string): void {
  fs.chmodSync(path, PRIVATE.folder)
  for (const entry of fs.readdirSync(path, { withFileTypes: true })) {
    const inner = join(path, entry.name)
    if (entry.isDirectory()) keepPrivate(inner)
    else if (entry.isFile()) fs.chmodSync(inner, PRIVATE.file)
  }
}

/** `DBState` of PostgreSQL: shut down in good order. */
const SHUT_DOWN = 1
/** Where it stands in `pg_control`: after the identifier of the system and the versions of the file and the catalog. */
const STATE_AT = 16

/** Whether a closed database was written through to its end; where not, the next start makes good for it. */
export function closedInGoodOrder(database: string): boolean {
  const control = fs.readFileSync(join(database, 'global', 'pg_control'))
  return control.readInt32LE(STATE_AT) === SHUT_DOWN
}

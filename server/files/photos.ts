import fs from 'node:fs'
import { readdir, readFile, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { makeFolder, syncFolder } from '../database/durable-fs'
import { dataFolder } from './data-folder'
import { writeWhole } from './write-whole'

/** Pictures are files in the data folder, beside the database and never in a public path. */
const folder = () => join(dataFolder(), 'photos')

/** Pictures of databases that are in memory alone: they are gone with them. */
const inMemory = new WeakMap<object, Map<string, Uint8Array>>()
/** Keeps the pictures of a database in memory, as the database itself. */
export const keepPhotosInMemory = (db: object) => inMemory.set(db, new Map())

/** Keeps a picture: it is on the disk when this returns. */
export async function writePhoto(db: object, id: string, bytes: Uint8Array): Promise<void> {
  const kept = inMemory.get(db)
  if (kept) return void kept.set(id, bytes)
  makeFolder(folder())
  await writeWhole(join(folder(), id), [bytes])
}

/** The bytes of a picture, or undefined where the file is gone. */
export async function readPhoto(db: object, id: string): Promise<Buffer | undefined> {
  const kept = inMemory.get(db)?.get(id)
  if (kept) return Buffer.from(kept)
  return inMemory.has(db) ? undefined : readFile(join(folder(), id)).catch(() => undefined)
}

/** As `readPhoto`, at once: for who reads one after another and gives others their turns itself. */
export function readPhotoNow(db: object, id: string): Uint8Array | undefined {
  const kept = inMemory.get(db)
  if (kept) return kept.get(id)
  try {
    return fs.readFileSync(join(folder(), id))
  } catch {
    return undefined
  }
}

/** The ids of all pictures that are kept. */
export async function photoIds(db: object): Promise<string[]> {
  const kept = inMemory.get(db)
  const names = kept ? [...kept.keys()] : await readdir(folder()).catch(() => [])
  return names.filter((name) => !name.includes('.')).sort()
}

/** Takes pictures off the disk, for good. */
export async function deletePhotos(db: object, ids: readonly string[]): Promise<void> {
  const kept = inMemory.get(db)
  for (const id of ids) {
    if (kept) kept.delete(id)
    else await rm(join(folder(), id), { force: true })
  }
  if (!kept && ids.length && fs.existsSync(folder())) syncFolder(folder())
}

/** Takes away every file among the pictures that no row of the record speaks of: what a stop in the midst left. */
export async function sweepPhotos(db: object, known: ReadonlySet<string>): Promise<void> {
  if (inMemory.has(db)) return
  const names = await readdir(folder()).catch(() => [])
  await deletePhotos(
    db,
    names.filter((name) => !known.has(name)),
  )
}

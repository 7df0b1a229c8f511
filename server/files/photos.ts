import { mkdir, readFile, rm, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { dataFolder } from './data-folder'

/** Pictures are files in the data folder, beside the database and never in a public path. */
const folder = () => join(dataFolder(), 'photos')

/** Pictures of databases that are in memory alone: they are gone with them. */
const inMemory = new WeakMap<object, Map<string, Uint8Array>>()
/** Keeps the pictures of a database in memory, as the database itself. */
export const keepPhotosInMemory = (db: object) => inMemory.set(db, new Map())

export async function writePhoto(db: object, id: string, bytes: Uint8Array): Promise<void> {
  const kept = inMemory.get(db)
  if (kept) return void kept.set(id, bytes)
  await mkdir(folder(), { recursive: true })
  await writeFile(join(folder(), id), bytes)
}

/** The bytes of a picture, or undefined where the file is gone. */
export async function readPhoto(db: object, id: string): Promise<Buffer | undefined> {
  const kept = inMemory.get(db)?.get(id)
  if (kept) return Buffer.from(kept)
  return inMemory.has(db) ? undefined : readFile(join(folder(), id)).catch(() => undefined)
}

export async function deletePhotos(db: object, ids: readonly string[]): Promise<void> {
  for (const id of ids) {
    if (inMemory.has(db)) inMemory.get(db)!.delete(id)
    else await rm(join(folder(), id), { force: true })
  }
}

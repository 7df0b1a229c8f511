import { mkdir, readFile, rm, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { dataFolder } from './data-folder'

/** Pictures are files in the data folder, beside the database and never in a public path. */
const folder = () => join(dataFolder(), 'photos')

export async function writePhoto(id: string, bytes: Uint8Array): Promise<void> {
  await mkdir(folder(), { recursive: true })
  await writeFile(join(folder(), id), bytes)
}

/** The bytes of a picture, or undefined where the file is gone. */
export function readPhoto(id: string): Promise<Buffer | undefined> {
  return readFile(join(folder(), id)).catch(() => undefined)
}

export async function deletePhotos(ids: readonly string[]): Promise<void> {
  for (const id of ids) await rm(join(folder(), id), { force: true })
}

import { mkdirSync, writeFileSync } from 'node:fs'
import { dirname, join, resolve, sep } from 'node:path'
import { unzipSync } from 'fflate'
import { PRIVATE } from './durable-fs'
import { RecordEngine } from './engine'

/**
 * Fills an empty folder with a database. PostgreSQL takes six seconds for that and needs twice the memory, so the build
 * made one, with every table in it and no row; where it did not, PostgreSQL does.
 *
 * @param folder an existing, empty folder
 * @param template the zipped folder of a database that was closed in good order
 */
export async function unpackTemplate(
  folder: string,
  template: () => Promise<Uint8Array | null>,
): Promise<void> {
  const zipped = await template()
  if (!zipped) return (await RecordEngine.open(folder)).close()
  for (const [name, bytes] of Object.entries(unzipSync(zipped))) {
    const path = join(folder, name)
    if (!resolve(path).startsWith(resolve(folder) + sep)) throw new Error(`unusable name: ${name}`)
    const isFolder = name.endsWith('/')
    mkdirSync(isFolder ? path : dirname(path), { recursive: true, mode: PRIVATE.folder })
    if (!isFolder) writeFileSync(path, bytes, { mode: PRIVATE.file })
  }
}

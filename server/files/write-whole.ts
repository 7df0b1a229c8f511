import fs from 'node:fs'
import { dirname } from 'node:path'
import { PRIVATE, syncFolder } from '../database/durable-fs'

/** What a file's name ends in until it is whole. */
export const MAKING = '.making'

/**
 * Writes a file whole or not at all, to its owner alone; it is on the disk when this returns.
 *
 * @returns how many bytes it has
 */
export async function writeWhole(
  path: string,
  parts: AsyncIterable<Uint8Array> | Iterable<Uint8Array>,
): Promise<number> {
  const making = path + MAKING
  const handle = fs.openSync(making, 'w', PRIVATE.file)
  let bytes = 0
  try {
    for await (const part of parts) bytes += fs.writeSync(handle, part)
    fs.fsyncSync(handle)
  } catch (error) {
    fs.rmSync(making, { force: true })
    throw error
  } finally {
    fs.closeSync(handle)
  }
  fs.renameSync(making, path)
  syncFolder(dirname(path))
  return bytes
}

import { createHash } from 'node:crypto'
import { statSync, unlinkSync } from 'node:fs'
import { connect, createServer, type Server } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/*
 * PGlite takes no lock on its folder: two processes both acknowledge everything and lose each other's rows. A lock file
 * would outlive a crash, so the lock is a listening local socket, which the system takes away with the process however
 * it dies. The socket is named after the folder's device and inode, so that a link to the folder is the same folder.
 */

export class DataFolderInUse extends Error {
  override readonly name = 'DataFolderInUse'
}

function addressFor(folder: string): string {
  const { dev, ino } = statSync(folder, { bigint: true })
  const key = createHash('sha256').update(`${dev}:${ino}`).digest('hex').slice(0, 32)
  if (process.platform === 'win32') return `\\\\.\\pipe\\oak-pinch-${key}`
  // Linux: an abstract socket, which leaves no file behind.
  return process.platform === 'linux'
    ? `\0oak-pinch-${key}`
    : join(tmpdir(), `oak-pinch-${key}.sock`)
}

function listen(address: string): Promise<Server> {
  return new Promise((resolve, reject) => {
    const server = createServer((socket) => socket.end(String(process.pid)))
    server.once('error', reject)
    server.listen(address, () => resolve(server))
  })
}

/** The process id that answers at the address, or undefined when nothing listens there. */
function holderOf(address: string): Promise<string | undefined> {
  return new Promise((resolve) => {
    let pid = ''
    const socket = connect(address)
    socket.setTimeout(1000, () => socket.destroy())
    socket.on('data', (chunk) => (pid += chunk))
    socket.on('error', () => resolve(undefined))
    socket.on('close', () => resolve(pid || '?'))
  })
}

/**
 * Takes the data folder for this process alone, until it ends.
 *
 * @param folder an existing folder
 * @returns a function that gives the folder free again
 * @throws DataFolderInUse, in one line for the person who started the second process
 */
export async function lockDataFolder(folder: string): Promise<() => Promise<void>> {
  const address = addressFor(folder)
  const server = await listen(address).catch(async (error: NodeJS.ErrnoException) => {
    if (error.code !== 'EADDRINUSE') throw error
    const pid = await holderOf(address)
    if (pid === undefined && !address.startsWith('\0')) {
      // A socket file left by a crash: nobody answers, so it may go.
      unlinkSync(address)
      return listen(address)
    }
    throw new DataFolderInUse(
      `The data folder ${folder} is in use by another Oak Pinch (process ${pid}). Close that one first, or name another folder in OAK_PINCH_DATA.`,
    )
  })
  server.unref()
  return () => new Promise((resolve) => server.close(() => resolve()))
}

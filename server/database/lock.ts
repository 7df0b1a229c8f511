import { createHash } from 'node:crypto'
import fs from 'node:fs'
import { connect, createServer, type Server } from 'node:net'
import { hostname, tmpdir } from 'node:os'
import { join } from 'node:path'
import { say } from '#core'
import { sayInTerminal } from '../terminal'
import { PRIVATE } from './durable-fs'
import { RecordTrouble } from './trouble'

/*
 * PGlite takes no lock on its folder: two processes both acknowledge everything and lose each other's rows. Two locks
 * that the system takes away with the process, however it dies:
 *
 * A listening local socket, named after the folder's device and inode, so that a link to the folder is the same folder.
 * It is there everywhere, and says whose it is; but two containers on one volume do not see each other's sockets.
 *
 * A lock of the kernel on a file in the folder, which they do see, where the package for it loads. The file stays: who
 * removed it would let the next one lock another.
 */

function addressFor(folder: string): string {
  const { dev, ino } = fs.statSync(folder, { bigint: true })
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

async function lockSocket(folder: string): Promise<() => Promise<void>> {
  const address = addressFor(folder)
  const server = await listen(address).catch(async (error: NodeJS.ErrnoException) => {
    if (error.code !== 'EADDRINUSE') throw error
    const pid = await holderOf(address)
    if (pid === undefined && !address.startsWith('\0')) {
      // A socket file left by a crash: nobody answers, so it may go.
      fs.unlinkSync(address)
      return listen(address)
    }
    throw new RecordTrouble('in-use', folder, { more: pid })
  })
  server.unref()
  return () => new Promise((resolve) => server.close(() => resolve()))
}

/** Beside the database, and never removed. */
export const LOCK_FILE = 'record.lock'

/** The locks of the kernel; undefined where their package has no build for this system. */
const kernelLocks = (): Promise<Locks | undefined> =>
  // @ts-expect-error The package has no types of its own.
  import('fs-native-extensions').then(
    (module: { default: Locks }) => module.default,
    () => undefined,
  )
interface Locks {
  /** Takes an exclusive lock on a whole open file, if nobody has one. */
  tryLock(handle: number): boolean
}

/** Where a holder writes who it is, for the words to whoever comes second. */
const HOLDER_BYTES = 200

async function lockFile(folder: string): Promise<() => void> {
  const locks = await kernelLocks()
  if (!locks) {
    sayInTerminal(say('trouble.noKernelLock'))
    return () => {}
  }
  const path = join(folder, LOCK_FILE)
  const open = () => fs.openSync(path, fs.constants.O_RDWR | fs.constants.O_CREAT, PRIVATE.file)
  const handle = open()
  if (!locks.tryLock(handle)) {
    const known = Buffer.alloc(HOLDER_BYTES)
    const length = fs.readSync(handle, known, 0, HOLDER_BYTES, 0)
    fs.closeSync(handle)
    throw new RecordTrouble('in-use', folder, { more: known.toString('utf8', 0, length) })
  }
  try {
    // Some network file systems grant every lock that is asked for.
    const second = open()
    if (locks.tryLock(second)) sayInTerminal(say('trouble.noLocks'))
    fs.closeSync(second)
    fs.ftruncateSync(handle)
    fs.writeSync(handle, `${process.pid} on ${hostname()}`, 0)
  } catch (error) {
    // On a full disk it is tried again: a lock that nobody gives back would stand in the way of that.
    fs.closeSync(handle)
    throw error
  }
  return () => fs.closeSync(handle)
}

/**
 * Takes the data folder for this process alone, until it ends.
 *
 * @param folder an existing folder
 * @returns a function that gives the folder free again
 * @throws RecordTrouble in words for the person who started the second process
 */
export async function lockDataFolder(folder: string): Promise<() => Promise<void>> {
  const closeSocket = await lockSocket(folder)
  try {
    const unlockFile = await lockFile(folder)
    return async () => {
      unlockFile()
      await closeSocket()
    }
  } catch (error) {
    await closeSocket()
    throw error
  }
}

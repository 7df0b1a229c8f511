import fs from 'node:fs'
import { readdir, readFile, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { makeFolder, syncFolder } from '../database/durable-fs'
import { dataFolder } from './data-folder'
import { writeWhole } from './write-whole'

/** Where pictures are kept, by their ids. */
export interface PhotoStore {
  /** It is kept when this returns. */
  put(id: string, bytes: Uint8Array): Promise<void>
  /** Undefined where there is none. */
  get(id: string): Promise<Buffer | undefined>
  /** As `get`, for who reads one after another and gives others their turns itself. */
  getInTurn(id: string): Promise<Buffer | undefined>
  /** The ids of those that are kept; of a great many perhaps not all. */
  ids(): Promise<string[]>
  remove(ids: readonly string[]): Promise<void>
}

/** In memory alone, gone with the process. */
export function memoryStore(): PhotoStore {
  const kept = new Map<string, Uint8Array>()
  const get = async (id: string) => {
    const bytes = kept.get(id)
    return bytes && Buffer.from(bytes)
  }
  return {
    ...{ get, getInTurn: get },
    put: async (id, bytes) => void kept.set(id, bytes),
    ids: async () => [...kept.keys()].sort(),
    remove: async (ids) => ids.forEach((id) => kept.delete(id)),
  }
}

/** Files in the data folder, beside the database and never in a public path. */
export function folderStore(): PhotoStore {
  const folder = () => join(dataFolder(), 'photos')
  const names = () => readdir(folder()).catch(() => [])
  return {
    async put(id, bytes) {
      makeFolder(folder())
      await writeWhole(join(folder(), id), [bytes])
    },
    get: (id) => readFile(join(folder(), id)).catch(() => undefined),
    // Read at once: each wait of a file among many is a turn that a busy server takes its time with.
    async getInTurn(id) {
      try {
        return fs.readFileSync(join(folder(), id))
      } catch {
        return undefined
      }
    },
    // With what a stop in the midst of writing left.
    ids: async () => (await names()).sort(),
    async remove(ids) {
      for (const id of ids) await rm(join(folder(), id), { force: true })
      if (ids.length && fs.existsSync(folder())) syncFolder(folder())
    },
  }
}

/** What names a bucket of an object store that speaks S3's protocol. */
export interface Bucket {
  endpoint: string
  bucket: string
  region: string
  accessKeyId: string
  secretAccessKey: string
}

/** The bucket that the environment names; undefined where it names none. */
export function namedBucket(env: NodeJS.ProcessEnv): Bucket | undefined {
  const endpoint = env.OAK_PINCH_S3_ENDPOINT
  if (!endpoint) return undefined
  return {
    endpoint,
    bucket: env.OAK_PINCH_S3_BUCKET ?? 'oak-pinch',
    region: env.OAK_PINCH_S3_REGION ?? 'auto',
    accessKeyId: env.OAK_PINCH_S3_KEY_ID ?? '',
    secretAccessKey: env.OAK_PINCH_S3_SECRET ?? '',
  }
}

/** Objects in a bucket, for servers whose processes share no folder. It lists the first thousand at most. */
export function bucketStore(bucket: Bucket): PhotoStore {
  const driver = (async () => {
    const { default: s3 } = await import('unstorage/drivers/s3')
    return s3(bucket)
  })()
  const none = { ttl: undefined }
  const get = async (id: string) => {
    const bytes = (await (await driver).getItemRaw!(id, none)) as ArrayBuffer | null
    return bytes === null ? undefined : Buffer.from(bytes)
  }
  return {
    ...{ get, getInTurn: get },
    put: async (id, bytes) => void (await (await driver).setItemRaw!(id, bytes, none)),
    ids: async () => (await (await driver).getKeys('', none)).sort(),
    async remove(ids) {
      const { removeItem } = await driver
      for (const id of ids) await removeItem!(id, none)
    },
  }
}

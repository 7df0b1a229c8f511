import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { checkInViewSchema, type CheckInView } from '#shared/contract/check-ins'
import { OFFLINE_STORE } from './offline-known'
import { operationsOfVersion1 } from './offline-version-1'
import type { Operation } from './operations'

/*
 * What the browser itself keeps: the check-ins that are under way as the server gave them, and the log of what it has
 * not answered yet.
 */

interface Schema extends DBSchema {
  views: { key: string; value: { id: string; view: unknown } }
  operations: {
    key: number
    value: { place?: number; id: string; operation: Operation }
    indexes: { id: string }
  }
}

const VERSION = 2

let opening: Promise<IDBPDatabase<Schema>> | undefined

function database() {
  opening ??= openDB<Schema>(OFFLINE_STORE, VERSION, {
    async upgrade(db, before, _after, tx) {
      // What version 1 kept is read before its stores go, and put into the new ones.
      const old = before === 1 ? await readVersion1(tx as unknown as Version1) : []
      for (const name of [...db.objectStoreNames]) db.deleteObjectStore(name)
      db.createObjectStore('views', { keyPath: 'id' })
      const log = db.createObjectStore('operations', { keyPath: 'place', autoIncrement: true })
      log.createIndex('id', 'id', { unique: true })
      for (const operation of old) {
        await tx.objectStore('operations').add({ id: operation.id, operation })
      }
    },
  }).catch((error: unknown) => {
    opening = undefined
    throw error
  })
  return opening
}

/** The stores of version 1, as far as they are read. */
interface Version1 {
  objectStore(name: string): { getAll(): Promise<unknown[]> }
}

async function readVersion1(tx: Version1) {
  const checkIns = await tx.objectStore('checkIns').getAll()
  const readings = await tx.objectStore('readings').getAll()
  // A view is not brought over: the server has all of it but what waits, and that becomes operations.
  return operationsOfVersion1(checkIns, readings)
}

// Through JSON, since what the screen holds may be reactive and cannot be cloned.
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** Puts away what the check-in screen shows around the readings. */
export async function keepView(view: CheckInView): Promise<void> {
  await (await database()).put('views', { id: view.checkIn.id, view: plain(view) })
}

/** What was kept of a check-in; undefined when nothing was, or nothing that this page can read. */
export async function keptView(id: string): Promise<CheckInView | undefined> {
  const kept = await (await database()).get('views', id)
  const read = checkInViewSchema.safeParse(kept?.view)
  return read.success ? read.data : undefined
}

/** Forgets a check-in that the server holds closed and complete. */
export async function forgetView(id: string): Promise<void> {
  await (await database()).delete('views', id)
}

/** Forgets all that is kept of clients who were deleted for good, and what was not sent of their check-ins. */
export async function forgetClients(ids: ReadonlySet<string>): Promise<void> {
  const db = await database()
  const views = (await db.getAll('views')) as { id: string; view: CheckInView }[]
  const gone = new Set(views.filter(({ view }) => ids.has(view.client?.id)).map(({ id }) => id))
  for (const id of gone) await db.delete('views', id)
  for (const { place, operation } of await db.getAll('operations')) {
    const ofClient = operation.kind === 'site-note' && ids.has(operation.clientId)
    if (ofClient || gone.has(operation.checkInId)) await db.delete('operations', place!)
  }
}

/** The log of operations, in their order. */
export const keptOperations = {
  async load(): Promise<Operation[]> {
    const all = await (await database()).getAll('operations')
    return all.map(({ operation }) => operation)
  },
  async put(operation: Operation): Promise<void> {
    const tx = (await database()).transaction('operations', 'readwrite')
    const place = await tx.store.index('id').getKey(operation.id)
    const row = { id: operation.id, operation: plain(operation) }
    await tx.store.put(place === undefined ? row : { ...row, place })
    await tx.done
  },
  async remove(id: string): Promise<void> {
    const tx = (await database()).transaction('operations', 'readwrite')
    const place = await tx.store.index('id').getKey(id)
    if (place !== undefined) await tx.store.delete(place)
    await tx.done
  },
}

/** For tests: forgets that the database was opened. */
export async function closeOfflineStore(): Promise<void> {
  ;(await opening?.catch(() => undefined))?.close()
  opening = undefined
}

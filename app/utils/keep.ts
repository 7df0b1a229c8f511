import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { CheckInChange, CheckInView, ReadingRecord } from '#shared/contract/check-ins'
import type { SiteNote } from '#shared/contract/clients'

/** A reading kept in the browser, and whether the server has said that it is committed. */
export interface KeptReading {
  reading: ReadingRecord
  stored: boolean
  /** The server's words, where it refused the reading. */
  refusal: string | null
}

interface KeptCheckIn {
  id: string
  view: CheckInView
  /** Changes that the server has not taken yet. */
  change: CheckInChange
  siteNotes: SiteNote[]
}

interface Schema extends DBSchema {
  checkIns: { key: string; value: KeptCheckIn }
  readings: {
    key: string
    value: KeptReading & { id: string; checkInId: string; order: number }
    indexes: { checkIn: string }
  }
}

let opening: Promise<IDBPDatabase<Schema>> | undefined

function database() {
  opening ??= openDB<Schema>('oak-pinch', 1, {
    upgrade(db) {
      db.createObjectStore('checkIns', { keyPath: 'id' })
      db.createObjectStore('readings', { keyPath: 'id' }).createIndex('checkIn', 'checkInId')
    },
  })
  return opening
}

/** Puts away what the check-in screen shows around the readings. */
export async function keepCheckIn(
  view: CheckInView,
  change: CheckInChange,
  siteNotes: SiteNote[],
): Promise<void> {
  // Through JSON, since what the store holds is reactive and cannot be cloned.
  const plain = JSON.parse(
    JSON.stringify({ id: view.checkIn.id, view, change, siteNotes }),
  ) as KeptCheckIn
  await (await database()).put('checkIns', plain)
}

/** Puts away one reading; keeping it again replaces it. */
export async function keepReading(kept: KeptReading, order: number): Promise<void> {
  const { id, checkInId } = kept.reading
  const plain = JSON.parse(JSON.stringify({ ...kept, id, checkInId, order })) as KeptReading & {
    id: string
    checkInId: string
    order: number
  }
  await (await database()).put('readings', plain)
}

/** What was kept of a check-in, readings in the order they were taken; undefined when nothing was. */
export async function keptOf(
  checkInId: string,
): Promise<(KeptCheckIn & { readings: KeptReading[] }) | undefined> {
  const db = await database()
  const checkIn = await db.get('checkIns', checkInId)
  if (!checkIn) return undefined
  const readings = await db.getAllFromIndex('readings', 'checkIn', checkInId)
  return { ...checkIn, readings: readings.sort((a, b) => a.order - b.order) }
}

/** Forgets a check-in that the server holds closed and complete. */
export async function forget(checkInId: string): Promise<void> {
  const db = await database()
  const tx = db.transaction(['checkIns', 'readings'], 'readwrite')
  await tx.objectStore('checkIns').delete(checkInId)
  for (const key of await tx.objectStore('readings').index('checkIn').getAllKeys(checkInId)) {
    await tx.objectStore('readings').delete(key)
  }
  await tx.done
}

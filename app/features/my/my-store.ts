import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { MyPage } from '#shared/contract/client-side'
import type { ReportDraft } from './report-draft'

/*
 * What a client's phone keeps: their page as it was last seen, the report that is being written, and what is on its way.
 * All of it stays until the server has it.
 */

/** A picture that is to go with a report. */
export interface KeptPhoto {
  id: string
  view: 'front' | 'side' | 'back'
  blob: Blob
  width: number
  height: number
}

interface Schema extends DBSchema {
  kept: { key: 'page' | 'draft' | 'waiting'; value: unknown }
  photos: { key: string; value: KeptPhoto }
}

let opening: Promise<IDBPDatabase<Schema>> | undefined
const database = () =>
  (opening ??= openDB<Schema>('oak-pinch-my', 1, {
    upgrade(db) {
      db.createObjectStore('kept')
      db.createObjectStore('photos', { keyPath: 'id' })
    },
  }).catch((error: unknown) => {
    opening = undefined
    throw error
  }))

// Through JSON, since what the screen holds may be reactive and cannot be cloned.
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

interface Kept {
  page: MyPage
  draft: ReportDraft
  /** Written to its end, and not yet with the coach. */
  waiting: ReportDraft
}

export async function keepOnPhone<K extends keyof Kept>(name: K, value: Kept[K]): Promise<void> {
  await (await database()).put('kept', plain(value), name)
}
export async function keptOnPhone<K extends keyof Kept>(name: K): Promise<Kept[K] | undefined> {
  return (await (await database()).get('kept', name)) as Kept[K] | undefined
}
export async function forgetOnPhone(name: keyof Kept): Promise<void> {
  await (await database()).delete('kept', name)
}

export async function keepPhoto(photo: KeptPhoto): Promise<void> {
  await (await database()).put('photos', photo)
}
export async function keptPhoto(id: string): Promise<KeptPhoto | undefined> {
  return (await database()).get('photos', id)
}
export async function forgetPhoto(id: string): Promise<void> {
  await (await database()).delete('photos', id)
}

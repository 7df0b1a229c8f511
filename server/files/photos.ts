import { bucketStore, folderStore, memoryStore, namedBucket, type PhotoStore } from './photo-stores'

/** Where the pictures of databases are that are in memory alone. */
const inMemory = new WeakMap<object, PhotoStore>()
/** Keeps the pictures of a database in memory, as the database itself. */
export const keepPhotosInMemory = (db: object) => inMemory.set(db, memoryStore())

let ofRecord: PhotoStore | undefined
function storeOf(db: object): PhotoStore {
  const memory = inMemory.get(db)
  if (memory) return memory
  const bucket = namedBucket(process.env)
  ofRecord ??= bucket ? bucketStore(bucket) : folderStore()
  return ofRecord
}

/** Keeps a picture: it is on the disk when this returns. */
export const writePhoto = (db: object, id: string, bytes: Uint8Array): Promise<void> =>
  storeOf(db).put(id, bytes)

/** The bytes of a picture, or undefined where it is gone. */
export const readPhoto = (db: object, id: string): Promise<Buffer | undefined> =>
  storeOf(db).get(id)

/** As `readPhoto`, for who reads one after another and gives others their turns itself. */
export const readPhotoInTurn = (db: object, id: string): Promise<Buffer | undefined> =>
  storeOf(db).getInTurn(id)

/** Takes pictures away, for good. */
export const deletePhotos = (db: object, ids: readonly string[]): Promise<void> =>
  storeOf(db).remove(ids)

/** Takes away every picture that no row of the record speaks of: what a stop in the midst left. */
export async function sweepPhotos(db: object, known: ReadonlySet<string>): Promise<void> {
  if (inMemory.has(db)) return
  const ids = await storeOf(db).ids()
  await deletePhotos(
    db,
    ids.filter((id) => !known.has(id)),
  )
}

import { setImmediate } from 'node:timers/promises'
import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'
import type { Connection, Database } from '../database/driver'
import { sql } from 'drizzle-orm'
import { readPhotoInTurn } from '../files/photos'
import { keptPhotoIds } from '../photos/commands'
import { FILES, FORMAT, type Manifest } from './format'
import { readTables, sha256, sumOf, type Table } from './record'

/** So much is packed at a time; then everybody else has a turn. */
const PART_BYTES = 256 * 1024

/** The tables of a record as of one moment. */
export interface Snapshot {
  version: number
  tables: Table[]
}

/** Reads the whole record as of one moment. */
export const snapshotOf = (db: Database): Promise<Snapshot> =>
  db.transaction(async (tx) => ({ version: await versionOf(tx), tables: await readTables(tx) }), {
    isolationLevel: 'repeatable read',
    accessMode: 'read only',
  })

/** How many migrations a database has been through. */
async function versionOf(db: Connection): Promise<number> {
  const { rows } = await db.execute<{ n: number }>(
    sql`select count(*)::int as n from drizzle.__drizzle_migrations`,
  )
  return rows[0]!.n
}

/**
 * The archive of a record, part by part. Its photos are those that are there while it is written.
 *
 * @param db whose photos they are
 */
export async function* archiveOf(
  db: Database,
  { version, tables }: Snapshot,
  madeAt: Date,
): AsyncGenerator<Uint8Array> {
  let parts: Uint8Array[] = []
  let failed: Error | undefined
  const zip = new Zip((error, part) => {
    if (error) failed = error
    else parts.push(part)
  })
  const take = () => {
    if (failed) throw failed
    const taken = parts
    parts = []
    return taken
  }
  // A turn for others after so many bytes, and not after every small piece: on a busy server each turn is a long one.
  let packed = 0
  const breathe = async (bytes: number) => {
    packed += bytes
    if (packed < PART_BYTES) return
    packed = 0
    await setImmediate()
  }
  async function* text(name: string, pieces: Iterable<string>) {
    const file = new ZipDeflate(name, { level: 6 })
    file.mtime = madeAt
    zip.add(file)
    for (const piece of pieces) {
      const bytes = Buffer.from(piece)
      for (let at = 0; at < bytes.length; at += PART_BYTES) {
        const part = bytes.subarray(at, at + PART_BYTES)
        file.push(part)
        yield* take()
        await breathe(part.length)
      }
    }
    file.push(new Uint8Array(), true)
    yield* take()
  }
  const manifest: Manifest = {
    ...{ format: FORMAT, version, madeAt: madeAt.toISOString() },
    tables: Object.fromEntries(tables.map((table) => [table.name, sumOf(table)])),
    photos: {},
  }
  yield* text(FILES.record, recordText(version, tables))
  for (const id of [...(await keptPhotoIds(db))].sort()) {
    const bytes = await readPhotoInTurn(db, id)
    if (!bytes) continue
    // Pictures are packed already.
    const file = new ZipPassThrough(FILES.photos + id)
    file.mtime = madeAt
    zip.add(file)
    file.push(bytes, true)
    manifest.photos[id] = { bytes: bytes.length, sha256: sha256(bytes) }
    yield* take()
    await breathe(bytes.length)
  }
  yield* text(FILES.manifest, [JSON.stringify(manifest, null, 2)])
  zip.end()
  yield* take()
}

function* recordText(version: number, tables: readonly Table[]): Generator<string> {
  yield `{"format":${JSON.stringify(FORMAT)},"version":${version},"tables":{`
  for (const [i, { name, json }] of tables.entries()) {
    yield `${i ? ',' : ''}\n${JSON.stringify(name)}:`
    yield json
  }
  yield '\n}}\n'
}

import fs from 'node:fs'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import { drizzle } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import { refusal, say } from '#core'
import { erasedIn } from '../clients/erasures'
import { emptyFolder, PRIVATE, syncTree } from '../database/durable-fs'
import type { Database } from '../database/driver'
import { RecordEngine } from '../database/engine'
import { finishSwap, keepPrivate, PARTS, startSwap, type Creating } from '../database/record-folder'
import { firstMigrations } from '../database/migrations-folder'
import * as schema from '../database/schema'
import { writePhoto } from '../files/photos'
import { Refusal } from '../http/errors'
import type { Manifest } from './format'
import { readArchive } from './read'
import { emptyTables, readTables, sumOf, writeTables, type Table } from './record'

/** What a restore needs besides the archive. */
export interface Restoring {
  /** The generated SQL of this version. */
  migrations: string
  /** Makes a database of this version in an empty folder. */
  create: Creating
  /** Clients who were deleted since, and stay so. */
  erased?: readonly string[]
  /** Who gets in now: no backup holds that, and a restored record lets in the same people. */
  access?: readonly Table[]
  /** Whether the present record is in a backup, and need not be put aside. */
  backedUp?: boolean
}

/** What the present record, which is in a backup, hands on to the one that takes its place. */
export async function handedOn(
  db: Database,
): Promise<Required<Pick<Restoring, 'erased' | 'access' | 'backedUp'>>> {
  const access = await db.transaction((tx) => readTables(tx, 'access'))
  return { erased: await erasedIn(db), access, backedUp: true }
}

/**
 * Puts the record of an archive in place of the one in a data folder that nobody has open. What comes out is read back
 * and held against what went in before anything is replaced; until then the present record is untouched. A stop in the
 * midst leaves the one or the other, whole.
 *
 * @param parts of the archive's file
 * @param folder the data folder, held by this process
 * @returns what the archive said of itself
 * @throws Refusal when it is no archive, not whole, of a newer version, or came out otherwise than it went in
 */
export async function restoreInto(
  parts: AsyncIterable<Uint8Array>,
  folder: string,
  restoring: Restoring,
): Promise<Manifest> {
  const [database, photos] = [join(folder, PARTS.making), join(folder, PARTS.makingPhotos)]
  for (const path of [database, photos]) emptyFolder(path)
  try {
    const { manifest, rows } = await readArchive(parts, (id, bytes) =>
      fs.writeFileSync(join(photos, id), bytes, { mode: PRIVATE.file }),
    )
    await fill(database, manifest, rows, restoring)
    for (const path of [database, photos]) {
      keepPrivate(path)
      syncTree(path)
    }
    startSwap(folder)
    const aside = finishSwap(folder)
    if (aside && restoring.backedUp) fs.rmSync(aside, { recursive: true })
    return manifest
  } catch (error) {
    for (const path of [database, photos]) fs.rmSync(path, { recursive: true, force: true })
    throw error
  }
}

/**
 * Puts the record of an archive in place of the one on a PostgreSQL server, in one transaction: whoever reads meanwhile
 * sees the one before. It is made in a database of its own first, which brings it to the tables of this version.
 *
 * @param folder the data folder
 * @throws Refusal as `restoreInto`
 */
export async function restoreOnServer(
  db: Database,
  parts: AsyncIterable<Uint8Array>,
  folder: string,
  restoring: Restoring,
): Promise<Manifest> {
  const beside = join(folder, PARTS.making)
  emptyFolder(beside)
  try {
    const photos: Promise<void>[] = []
    const { manifest, rows } = await readArchive(parts, (id, bytes) =>
      photos.push(writePhoto(db, id, bytes)),
    )
    await Promise.all(photos)
    await fill(beside, manifest, rows, { ...restoring, access: [] })
    const tables = await tablesIn(beside)
    const wanted = new Map(tables.map(({ name, json }) => [name, json]))
    await db.transaction(async (tx) => {
      await emptyTables(tx)
      await writeTables(tx, (name) => wanted.get(name))
      for (const table of await readTables(tx))
        if (wanted.get(table.name) !== table.json) throw damaged(table.name)
    })
    return manifest
  } finally {
    fs.rmSync(beside, { recursive: true, force: true })
  }
}

/** Every table of a database that nobody has open. */
async function tablesIn(folder: string): Promise<Table[]> {
  const engine = await RecordEngine.open(folder)
  try {
    const db: Database = drizzle(engine, { schema })
    return await db.transaction((tx) => readTables(tx))
  } finally {
    await engine.close()
  }
}

/** A table did not come out as it went in. */
const damaged = (name: string) =>
  new Refusal(
    422,
    refusal(say('api.backup'), say('api.damagedTable', { name }), say('api.wholeBackup')),
    { code: 'backup' },
  )

/**
 * Restores an archive beside the record, holds it against what went in, and takes it away again.
 *
 * @param beside an empty folder of its own
 * @throws Refusal as `restoreInto`
 */
export async function tryRestore(
  parts: AsyncIterable<Uint8Array>,
  beside: string,
  restoring: Restoring,
): Promise<Manifest> {
  emptyFolder(beside)
  try {
    const { manifest, rows } = await readArchive(parts, () => {})
    await fill(beside, manifest, rows, restoring)
    return manifest
  } finally {
    fs.rmSync(beside, { recursive: true, force: true })
  }
}

/** Makes a database with the rows of an archive, by the tables of its version, and brings it to this one. */
async function fill(
  folder: string,
  manifest: Manifest,
  rows: ReadonlyMap<string, string>,
  { migrations, create, erased = [], access = [] }: Restoring,
): Promise<void> {
  const then = firstMigrations(migrations, manifest.version)
  if (!then) {
    throw new Refusal(
      422,
      refusal(say('api.backup'), say('api.ofNewerVersion'), say('api.backupOfThisVersion')),
      { code: 'newer' },
    )
  }
  try {
    if (then.isWhole) await create(folder)
    const engine = await RecordEngine.open(folder)
    try {
      const db: Database = drizzle(engine, { schema })
      await migrate(db, { migrationsFolder: then.folder })
      await db.transaction((tx) => writeTables(tx, (name) => rows.get(name)))
      const back = new Map(
        (await db.transaction((tx) => readTables(tx))).map((table) => [table.name, sumOf(table)]),
      )
      for (const [name, sum] of Object.entries(manifest.tables)) {
        if (back.get(name)?.sha256 === sum.sha256 && back.get(name)?.rows === sum.rows) continue
        throw damaged(name)
      }
      await migrate(db, { migrationsFolder: migrations })
      const letIn = new Map(access.map(({ name, json }) => [name, json]))
      await db.transaction((tx) => writeTables(tx, (name) => letIn.get(name), 'access'))
      for (const id of erased) {
        await db.execute(sql`delete from clients where id = ${id}`)
        await db.execute(
          sql`insert into erasures (client_id, photo_ids) values (${id}, '[]') on conflict (client_id) do update set finished_at = null`,
        )
      }
    } finally {
      await engine.close()
    }
  } finally {
    then.remove()
  }
}

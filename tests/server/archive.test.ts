import { randomUUID } from 'node:crypto'
import fs, {
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { unzipSync, zipSync } from 'fflate'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { shippedVoice } from '#shared/words/voices'
import { tell } from '#shared/words/tell'
import { seedDemo } from '../../demo/seed'
import { z } from 'zod'
import { publishedSchema } from '../../server/archive/published-schema'
import { FILES, manifestSchema } from '../../server/archive/format'
import {
  backUpTo,
  backupsIn,
  makeBackup,
  keepSettings,
  openArchive,
  outlived,
  type Backup,
} from '../../server/archive/backups'
import { readTables } from '../../server/archive/record'
import { restoreInto, tryRestore } from '../../server/archive/restore'
import { eraseClient, erasedIn } from '../../server/clients/erasures'
import { openDatabase, type OpenDatabase } from '../../server/database/driver'
import { firstMigrations } from '../../server/database/migrations-folder'
import { finishSwap, PARTS, startSwap } from '../../server/database/record-folder'
import { ensureGym } from '../../server/equipment/commands'
import { writePhoto } from '../../server/files/photos'
import { Refusal } from '../../server/http/errors'
import { ensureTemplate, fromTemplate } from '../support/template'
import { migrations } from './support/global'

const scratch = mkdtempSync(join(tmpdir(), 'oak-pinch-archive-'))
afterAll(() => rmSync(scratch, { recursive: true, force: true }))
const restoring = { migrations, create: fromTemplate }

const club = join(scratch, 'club')
const archive = join(scratch, 'club.zip')
let open: OpenDatabase
beforeAll(async () => {
  ensureTemplate()
  process.env.OAK_PINCH_DATA = club
  open = await openDatabase(club, migrations, { create: fromTemplate })
  await ensureGym(open.db)
  await seedDemo(open.db, (id, bytes) => writePhoto(open.db, id, bytes))
  await backUpTo(open.db, archive)
})
afterAll(() => open.close())

/** The tables of a data folder, and its pictures. */
async function contentOf(folder: string) {
  const { db, close } = await openDatabase(folder, migrations)
  try {
    return { tables: await db.transaction(readTables), photos: picturesIn(folder) }
  } finally {
    await close()
  }
}
const picturesIn = (folder: string) =>
  readdirSync(join(folder, 'photos'))
    .sort()
    .map((name) => [name, readFileSync(join(folder, 'photos', name)).toString('base64')])

const restore = async (file: string, folder: string, passphrase: string | null = null) => {
  mkdirSync(folder, { recursive: true })
  return restoreInto(await openArchive(file, passphrase), folder, restoring)
}
const refusalOf = async (work: Promise<unknown>): Promise<string> => {
  const error = await work.then(
    () => undefined,
    (thrown: unknown) => thrown,
  )
  expect(error).toBeInstanceOf(Refusal)
  return tell((error as Refusal).said, shippedVoice())
}

describe('a backup', () => {
  test('restored into an empty folder is the same record, row by row and picture by picture', async () => {
    const manifest = await restore(archive, join(scratch, 'again'))
    const [ours, theirs] = [
      { tables: await open.db.transaction(readTables), photos: picturesIn(club) },
      await contentOf(join(scratch, 'again')),
    ]
    expect(ours.tables.find(({ name }) => name === 'readings')!.rows).toBeGreaterThan(500)
    expect(ours.photos.length).toBeGreaterThan(3)
    expect(theirs).toEqual(ours)
    expect(Object.keys(manifest.tables)).toEqual(ours.tables.map(({ name }) => name))
    // What is added after it comes after what was there.
    const again = await openDatabase(join(scratch, 'again'), migrations)
    const [client] = (await again.engine.query<{ id: string }>('select id from clients limit 1'))
      .rows
    await again.engine.query(
      `insert into weigh_ins (id, client_id, date, kg, typed_unit, typed_text) values ($1, $2, '2026-01-01', 60, 'kg', '60')`,
      [randomUUID(), client!.id],
    )
    await again.close()
  })

  test('is read without us: a zip with JSON, whose manifest is true', () => {
    const files = unzipSync(readFileSync(archive))
    const manifest = manifestSchema.parse(
      JSON.parse(Buffer.from(files[FILES.manifest]!).toString()),
    )
    const record = JSON.parse(Buffer.from(files[FILES.record]!).toString()) as {
      tables: Record<string, { name?: string }[]>
    }
    for (const [name, { rows }] of Object.entries(manifest.tables))
      expect(record.tables[name]).toHaveLength(rows)
    expect(record.tables.clients!.map(({ name }) => name)).toContain('Wynne Farrow')
    expect(Object.keys(manifest.photos).map((id) => files[FILES.photos + id]!.length)).toEqual(
      Object.values(manifest.photos).map(({ bytes }) => bytes),
    )
  })

  test('locked with a passphrase opens with it, and with no other', async () => {
    const file = join(scratch, 'locked.zip.age')
    await backUpTo(open.db, file, 'correct horse battery')
    expect(readFileSync(file).includes('record.json')).toBe(false)
    expect(await refusalOf(openArchive(file, null))).toBe(
      'Passphrase: enter the passphrase of this backup.',
    )
    expect(await refusalOf(openArchive(file, 'wrong'))).toMatch(
      /^Passphrase: enter .* Got another one/,
    )
    await tryRestore(
      await openArchive(file, 'correct horse battery'),
      join(scratch, 'try'),
      restoring,
    )
    expect(fs.existsSync(join(scratch, 'try'))).toBe(false)
  })

  test('of an earlier version is restored by its own tables and brought to this one', async () => {
    const old = firstMigrations(migrations, 12)!
    const then = await openDatabase(join(scratch, 'then'), old.folder)
    old.remove()
    await then.engine.query(
      `insert into clients (id, name, sex, birth_date, cadence_days) values ($1, 'Olga Older', 'female', '1988-02-03', 21)`,
      [randomUUID()],
    )
    const file = join(scratch, 'then.zip')
    await backUpTo(then.db, file)
    await then.close()
    expect((await restore(file, join(scratch, 'now'))).version).toBe(12)
    const now = await openDatabase(join(scratch, 'now'), migrations)
    const { rows } = await now.engine.query('select name, week_ends_on from clients')
    expect(rows).toEqual([{ name: 'Olga Older', week_ends_on: null }])
    await now.close()
  })
})

/** What the JSON files of an archive hold, as far as a test changes it. */
interface Loose {
  version: number
  tables: Record<string, Record<string, number>[]>
}

describe('what is no whole backup', () => {
  const folder = join(scratch, 'kept')
  let before: Awaited<ReturnType<typeof contentOf>>
  beforeAll(async () => {
    await restore(archive, folder)
    before = await contentOf(folder)
  })

  /** The archive with one of its files changed. */
  function changed(change: (files: Record<string, Uint8Array>) => void): Buffer {
    const files = unzipSync(readFileSync(archive))
    change(files)
    return Buffer.from(zipSync(files, { level: 0 }))
  }
  const json = (
    files: Record<string, Uint8Array>,
    name: string,
    change: (value: Loose) => void,
  ) => {
    const value = JSON.parse(Buffer.from(files[name]!).toString()) as Loose
    change(value)
    files[name] = Buffer.from(JSON.stringify(value))
  }

  test.each<[string, () => Buffer, RegExp]>([
    ['cut short', () => readFileSync(archive).subarray(0, -5000), /cut short/],
    ['an empty file', () => Buffer.alloc(0), /cut short/],
    ['something else', () => Buffer.from('a,b\n1,2\n'), /cut short/],
    ['a zip of others', () => Buffer.from(zipSync({ 'a.txt': Buffer.from('a') })), /a\.txt/],
    [
      'a name that leads out',
      () => changed((f) => (f['photos/../../x'] = f['record.json']!)),
      /\.\.\/x/,
    ],
    [
      'one reading changed',
      () =>
        changed((f) =>
          json(f, FILES.record, ({ tables }) => (tables.readings![7]!.value_canonical! += 1)),
        ),
      /table readings is damaged/,
    ],
    [
      'a row missing',
      () => changed((f) => json(f, FILES.record, ({ tables }) => tables.weigh_ins!.pop())),
      /table weigh_ins is damaged/,
    ],
    [
      'a picture changed',
      () =>
        changed((f) => {
          const name = Object.keys(f).find((of) => of.startsWith(FILES.photos))!
          f[name] = Buffer.concat([f[name]!.subarray(0, -1), Buffer.from([1])])
        }),
      /photo .* is damaged/,
    ],
    [
      'a newer version',
      () =>
        changed((f) => {
          for (const name of [FILES.record, FILES.manifest]) json(f, name, (v) => (v.version = 999))
        }),
      /newer version/,
    ],
  ])('%s is refused in words, and the record stays as it was', async (_, bytes, words) => {
    const file = join(scratch, 'bad.zip')
    writeFileSync(file, bytes())
    expect(await refusalOf(restore(file, folder))).toMatch(words)
    expect(readdirSync(folder).sort()).toEqual([PARTS.database, 'photos', PARTS.lock].sort())
    expect(await contentOf(folder)).toEqual(before)
  })
})

test('record.json is as its published schema says, and the schema as the tables are', async () => {
  const path = new URL('../../docs/record.schema.json', import.meta.url)
  const published = JSON.parse(readFileSync(path, 'utf8')) as Parameters<typeof z.fromJSONSchema>[0]
  // Otherwise: npm run docs.
  expect(published).toEqual(await publishedSchema(open.db))
  const files = unzipSync(readFileSync(archive))
  const record = JSON.parse(Buffer.from(files[FILES.record]!).toString()) as {
    tables: Record<string, Record<string, unknown>[]>
  }
  const schema = z.fromJSONSchema(published)
  expect(schema.safeParse(record).error?.issues.slice(0, 3)).toBeUndefined()
  const [first] = record.tables.readings!
  for (const wrong of [{ ...first, value: 'much' }, { ...first, more: 1 }, { id: first!.id }]) {
    const tables = { ...record.tables, readings: [wrong] }
    expect(schema.safeParse({ ...record, tables }).success).toBe(false)
  }
})

test('a stop at any moment of the change leaves one record or the other, whole', () => {
  // Each file operation of the change fails in turn and all after it, as with a kill; then comes the next start.
  const operations = ['renameSync', 'rmSync', 'mkdirSync', 'writeFileSync', 'fsyncSync'] as const
  const real = Object.fromEntries(operations.map((name) => [name, fs[name]]))
  const seen = new Set<string>()
  for (let stop = 0; ; stop++) {
    const folder = join(scratch, `swap-${stop}`)
    for (const [part, which] of [
      [PARTS.database, 'old'],
      [PARTS.making, 'new'],
      [PARTS.photos, 'old'],
      [PARTS.makingPhotos, 'new'],
    ] as const) {
      mkdirSync(join(folder, part), { recursive: true })
      writeFileSync(join(folder, part, which), '')
    }
    let at = 0
    for (const name of operations)
      Object.assign(fs, {
        [name]: (...given: unknown[]) => {
          if (at++ >= stop) throw new Error('stopped')
          return (real[name] as (...all: unknown[]) => unknown)(...given)
        },
      })
    let done = true
    try {
      startSwap(folder)
      finishSwap(folder)
    } catch {
      done = false
    }
    Object.assign(fs, real)
    finishSwap(folder)
    const [database] = readdirSync(join(folder, PARTS.database))
    expect(readdirSync(join(folder, PARTS.photos))).toEqual([database])
    expect(fs.existsSync(join(folder, PARTS.swap))).toBe(false)
    seen.add(database!)
    if (!done) continue
    expect(database).toBe('new')
    expect(stop).toBeGreaterThan(8)
    break
  }
  expect([...seen]).toEqual(['old', 'new'])
})

test('clients who were deleted since are not brought back', async () => {
  const folder = join(scratch, 'erased')
  await restore(archive, folder)
  process.env.OAK_PINCH_DATA = folder
  const first = await openDatabase(folder, migrations)
  const [gone] = await first.db.query.clients.findMany({
    where: (c, { eq }) => eq(c.name, 'Wynne Farrow'),
  })
  await eraseClient(first.db, gone!.id, 'Wynne Farrow')
  const erased = await erasedIn(first.db)
  expect(erased).toEqual([gone!.id])
  await first.close()
  await restoreInto(await openArchive(archive, null), folder, { ...restoring, erased })
  const then = await openDatabase(folder, migrations)
  expect(
    await then.db.query.clients.findMany({ where: (c, { eq }) => eq(c.id, gone!.id) }),
  ).toEqual([])
  expect(await erasedIn(then.db)).toEqual(erased)
  await then.close()
  process.env.OAK_PINCH_DATA = club
})

describe('the backups of a folder', () => {
  test('are made whole, copied to the second folder, and said to have failed where that is gone', async () => {
    const second = join(scratch, 'stick')
    mkdirSync(second)
    await keepSettings(club, { second })
    const name = await makeBackup(open.db, club, 'daily')
    expect(backupsIn(club).map((b) => b.name)).toEqual([name])
    expect(readFileSync(join(second, name))).toEqual(readFileSync(join(club, 'backups', name)))
    rmSync(second, { recursive: true })
    await makeBackup(open.db, club, 'asked', { at: new Date(Date.now() + 1000) })
    expect(backupsIn(club)).toHaveLength(2)
    const { secondFailed } = await keepSettings(club, { second: null })
    expect(secondFailed).not.toBeNull()
    expect(fs.statSync(join(club, 'backups')).mode & 0o777).toBe(0o700)
    expect(fs.statSync(join(club, 'backups', backupsIn(club)[0]!.name)).mode & 0o777).toBe(0o600)
  })

  test('are kept for 7 days, 5 weeks and 12 months, the newest of each', () => {
    const day = 86_400_000
    const now = Date.UTC(2026, 10, 27, 9)
    const backups: Backup[] = Array.from({ length: 800 }, (_, i) => ({
      ...{ name: `${i}`, reason: 'daily', bytes: 1, locked: false },
      madeAt: new Date(now - (i * day) / 2),
    }))
    const gone = new Set(outlived(backups))
    const kept = backups.filter((backup) => !gone.has(backup))
    // The three newest whatever their day, and one of each day before.
    expect(kept.slice(0, 3)).toEqual(backups.slice(0, 3))
    const all = kept.map(({ madeAt }) => madeAt.toISOString().slice(0, 10))
    const days = [...new Set(all)]
    expect(all.length - days.length).toBe(1)
    // The last seven days are there one by one, and the oldest is of eleven months before.
    expect(days.slice(0, 7)).toEqual(
      Array.from({ length: 7 }, (_, i) => new Date(now - i * day).toISOString().slice(0, 10)),
    )
    expect(days.at(-1)!.slice(0, 7)).toBe('2025-12')
    expect(new Set(days.map((d) => d.slice(0, 7))).size).toBe(12)
    expect(kept.length).toBeLessThanOrEqual(1 + 7 + 5 + 12)
    // Letting go once more changes nothing.
    expect(outlived(kept)).toEqual([])
  })
})

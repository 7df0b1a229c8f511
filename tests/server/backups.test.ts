import { randomUUID } from 'node:crypto'
import fs, {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join, relative } from 'node:path'
import { setImmediate } from 'node:timers/promises'
import { strFromU8, unzipSync } from 'fflate'
import { afterAll, beforeAll, describe, expect, test, vi } from 'vitest'
import { PATIENCE } from '../support/patience'
import type { BackupHolds, Backups } from '#shared/contract/backups'
import { backups as routes } from '#shared/contract/routes/backups'
import { clients } from '#shared/contract/routes/clients'
import { TEMPLATE_FILE } from '../../scripts/template-file'
import { backupConcern } from '../../server/archive/desk'
import { keepSettings } from '../../server/archive/backups'
import { openDatabase, type Database } from '../../server/database/driver'
import { givenBack, lend } from '../../server/database/lending'
import { closeDatabase } from '../../server/database/running'
import { ensureGym } from '../../server/equipment/commands'
import { ensureTemplate, fromTemplate } from '../support/template'
import { startApi } from './support/app'
import { migrations } from './support/global'

/* The backups as Settings shows them: over a record in a folder, which is replaced while others write to it. */

const scratch = mkdtempSync(join(tmpdir(), 'oak-pinch-backups-'))
const folder = join(scratch, 'record')
const inFolder = (...names: string[]) => join(folder, 'backups', ...names)

/** What the server reads of what was built into it, from where the build has it. */
const assets: Record<string, { getKeys(): Promise<string[]>; read(key: string): Buffer }> = {
  'assets:migrations': {
    getKeys: () =>
      Promise.resolve(
        (readdirSync(migrations, { recursive: true }) as string[])
          .map((name) => name.replaceAll(/[\\/]/g, ':'))
          .filter((name) => name.includes('.')),
      ),
    read: (key) => readFileSync(join(migrations, ...key.split(':'))),
  },
  'assets:template': {
    getKeys: () => Promise.resolve([]),
    read: () => readFileSync(TEMPLATE_FILE),
  },
}
vi.stubGlobal('useStorage', (name: string) => ({
  getKeys: () => assets[name]!.getKeys(),
  getItem: (key: string) => Promise.resolve(assets[name]!.read(key).toString()),
  getItemRaw: (key: string) => Promise.resolve(assets[name]!.read(key)),
}))

let api: Awaited<ReturnType<typeof startApi>>
beforeAll(async () => {
  ensureTemplate()
  process.env.OAK_PINCH_DATA = folder
  const open = await openDatabase(folder, migrations, { create: fromTemplate })
  await ensureGym(open.db)
  api = await startApi(open)
})
afterAll(async () => {
  await closeDatabase()
  rmSync(scratch, { recursive: true, force: true })
})

const person = (name: string) => ({
  ...{ id: randomUUID(), name, sex: 'female', birthYear: 1990, height: '168 cm' },
})
const add = async (name: string) => {
  const somebody = person(name)
  const { status, body } = await api.post('/api/clients', somebody)
  expect(status, JSON.stringify(body)).toBe(201)
  return somebody.id
}
/** Everybody on record, by name. */
async function everybody(): Promise<string[]> {
  const names: string[] = []
  for (let page = 1; ; page++) {
    const { entries, total } = await api.ask(clients.list, { query: { page: String(page) } })
    names.push(...entries.map(({ client }) => client.name))
    if (names.length >= total) return names
  }
}
const view = () => api.ask(routes.view)
const newest = (of: Backups) => of.backups[0]!
const act = (name: string, way: 'try' | 'restore', passphrase?: string) =>
  api.post(`/api/backups/${name}/${way}`, passphrase === undefined ? {} : { passphrase })
const problemOf = (body: unknown) =>
  (body as { problems: { field: string; message: string; code: string }[] }).problems[0]!

test('a backup is made on request, listed, and given as it is', async () => {
  await add('Rae Row')
  expect(await view()).toMatchObject({ backups: [], second: null, locking: false, triedAt: null })
  const made = await api.ask(routes.make)
  expect(newest(made)).toMatchObject({ reason: 'asked', locked: false })
  expect(made.folder).toBe(inFolder())
  const { name } = newest(made)
  const given = await api.raw('GET', `/api/backups/${name}`)
  expect(given.headers.get('content-disposition')).toContain(name)
  expect(Buffer.from(await given.arrayBuffer())).toEqual(readFileSync(inFolder(name)))
  for (const other of ['settings.json', '..%2Frecord.lock', '2020-01-01T000000000Z-daily.zip'])
    expect((await api.raw('GET', `/api/backups/${other}`)).status, other).toBe(404)
})

describe('the second folder', () => {
  const stick = join(scratch, 'stick')
  test.each([
    ['a part of a path', () => relative(process.cwd(), scratch), /whole path/],
    ['one that is not there', () => join(scratch, 'nowhere'), /can be written/],
    ['the data folder', () => folder, /outside/],
    ['one inside it', () => inFolder(), /outside/],
  ])('%s is refused at its field', async (_, path, words) => {
    const { status, body } = await api.patch('/api/backups', { second: path() })
    expect(status).toBe(422)
    expect(problemOf(body)).toMatchObject({ field: 'second' })
    expect(problemOf(body).message).toMatch(words)
    expect((await view()).second).toBeNull()
  })

  test('gets a copy of each, and is said to fail while it is gone', async () => {
    mkdirSync(stick)
    await api.patch('/api/backups', { second: stick })
    const { name } = newest(await api.ask(routes.make))
    expect(readFileSync(join(stick, name))).toEqual(readFileSync(inFolder(name)))
    rmSync(stick, { recursive: true })
    expect((await api.ask(routes.make)).concern).toBe('copy-failed')
    expect((await api.get('/api/today')).body).toMatchObject({ backups: 'copy-failed' })
    await api.patch('/api/backups', { second: null })
    expect((await view()).concern).toBeNull()
  })
})

test('locked ones open with their passphrase, or with that which is set', async () => {
  const short = await api.patch('/api/backups', { passphrase: 'short' })
  expect([short.status, problemOf(short.body).field]).toEqual([422, 'passphrase'])
  await api.patch('/api/backups', { passphrase: 'correct horse battery' })
  const locked = newest(await api.ask(routes.make))
  expect(locked.locked).toBe(true)
  expect((await act(locked.name, 'try')).status).toBe(200)
  expect((await act(locked.name, 'try', 'another one')).status).toBe(422)
  await api.patch('/api/backups', { passphrase: null })
  const closed = await act(locked.name, 'try')
  expect([closed.status, problemOf(closed.body).field]).toEqual([422, 'passphrase'])
  expect((await act(locked.name, 'try', 'correct horse battery')).status).toBe(200)
  // Five times a passphrase is made a key of, which is meant to take long.
})

test('one from elsewhere is listed once it is there as a whole; anything else is refused and gone', async () => {
  const before = await api.ask(routes.make)
  const file = Buffer.from(readFileSync(inFolder(newest(before).name)))
  const bring = (bytes: Buffer<ArrayBuffer>) =>
    api.send('/api/backups/brought', bytes, 'application/octet-stream')
  const nonsense = await bring(Buffer.from('somebody’s list of things'))
  expect([nonsense.status, problemOf(nonsense.body).field]).toEqual([422, 'file'])
  expect(readdirSync(inFolder()).filter((name) => name.startsWith('coming'))).toEqual([])
  expect(await view()).toEqual(before)
  expect((await bring(file)).status).toBe(201)
  expect(newest(await view())).toMatchObject({ reason: 'brought', bytes: file.length })
  // What only begins as one is taken in, since it may be large, and refused when it is opened.
  expect((await bring(file.subarray(0, file.length / 2))).status).toBe(201)
  const cut = await act(newest(await view()).name, 'try')
  expect([cut.status, problemOf(cut.body).code]).toEqual([422, 'backup'])
})

test('a test of a restore leaves the record alone, and is noted', async () => {
  await keepSettings(folder, { triedAt: null })
  const { name } = newest(await api.ask(routes.make))
  await add('Somebody Since')
  const before = await everybody()
  const { status, body } = await act(name, 'try')
  expect(status).toBe(200)
  expect(body as BackupHolds).toMatchObject({ clients: before.length - 1, readings: 0 })
  expect(await everybody()).toEqual(before)
  expect(existsSync(join(folder, 'db.try'))).toBe(false)
  expect(Date.now() - Date.parse((await view()).triedAt!)).toBeLessThan(PATIENCE)
})

test('a restore under way loses nothing that was acknowledged, and can be taken back', async () => {
  const { name } = newest(await api.ask(routes.make))
  const then = await everybody()
  await add('After The Backup')
  // Others go on writing until it is done: each of them waits or is stored, and none fails.
  const stored: string[] = []
  let done = false
  const writing = Array.from({ length: 4 }, async (_, writer) => {
    for (let i = 0; !done; i++) {
      await add(`Writer ${writer} ${i}`)
      stored.push(`Writer ${writer} ${i}`)
    }
  })
  await vi.waitUntil(() => stored.length > 8, PATIENCE)
  const { status, body } = await act(name, 'restore')
  const known = [...stored]
  done = true
  await Promise.all(writing)
  expect(status, JSON.stringify(body)).toBe(200)
  const now = await everybody()
  expect(now).toEqual(expect.arrayContaining(then))
  expect(now).not.toContain('After The Backup')
  // What was acknowledged before it is in the backup that it made, and in no other place.
  const kept = (await view()).backups.find(({ reason }) => reason === 'restore')!
  const before = known.filter((one) => !now.includes(one))
  expect(before.length).toBeGreaterThan(8)
  expect((await act(kept.name, 'restore')).status).toBe(200)
  const back = await everybody()
  expect(back).toEqual(expect.arrayContaining([...then, 'After The Backup', ...before]))
})

test('a record is given back when the last who has it lets go, once each', async () => {
  const db = {} as Database
  const [one, two] = [lend(db), lend(db)]
  let free = false
  const waiting = givenBack(db).then(() => (free = true))
  one()
  one()
  for (let turns = 0; turns < 20; turns++) await setImmediate()
  expect(free).toBe(false)
  two()
  await waiting
})

test('a restore waits for calls that are under way', async () => {
  const { name } = newest(await api.ask(routes.make))
  const bytes = readFileSync(inFolder(name))
  let end!: () => void
  const body = new ReadableStream<Uint8Array>({
    start(stream) {
      stream.enqueue(new Uint8Array(bytes.subarray(0, 100)))
      end = () => {
        stream.enqueue(new Uint8Array(bytes.subarray(100)))
        stream.close()
      }
    },
  })
  const coming = api.raw('POST', '/api/backups/brought', {
    ...{ body, duplex: 'half', headers: { 'content-type': 'application/zip' } },
  } as RequestInit)
  await vi.waitUntil(() => existsSync(inFolder('coming.making')), PATIENCE)
  const madeBefore = () =>
    readdirSync(inFolder()).filter((name) => name.includes('-restore')).length
  const before = madeBefore()
  const restored = act(name, 'restore')
  // What comes first is a backup of what there is: it is not begun, in a time that is long enough for it.
  const begun = vi.waitUntil(() => madeBefore() > before, { timeout: 3000 })
  await expect(begun).rejects.toThrow()
  // Whoever asks meanwhile waits for what comes of it.
  const asked = view()
  end()
  expect((await coming).status).toBe(201)
  expect((await restored).status).toBe(200)
  expect((await asked).backups.map(({ reason }) => reason)).toContain('brought')
})

test('a backup that goes with the one made before its restore is read first', async () => {
  for (let i = 0; i < 3; i++) await api.ask(routes.make)
  const third = (await view()).backups[2]!
  expect((await act(third.name, 'restore')).status).toBe(200)
  await api.ask(routes.make)
  expect((await view()).backups.map(({ name }) => name)).not.toContain(third.name)
})

test('a restore that fails leaves the record open as it is', async () => {
  const bytes = Buffer.from(readFileSync(inFolder(newest(await view()).name)))
  await api.send('/api/backups/brought', bytes.subarray(0, 1000), 'application/zip')
  const cut = newest(await view()).name
  const before = await everybody()
  const { status } = await act(cut, 'restore')
  expect(status).toBe(422)
  expect(await everybody()).toEqual(before)
  // A disk without room for the backup that comes first.
  const whole = (await view()).backups.find(({ reason }) => reason !== 'brought')!.name
  const real = fs.writeSync
  fs.writeSync = (() => {
    throw Object.assign(new Error('ENOSPC: no space left on device'), { code: 'ENOSPC' })
  }) as typeof fs.writeSync
  const full = await act(whole, 'restore')
  fs.writeSync = real
  expect([full.status, problemOf(full.body).code]).toEqual([507, 'record-full'])
  await add('Still There')
  expect(await everybody()).toContain('Still There')
})

test('a restore is to be tested two weeks after the first backup, and then once a year', async () => {
  const day = 86_400_000
  const first = Date.parse((await view()).backups.at(-1)!.madeAt)
  const on = (days: number) => backupConcern(folder, new Date(first + days * day))
  await keepSettings(folder, { triedAt: null })
  expect([on(13), on(15)]).toEqual([null, 'never-tried'])
  await keepSettings(folder, { triedAt: new Date(first + 20 * day).toISOString() })
  expect([on(384), on(386)]).toEqual([null, 'tried-long-ago'])
  expect(backupConcern(undefined)).toBeNull()
})

test('who gets in is in no backup, and stays as it is when one is restored', async () => {
  const password = 'four words in a row'
  const send = (path: string, body: unknown, cookie = '') =>
    api.raw('POST', path, {
      ...{ body: JSON.stringify(body), headers: { cookie, 'content-type': 'application/json' } },
    })
  const begun = await send('/api/access/owner', { name: 'Olive Owner', password })
  const cookie = begun.headers.getSetCookie()[0]!.split(';')[0]!
  expect(statSync(join(folder, 'secret')).mode & 0o777).toBe(0o600)

  const made = (await (await send('/api/backups', {}, cookie)).json()) as Backups
  const [{ name } = { name: '' }] = made.backups
  const files = unzipSync(readFileSync(inFolder(name)))
  const record = strFromU8(files['record.json']!)
  expect(record).not.toContain('Olive Owner')
  expect(Object.keys((JSON.parse(record) as { tables: object }).tables)).not.toContain('users')

  expect((await send(`/api/backups/${name}/restore`, {})).status).toBe(401)
  expect((await send(`/api/backups/${name}/restore`, {}, cookie)).status).toBe(200)
  const asked = (as: string) => api.raw('GET', '/api/clients', { headers: { cookie: as } })
  expect([(await asked(cookie)).status, (await asked('')).status]).toEqual([200, 401])
  expect((await send('/api/sign-in', { name: 'Olive Owner', password })).status).toBe(200)
})

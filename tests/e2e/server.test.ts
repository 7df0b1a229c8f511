import { spawn } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { readdirSync } from 'node:fs'
import { request } from 'node:http'
import { fileURLToPath } from 'node:url'
import { strFromU8, unzipSync } from 'fflate'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { isoDateOf, SEVEN_FOLDS } from '#core'
import type { CheckIn, ReadingReceipt } from '#shared/contract/check-ins'
import type { Reminders } from '#shared/contract/reminders'
import { openPostgres } from '../../server/database/postgres'
import { changeReminderSettings } from '../../server/reminders/settings'
import { startMailServer } from '../support/mail-server'
import { startPostgres, type PostgresServer } from '../support/postgres'
import { addClient, readingsFor, startCheckIn, viewOf } from './support/record'
import { TestServer } from './support/server'

/* Two processes of the application on one PostgreSQL server, as behind a proxy that gives each request to either. */

const migrations = fileURLToPath(new URL('../../server/database/migrations', import.meta.url))

let postgres: PostgresServer
beforeAll(async () => void (postgres = await startPostgres()))
afterAll(() => postgres?.stop())

/** What a database answers. */
async function rowsOf(url: string, sql: string) {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  const { rows } = await client.query(sql)
  await client.end()
  return rows
}

/** A process that sends reminders when it is told to, as of a time. */
function remindingProcess(env: Record<string, string>) {
  const tsx = fileURLToPath(new URL('../../node_modules/tsx/dist/cli.mjs', import.meta.url))
  const script = fileURLToPath(new URL('support/remind.ts', import.meta.url))
  const root = fileURLToPath(new URL('../..', import.meta.url))
  const child = spawn(process.execPath, [tsx, '--tsconfig', 'tsconfig.tests.json', script], {
    ...{ cwd: root, env: { ...process.env, ...env }, stdio: ['pipe', 'pipe', 'inherit'] },
  })
  let text = ''
  const said = (words: RegExp) =>
    new Promise<string>((resolve, reject) => {
      const look = () => {
        const found = words.exec(text)
        if (found) resolve(found[0])
      }
      child.stdout.on('data', look)
      child.on('exit', () => reject(new Error(`ended: ${text}`)))
      look()
    })
  child.stdout.on('data', (part: Buffer) => (text += part.toString()))
  const done = said(/^\d+$/m).then(Number)
  // Whoever waits for it is told of an end before.
  done.catch(() => {})
  return {
    ready: said(/ready/),
    done,
    go: (now: Date) => void child.stdin.write(`${now.toISOString()}\n`),
  }
}

const WRITERS = 50
const READINGS = 40

describe('two processes', () => {
  let both: [TestServer, TestServer]
  let url: string
  beforeAll(async () => {
    url = await postgres.create('oak_two')
    const env = { DATABASE_URL: url }
    const first = await TestServer.create({ env })
    both = [first, await TestServer.create({ env, beside: first })]
  })
  afterAll(async () => {
    for (const server of both ?? []) await server.remove()
  })
  const take = (server: TestServer, { id }: CheckIn, readings: object[]) =>
    server.post<ReadingReceipt>(`/api/check-ins/${id}/readings`, { readings })

  /** Follows a check-in as a screen does, until it has so many readings. */
  async function follow(server: TestServer, { id }: CheckIn, until: number): Promise<number> {
    const ended = new AbortController()
    const response = await fetch(`${server.url}/api/check-ins/${id}/live`, {
      signal: ended.signal,
    })
    let [text, count] = ['', 0]
    for await (const part of response.body as unknown as AsyncIterable<Uint8Array>) {
      text += Buffer.from(part).toString()
      const events = text.split('\n\n')
      text = events.pop()!
      for (const event of events) {
        // States have no name; what has one says that the stream is there.
        const data = /^event:/m.test(event) ? undefined : /^data: (.*)$/m.exec(event)?.[1]
        if (data) count = (JSON.parse(data) as { readings: unknown[] }).readings.length
      }
      if (count >= until) break
    }
    ended.abort()
    return count
  }

  test('50 writers of 40 readings each lose none, and the other process tells of each of them', async () => {
    const checkIns: CheckIn[] = []
    for (let writer = 0; writer < WRITERS; writer++) {
      const client = await addClient(both[writer % 2]!, `Writer ${writer}`)
      checkIns.push(await startCheckIn(both[writer % 2]!, client.id))
    }
    const seen = checkIns.map((checkIn, writer) =>
      follow(both[(writer + 1) % 2]!, checkIn, READINGS),
    )
    const sent = await Promise.all(
      checkIns.map(async (checkIn, writer) => {
        const ids: string[] = []
        for (let i = 0; i < READINGS; i++) {
          const [reading] = readingsFor(checkIn, [
            {
              ...{ kind: 'skinfold', site: SEVEN_FOLDS[i % 7]!, value: 10 + i / 2 },
              trial: 1 + Math.floor(i / 7),
            },
          ])
          const receipt = await take(both[writer % 2]!, checkIn, [reading!])
          expect(receipt).toEqual({ stored: [reading!.id], refused: [] })
          ids.push(reading!.id)
        }
        return ids
      }),
    )
    expect(await Promise.all(seen)).toEqual(checkIns.map(() => READINGS))
    for (const [writer, checkIn] of checkIns.entries()) {
      const view = await viewOf(both[(writer + 1) % 2]!, checkIn.id)
      expect(view.checkIn.readings.map(({ id }) => id)).toEqual(sent[writer])
    }
  })

  test('of two corrections of one reading at once one is taken, and none is lost without a word', async () => {
    const client = await addClient(both[0], 'Corrected Twice')
    const checkIn = await startCheckIn(both[0], client.id)
    const fold = (value: number, supersedes: string | null) =>
      readingsFor(checkIn, [{ kind: 'skinfold', site: SEVEN_FOLDS[0]!, value, supersedes }])
    let [last] = fold(10, null)
    await take(both[0], checkIn, [last!])
    for (let round = 0; round < 20; round++) {
      const rivals = [fold(11 + round, last!.id)[0]!, fold(12 + round, last!.id)[0]!]
      const receipts = await Promise.all(
        rivals.map((rival, of) => take(both[of]!, checkIn, [rival])),
      )
      const taken = rivals.filter(({ id }) => receipts.some(({ stored }) => stored.includes(id)))
      expect(taken.length).toBe(1)
      expect(receipts.flatMap(({ refused }) => refused.map(({ code }) => code))).toEqual([
        'superseded-already',
      ])
      last = taken[0]!
    }
  })

  test('remind of the same things at the same moment, and each goes out once', async () => {
    // In a record of its own, and with no server beside: what one without a mail server takes waits a minute.
    const ownUrl = await postgres.create('oak_mails')
    const one = await TestServer.create({ env: { DATABASE_URL: ownUrl } })
    const due = isoDateOf(new Date())
    const names = Array.from({ length: 30 }, (_, i) => `Mail ${i}`)
    for (const name of names) {
      const { id } = await addClient(one, name)
      await one.patch(`/api/clients/${id}`, { nextDueOn: due })
      await one.patch(`/api/clients/${id}/details`, {
        email: `${name.replace(' ', '')}@example.org`,
      })
    }
    const { settings } = await one.get<Reminders>('/api/reminders')
    await one.remove()
    const { db, close } = await openPostgres(ownUrl, migrations, undefined)
    await changeReminderSettings(db, { ...settings, byMail: true, quiet: { from: 0, until: 0 } })
    await close()
    // Its first mail waits for another one's: no process can send them all before a second one begins.
    const post = await startMailServer({ together: 2 })
    const env = {
      ...{ DATABASE_URL: ownUrl, SMTP_URL: post.url, OAK_PINCH_MAIL_FROM: 'gym@oak-pinch.example' },
    }
    const processes = [1, 2, 3].map(() => remindingProcess(env))
    await Promise.all(processes.map(({ ready }) => ready))
    // By one clock: by one that is behind, what another has just put down is not due yet.
    const now = new Date()
    for (const { go } of processes) go(now)
    const taken = await Promise.all(processes.map(({ done }) => done))
    const ended = await rowsOf(
      ownUrl,
      'select state, tries, trouble, count(*)::int from access.reminders group by 1, 2, 3',
    )
    expect(ended).toEqual([{ state: 'sent', tries: 1, trouble: null, count: names.length }])
    const addressed = post.mails.map(({ to }) => (Array.isArray(to) ? '' : to!.text)).sort()
    expect(addressed).toEqual(names.map((name) => `${name.replace(' ', '')}@example.org`).sort())
    // Each had its share, or the test would show nothing.
    expect(taken.filter((count) => count > 0).length, taken.join()).toBeGreaterThan(1)
    await post.close()
  })

  test('a check-in that is closed by one takes nothing more from the other', async () => {
    for (let round = 0; round < 20; round++) {
      const client = await addClient(both[0], `Closed ${round}`)
      const checkIn = await startCheckIn(both[0], client.id)
      await take(
        both[0],
        checkIn,
        readingsFor(
          checkIn,
          SEVEN_FOLDS.map((site) => ({ kind: 'skinfold' as const, site, value: 12 })),
        ),
      )
      const late = readingsFor(checkIn, [
        { kind: 'skinfold', site: SEVEN_FOLDS[0]!, value: 13, trial: 2 },
      ])
      const [receipt] = await Promise.all([
        take(both[1], checkIn, late),
        both[0].post(`/api/check-ins/${checkIn.id}/close`, {}),
      ])
      const { closedAt, readings } = (await viewOf(both[1], checkIn.id)).checkIn
      expect(closedAt).not.toBeNull()
      // It was taken before the close, or refused with its reason; it is on record where it was taken.
      expect(readings.some(({ id }) => id === late[0]!.id)).toBe(receipt.stored.length === 1)
      expect(receipt.refused.map(({ code }) => code)).toEqual(
        receipt.stored.length === 1 ? [] : ['closed'],
      )
    }
  })

  test('one client begun twice at once is one client', async () => {
    const body = {
      ...{ id: randomUUID(), name: 'Sent Twice', sex: 'male', birthDate: '1980-01-01' },
      ...{ birthYear: null, height: '180 cm', cadenceDays: 28 },
    }
    const made = await Promise.all(
      both.map((server) => server.post<{ id: string }>('/api/clients', body)),
    )
    expect(new Set(made.map(({ id }) => id)).size).toBe(1)
  })
})

test('processes that begin at once on an empty database make its tables once', async () => {
  const url = await postgres.create('oak_at_once')
  const opened = await Promise.all(
    Array.from({ length: 4 }, () => openPostgres(url, migrations, undefined)),
  )
  for (const { engine, close } of opened) {
    const { rows } = await engine.query<{ count: number }>(
      'select count(*) from drizzle.__drizzle_migrations',
    )
    expect(rows[0]!.count).toBe(readdirSync(migrations).filter((n) => n.endsWith('.sql')).length)
    await close()
  }
})

describe('a record moves', () => {
  const servers: TestServer[] = []
  afterAll(async () => {
    for (const server of servers) await server.remove()
  })
  /** Makes a backup of a record, as a file. */
  async function backUp(server: TestServer): Promise<Buffer<ArrayBuffer>> {
    await server.post('/api/backups', {})
    const { backups } = await server.get<{ backups: { name: string }[] }>('/api/backups')
    const response = await fetch(`${server.url}/api/backups/${backups[0]!.name}`)
    return Buffer.from(await response.arrayBuffer())
  }
  /** Restores a file over what a server has. */
  async function restore(server: TestServer, file: Buffer<ArrayBuffer>): Promise<void> {
    const response = await fetch(`${server.url}/api/backups/brought`, {
      ...{ method: 'POST', body: file },
      headers: { 'content-type': 'application/octet-stream' },
    })
    const { backups } = (await response.json()) as { backups: { name: string; reason: string }[] }
    const { name } = backups.find(({ reason }) => reason === 'brought')!
    await server.post(`/api/backups/${name}/restore`, {})
  }
  /** What a backup says of its tables and photos. */
  const contents = (file: Buffer) => {
    const { tables, photos } = JSON.parse(
      strFromU8(
        unzipSync(file, { filter: ({ name }) => name === 'manifest.json' })['manifest.json']!,
      ),
    )
    return { tables, photos }
  }

  test('from a folder to a PostgreSQL server and back, with every row and photo', async () => {
    const folder = await TestServer.create({ demo: true })
    const onServer = await TestServer.create({
      env: { DATABASE_URL: await postgres.create('oak_moved') },
    })
    const back = await TestServer.create()
    servers.push(folder, onServer, back)
    await addClient(onServer, 'Gone With It')
    const first = await backUp(folder)
    await restore(onServer, first)
    const names = (
      await onServer.get<{ entries: { client: { id: string; name: string } }[] }>('/api/clients')
    ).entries
    expect(names.length).toBeGreaterThan(10)
    expect(names.map(({ client }) => client.name)).not.toContain('Gone With It')
    const second = await backUp(onServer)
    expect(contents(second)).toEqual(contents(first))
    expect(Object.keys(contents(first).photos).length).toBeGreaterThan(0)
    await restore(back, second)
    expect(contents(await backUp(back))).toEqual(contents(first))
    // It is not only there, it works: who is added comes after what was there.
    await addClient(onServer, 'Added After')
    const { id } = await startCheckIn(onServer, names[0]!.client.id)
    expect((await viewOf(onServer, id)).checkIn.clientId).toBe(names[0]!.client.id)
  })
})

describe('behind a proxy', () => {
  let server: TestServer
  beforeAll(async () => {
    server = await TestServer.create({
      env: {
        ...{ DATABASE_URL: await postgres.create('oak_proxied') },
        ...{ OAK_PINCH_ORIGIN: 'https://gym.example', OAK_PINCH_TRUST_PROXY: '1' },
        ...{ OAK_PINCH_OWNER: 'Olive Owner', OAK_PINCH_OWNER_PASSWORD: 'four words in a row' },
      },
    })
  })
  afterAll(() => server?.remove())

  const ask = (
    path: string,
    headers: Record<string, string>,
    body?: object,
  ): Promise<{ status: number; body: string; cookies: string[] }> =>
    new Promise((resolve, reject) => {
      const sent = request(
        {
          ...{ host: '127.0.0.1', port: server.port, path, method: body ? 'POST' : 'GET' },
          headers: { host: 'gym.example', 'content-type': 'application/json', ...headers },
        },
        (response) => {
          let text = ''
          response.on('data', (part) => (text += part))
          response.on('end', () =>
            resolve({
              ...{ status: response.statusCode!, body: text },
              cookies: response.headers['set-cookie'] ?? [],
            }),
          )
        },
      )
      sent.once('error', reject)
      sent.end(body && JSON.stringify(body))
    })

  test('everybody signs in, though every request comes from this computer', async () => {
    expect((await ask('/api/clients', {})).status).toBe(401)
    expect((await ask('/api/health', { host: '10.1.2.3:3000' })).body).toBe('{"status":"ok"}')
    expect((await ask('/api/me', { host: '10.1.2.3:3000' })).status).toBe(421)
    expect((await ask('/api/me', { origin: 'https://evil.example' })).status).toBe(403)
    const given = { name: 'Olive Owner', password: 'four words in a row' }
    const { cookies } = await ask('/api/sign-in', { origin: 'https://gym.example' }, given)
    expect(cookies[0]).toMatch(/^__Secure-.*; Secure/)
    const cookie = cookies[0]!.split(';')[0]!
    expect((await ask('/api/clients', { cookie })).status).toBe(200)
  })

  test('wrong passwords are counted by the address that the proxy says', async () => {
    const tryAs = (from: string, name: string) =>
      ask('/api/sign-in', { 'x-forwarded-for': from }, { name, password: 'wrong words in a row' })
    for (let tries = 0; tries < 50; tries++) await tryAs('203.0.113.9', `Nobody ${tries}`)
    expect((await tryAs('203.0.113.9', 'Nobody else')).status).toBe(429)
    expect((await tryAs('203.0.113.10', 'Nobody else')).status).toBe(401)
  })
})

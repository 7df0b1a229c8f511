import { execFileSync, spawnSync } from 'node:child_process'
import {
  chmodSync,
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs'
import { request } from 'node:http'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import type { Browser, Page } from 'puppeteer-core'
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from 'vitest'
import type { Roster } from '#shared/contract/roster'
import { openBrowser, openPage, waitForText } from './support/browser'
import { addClient, startCheckIn } from './support/record'
import { TestServer } from './support/server'

const root = fileURLToPath(new URL('../..', import.meta.url))
const text = (page: Page) => page.evaluate(() => document.body.innerText)

let server: TestServer
let browser: Browser
let page: Page
let closeBrowser: () => Promise<void>
beforeAll(async () => {
  ;({ browser, close: closeBrowser } = await openBrowser())
  page = await openPage(browser)
  server = await TestServer.create()
  await addClient(server, 'Kept Kestrel')
  await server.stop()
  // A backup of it, as it is made each day.
  oak('backup', join(server.folder, 'b.zip'))
  mkdirSync(join(server.folder, 'backups'), { mode: 0o700 })
  renameSync(
    join(server.folder, 'b.zip'),
    join(server.folder, 'backups/2026-11-02T091500Z-daily.zip'),
  )
})
afterAll(async () => {
  await closeBrowser()
  await server.remove()
})

afterEach(() => server.stop())

function oak(...args: string[]): void {
  execFileSync('node', ['scripts/oak.mjs', ...args, '--data', server.folder], {
    cwd: root,
    stdio: 'ignore',
  })
}

/** Everything below a folder, by name and content. */
function contentOf(folder: string): Record<string, string> {
  return Object.fromEntries(
    readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map((entry) => join(entry.parentPath, entry.name))
      .map((path) => [path.slice(folder.length), readFileSync(path).toString('base64')]),
  )
}

describe('a data folder that cannot be opened', () => {
  let whole: string
  beforeAll(() => {
    whole = `${server.folder}-whole`
    cpSync(server.folder, whole, { recursive: true })
  })
  afterAll(() => rmSync(whole, { recursive: true }))
  beforeEach(() => {
    rmSync(server.folder, { recursive: true })
    cpSync(whole, server.folder, { recursive: true })
  })

  const inDb = (...path: string[]) => join(server.folder, 'db', ...path)
  test.each<[string, () => void, RegExp]>([
    ['without PG_VERSION', () => rmSync(inDb('PG_VERSION')), /is gone or incomplete/],
    ['emptied of its database', () => rmSync(inDb(), { recursive: true }), /is gone or incomplete/],
    ['with a cut pg_control', () => truncateSync(inDb('global/pg_control'), 100), /is damaged/],
    ['without its transactions', () => rmSync(inDb('pg_xact'), { recursive: true }), /is damaged/],
    ['without its log', () => rmSync(inDb('pg_wal'), { recursive: true }), /is damaged/],
    [
      'with an overwritten page',
      () => {
        for (const name of readdirSync(inDb('base/5')))
          if (statSync(inDb('base/5', name)).size > 8192)
            writeFileSync(inDb('base/5', name), Buffer.alloc(16384, 0xa5))
      },
      /is damaged/,
    ],
  ])('%s: one sentence, and the way back', async (_, damage, words) => {
    damage()
    const before = contentOf(server.folder)
    const said = await server.start({ anyAnswer: true })
    await page.goto(server.url)
    expect(await text(page)).toMatch(words)
    const lines = said().trim().split('\n')
    expect(lines.filter((line) => !line.startsWith('Listening on '))).toEqual([
      expect.stringMatching(words),
    ])
    const api = await fetch(`${server.url}/api/clients`)
    expect(api.status).toBe(503)
    expect(JSON.stringify(await api.json())).toMatch(words)
    // Looking at it took nothing away: only what PostgreSQL makes anew at each start.
    const after = contentOf(server.folder)
    const gone = Object.keys(before).filter((name) => !(name in after))
    expect(gone.filter((name) => !/postmaster\.pid|pg_internal\.init/.test(name))).toEqual([])
    // The way back: the backup of the second.
    await page.click('input[name=backup]')
    await Promise.all([page.waitForNavigation(), page.click('button[value=restore]')])
    await page.goto(`${server.url}/clients`)
    await waitForText(page, 'Kept Kestrel')
    const { entries } = await server.get<Roster>('/api/clients')
    expect(entries.map(({ client }) => client.name)).toEqual(['Kept Kestrel'])
  })

  test('of something else is refused, and nothing in it is touched', async () => {
    rmSync(server.folder, { recursive: true })
    mkdirSync(server.folder)
    writeFileSync(join(server.folder, 'holiday.jpg'), 'sea')
    await server.start({ anyAnswer: true })
    await page.goto(server.url)
    expect(await text(page)).toMatch(/holds something that is not Oak Pinch’s \(holiday\.jpg\)/)
    expect(await page.$$('button[value=begin], button[value=restore]')).toEqual([])
    await server.stop()
    expect(contentOf(server.folder)).toEqual({ '/holiday.jpg': 'c2Vh' })
  })

  test('of a newer version is not opened', async () => {
    const sql = `insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', 9999999999999)`
    execFileSync(
      'npx',
      [
        'tsx',
        '--tsconfig',
        'tsconfig.tests.json',
        'tests/e2e/support/in-record.ts',
        server.folder,
        sql,
      ],
      { cwd: root },
    )
    await server.start({ anyAnswer: true })
    await page.goto(server.url)
    expect(await text(page)).toMatch(/Install the newer version of Oak Pinch again/)
    expect(await page.$$('button[value=begin], button[value=restore]')).toEqual([])
  })

  test('that is empty where a record was named is asked about', async () => {
    rmSync(server.folder, { recursive: true })
    await server.start({ anyAnswer: true, mayBegin: false })
    await page.goto(server.url)
    expect(await text(page)).toMatch(/There is no record in /)
    expect(existsSync(server.folder)).toBe(false)
    await Promise.all([page.waitForNavigation(), page.click('button[value=begin]')])
    await waitForText(page, 'Welcome to Oak Pinch')
  })
})

test('what is kept is for its owner alone', async () => {
  await server.start()
  const client = await addClient(server, 'Private Pike')
  const checkIn = await startCheckIn(server, client.id)
  expect(checkIn.clientId).toBe(client.id)
  await server.stop()
  const loose = readdirSync(server.folder, { recursive: true, withFileTypes: true })
    .map((entry) => ({ entry, mode: statSync(join(entry.parentPath, entry.name)).mode & 0o777 }))
    .filter(({ entry, mode }) => mode !== (entry.isDirectory() ? 0o700 : 0o600))
    .map(({ entry, mode }) => `${entry.name} ${mode.toString(8)}`)
  expect(loose).toEqual([])
  expect(statSync(server.folder).mode & 0o777).toBe(0o700)
  // What others may read is closed to them when it is opened.
  chmodSync(server.folder, 0o755)
  await server.start()
  expect(statSync(server.folder).mode & 0o777).toBe(0o700)
})

test('what goes wrong is logged without a word of anybody', async () => {
  const said = await server.start()
  const client = await addClient(server, 'Logless Lark')
  const send = (path: string, body: string) =>
    fetch(server.url + path, {
      ...{ method: 'POST', body, headers: { 'content-type': 'application/json' } },
    }).then(({ status }) => status)
  const note = { id: client.id, date: '2026-01-05', kind: 'other', words: 'Lark has a limp' }
  const again = { ...client, birthYear: 1990, name: 'Lark the Second' }
  const statuses = [
    await send('/api/clients', JSON.stringify(again)),
    await send('/api/clients', '{"name": "Lark of half a body'),
    await send('/api/clients', JSON.stringify({ name: ['Lark', 'a list'] })),
    await send('/api/clients/Lark/notes', JSON.stringify(note)),
    await send(`/api/clients/${client.id}/notes`, JSON.stringify(note)),
    await send(`/api/clients/${client.id}/weigh-ins`, JSON.stringify({ text: 'Lark 62' })),
  ]
  expect(statuses.filter((status) => status >= 500)).toEqual([])
  // What PostgreSQL refuses names its values: the last line of an error, and the whole of a failed query.
  expect((await fetch(`${server.url}/api/clients?search=Lark%00`)).status).toBe(422)
  await server.stop()
  expect(said()).not.toMatch(/Lark|limp/)
})

test('no foreign host is answered, and no page of another site, its scripts included', async () => {
  await server.start()
  const html = await (await fetch(server.url)).text()
  const script = /\/_nuxt\/[\w-]+\.js/.exec(html)![0]
  const ask = (path: string, headers: Record<string, string>) =>
    new Promise<number>((resolve, reject) => {
      request(server.url + path, { headers }, (answer) => {
        answer.resume()
        resolve(answer.statusCode!)
      })
        .on('error', reject)
        .end()
    })
  for (const path of ['/', '/api/clients', '/sw.js', script]) {
    expect(await ask(path, {}), path).toBe(200)
    expect(await ask(path, { host: 'elsewhere.example' }), path).toBe(421)
    expect(await ask(path, { origin: 'http://elsewhere.example' }), path).toBe(403)
    const { headers } = await fetch(server.url + path)
    expect(headers.get('access-control-allow-origin'), path).toBeNull()
  }
})

test('where nobody says where to listen it is this computer alone', async () => {
  server.env = { NITRO_HOST: '', HOST: '' }
  await server.start()
  server.env = {}
  // Another address of the same computer, as a network's would be.
  await expect(fetch(server.url.replace('127.0.0.1', '127.0.0.2'))).rejects.toThrow()
})

test('a stop with 100 screens that follow a check-in takes at most two seconds', async () => {
  await server.start()
  const client = await addClient(server, 'Streamed Stork')
  const { id } = await startCheckIn(server, client.id)
  const streams = await Promise.all(
    Array.from({ length: 100 }, async () => {
      const { body } = await fetch(`${server.url}/api/check-ins/${id}/live`)
      const reader = body!.getReader()
      await reader.read()
      return reader
    }),
  )
  const from = Date.now()
  await server.stop()
  expect(Date.now() - from).toBeLessThan(2000)
  await Promise.allSettled(streams.map((reader) => reader.cancel()))
})

test('an owner who forgot the password sets another one at the computer', async () => {
  await server.start()
  const signIn = async (password: string) => {
    const body = JSON.stringify({ name: 'Olive Owner', password })
    const headers = { 'content-type': 'application/json' }
    return (await fetch(`${server.url}/api/sign-in`, { method: 'POST', headers, body })).status
  }
  await server.post('/api/access/owner', { name: 'Olive Owner', password: 'what I forgot' })
  expect(await signIn('what I forgot')).toBe(200)
  await server.stop()
  const set = (password: string) =>
    spawnSync('node', ['scripts/oak.mjs', 'password', 'olive owner', '--data', server.folder], {
      ...{ cwd: root, encoding: 'utf8' },
      env: { ...process.env, OAK_PINCH_PASSWORD: password },
    })
  const short = set('short')
  expect([short.status, short.stderr]).toEqual([2, expect.stringContaining('Password: enter')])
  expect(set('what I keep in mind').stderr).toContain('Olive Owner signs in with the new password')
  await server.start({ anyAnswer: true })
  expect(await signIn('what I forgot')).toBe(401)
  expect(await signIn('what I keep in mind')).toBe(200)
})

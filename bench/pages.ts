/**
 * `npm run bench -- pages`: the main pages with the made-up club in them. The server's time of each against the
 * Reference page's in the same run; four routes of the API against one bare statement of the same facts; and in
 * headless Chromium at a quarter of the processor how long each page blocks, how much of it jumps, and its scripts.
 */
import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import type { Roster } from '../shared/contract/roster'
import { DESK } from '../tests/e2e/support/browser'
import { TestServer } from '../tests/e2e/support/server'
import { settledBrowser } from './browser'

const ROUNDS = 40
const WARM = 5
const LOADS = 3
const THROTTLE = 4

/** What the page's own observers have seen, ms and shares of the screen. */
interface Seen {
  blocked: number
  shift: number
  longest: number
}

const middle = (values: readonly number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]!

async function timed(url: string): Promise<number> {
  const from = performance.now()
  const answer = await fetch(url)
  await answer.text()
  if (!answer.ok) throw new Error(`${url}: ${answer.status}`)
  return performance.now() - from
}

async function gzipped(url: string): Promise<number> {
  const answer = await fetch(url)
  return answer.ok ? gzipSync(await answer.text()).length : 0
}

/** Median times of several addresses, turn about, so that what else the machine does falls on all. */
async function medians<K extends string>(urls: Record<K, string>): Promise<Record<K, number>> {
  const names = Object.keys(urls) as K[]
  const times = Object.fromEntries(names.map((name) => [name, [] as number[]])) as Record<
    K,
    number[]
  >
  for (let round = -WARM; round < ROUNDS; round++) {
    for (const name of names) {
      const ms = await timed(urls[name])
      if (round >= 0) times[name].push(ms)
    }
  }
  return Object.fromEntries(names.map((name) => [name, middle(times[name])])) as Record<K, number>
}

/**
 * One load of a page in a browser: blocked milliseconds, layout shift, its scripts in kB gzip, and the longest task
 * when the pointer first moves over it and its parts wake.
 *
 * @param bare without its scripts: what the browser itself takes for a page of that text and style
 */
async function load(url: string, bare = false) {
  const { page, close } = await settledBrowser()
  try {
    await page.setViewport(DESK)
    await page.emulateCPUThrottling(THROTTLE)
    if (bare) {
      const cdp = await page.createCDPSession()
      await cdp.send('Network.enable')
      await cdp.send('Network.setBlockedURLs', { urls: ['*/_nuxt/*.js'] })
    }
    const scripts = new Set<string>()
    page.on('request', (request) => {
      if (request.resourceType() === 'script') scripts.add(request.url())
    })
    await page.evaluateOnNewDocument(() => {
      const seen = { blocked: 0, shift: 0, longest: 0 }
      Object.assign(globalThis, { seen })
      new PerformanceObserver((list) => {
        for (const { duration } of list.getEntries()) {
          seen.blocked += Math.max(0, duration - 50)
          seen.longest = Math.max(seen.longest, duration)
        }
      }).observe({ type: 'longtask', buffered: true })
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries() as (PerformanceEntry & {
          value: number
          hadRecentInput: boolean
        })[]) {
          if (!entry.hadRecentInput) seen.shift += entry.value
        }
      }).observe({ type: 'layout-shift', buffered: true })
    })
    await page.goto(url, { waitUntil: 'networkidle0' })
    // What is drawn after the last answer belongs to the load as well.
    await page.evaluate(
      () => new Promise((done) => requestIdleCallback(() => setTimeout(done, 1500))),
    )
    const { blocked, shift } = await page.evaluate(() => {
      const { seen } = globalThis as unknown as { seen: Seen }
      const before = { ...seen }
      seen.longest = 0
      return before
    })
    if (!bare) await page.mouse.move(3, 3)
    await page.waitForFunction(() => !('waking' in document.documentElement.dataset))
    const touched = await page.evaluate(
      () =>
        new Promise<number>((done) =>
          setTimeout(() => done((globalThis as unknown as { seen: Seen }).seen.longest), 200),
        ),
    )
    const loop = await page.evaluate(() => {
      const from = performance.now()
      let x = 1
      for (let i = 0; i < 20_000_000; i++) x = (x * 16807) % 2147483647
      return x ? performance.now() - from : 0
    })
    // Weighed when all is seen: this process has work on the same two processors.
    const bytes = await Promise.all([...scripts].map(gzipped))
    return { blocked, shift, touched, loop, kB: bytes.reduce((a, b) => a + b, 0) / 1000 }
  } finally {
    await close()
  }
}

async function bareFacts(server: TestServer) {
  const copy = mkdtempSync(join(tmpdir(), 'oak-pinch-facts-'))
  await server.kill()
  cpSync(server.folder, copy, { recursive: true })
  await server.start()
  const args = ['tsx', '--tsconfig', 'tsconfig.tests.json', 'bench/bare-facts.ts', copy]
  const bare = spawn('npx', args, { stdio: ['ignore', 'pipe', 'inherit'], detached: true })
  const [port] = (await once(bare.stdout, 'data')) as [Buffer]
  return {
    url: `http://127.0.0.1:${Number(String(port))}`,
    stop() {
      process.kill(-bare.pid!, 'SIGTERM')
      rmSync(copy, { recursive: true, force: true })
    },
  }
}

const server = await TestServer.create({ demo: true })
try {
  const { entries } = await server.get<Roster>('/api/clients?search=Tilda')
  const tilda = `/clients/${entries.find(({ client }) => client.name.startsWith('Tilda'))!.client.id}`
  const [{ id: board }] = await server.get<[{ id: string }]>('/api/leaderboards')
  const paths = {
    Today: '/',
    Clients: '/clients',
    Client: tilda,
    Curves: `${tilda}/curves`,
    'Body map': `${tilda}/body-map`,
    'Weigh-ins': `${tilda}/weigh-ins`,
    Photos: `${tilda}/photos`,
    Plan: `${tilda}/plan`,
    Leaderboard: `/leaderboards/${board}`,
    Calendar: '/calendar',
    Equipment: '/equipment',
    Settings: '/settings',
    Reference: '/reference',
  }
  type Name = keyof typeof paths
  const all = Object.keys(paths) as Name[]
  // Some pages alone, by their names, while one is worked on.
  const asked = process.argv.slice(2)
  const names = asked.length ? all.filter((name) => asked.includes(name)) : all
  const urls = Object.fromEntries(all.map((n) => [n, server.url + paths[n]])) as Record<
    Name,
    string
  >
  const pages = await medians(urls)
  console.log('page: server time against Reference (at most 3), blocked at a quarter of the')
  console.log(
    'processor (at most 300 ms) with and without its scripts, longest task at the first touch,',
  )
  console.log(
    'layout shift (at most 0.02), scripts gzip, a loop of known length on the same page: where it',
  )
  console.log('takes longer than elsewhere, the machine was slow')
  for (const name of names) {
    const loads: Awaited<ReturnType<typeof load>>[] = []
    const bare: number[] = []
    for (let i = 0; i < LOADS; i++) {
      loads.push(await load(urls[name]))
      bare.push((await load(urls[name], true)).blocked)
    }
    const of = (key: 'blocked' | 'shift' | 'touched' | 'kB' | 'loop') =>
      middle(loads.map((l) => l[key]))
    console.log(
      [
        name.padEnd(12),
        `${(pages[name] / pages.Reference).toFixed(2)} times (${pages[name].toFixed(1)} ms)`.padEnd(
          24,
        ),
        `${of('blocked').toFixed(0)} ms, ${middle(bare).toFixed(0)} without scripts`.padStart(28),
        `${of('touched').toFixed(0)} ms`.padStart(8),
        of('shift').toFixed(3).padStart(8),
        `${of('kB').toFixed(0)} kB`.padStart(8),
        `${of('loop').toFixed(0)} ms`.padStart(8),
      ].join(' '),
    )
  }

  const bare = asked.length ? undefined : await bareFacts(server)
  try {
    const routes = [
      '/api/today',
      '/api/clients',
      `/api${tilda}/record`,
      `/api/leaderboards/${board}`,
    ]
    for (const path of bare ? routes : []) {
      const { ours, plain } = await medians({ ours: server.url + path, plain: bare!.url + path })
      console.log(
        `${path.replace(/[\da-f-]{36}/, ':id')}: ${(ours / plain).toFixed(2)} times one bare statement, ${ours.toFixed(1)} ms and ${plain.toFixed(1)} ms at the median (at most 2 is asked for)`,
      )
    }
  } finally {
    bare?.stop()
  }
} finally {
  await server.remove()
}

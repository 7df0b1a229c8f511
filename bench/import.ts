/**
 * `npm run bench -- import [ROWS]`: a sheet of 10,000 check-ins of 500 clients, a row each of seven folds and a body mass.
 * Read, understood and brought into a fresh data folder, against inserting as many rows of readings in one statement into
 * a bare table; and the same in headless Chromium from the choice of the file to the end, with the longest task on the page.
 */
import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import type { ElementHandle } from 'puppeteer-core'
import { addDays, estimate, isoDateOf, SEVEN_FOLDS } from '../core/index'
import { openDatabase } from '../server/database/driver'
import { ensureGym } from '../server/equipment/commands'
import { bringIn } from '../server/exchange/bring'
import { listKnown } from '../server/exchange/known'
import { readFile } from '../shared/exchange/read-file'
import { recordsIn } from '../shared/exchange/records-in'
import { openBrowser, openPage, visit } from '../tests/e2e/support/browser'
import { TestServer } from '../tests/e2e/support/server'

const ROWS = Number(process.argv[2] ?? 10_000)
const CLIENTS = 500
const MOST_S = 20

let seed = 7
const random = () => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647

/** The sheet, each client's folds moving a little from check-in to check-in. */
function sheet(): string {
  const bases = Array.from({ length: CLIENTS }, () => SEVEN_FOLDS.map(() => 9 + random() * 18))
  const lines = Array.from({ length: ROWS }, (_, i) => {
    const c = i % CLIENTS
    const folds = bases[c]!.map((base) => Math.round((base + random() - 0.5) * 2) / 2)
    const sex = c % 2 === 0 ? ('female' as const) : ('male' as const)
    const values = Object.fromEntries(SEVEN_FOLDS.map((site, f) => [site, folds[f]!]))
    const ageYears = 30 + (c % 20)
    const { fatPercent } = estimate('jackson-pollock-7', { sex, ageYears }, values)
    const date = addDays('2018-01-01', Math.floor(i / CLIENTS) * 30 + (c % 28))
    const mass = (68 + (c % 30) + random()).toFixed(1)
    return [`Client ${c}`, date, sex, ageYears, mass, ...folds, fatPercent.toFixed(1)].join(',')
  })
  return [
    ['Client', 'Date', 'Sex', 'Age', 'Weight (kg)', ...SEVEN_FOLDS, 'BF%'].join(','),
    ...lines,
  ].join('\n')
}

const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-import-'))
const file = join(folder, 'sheet.csv')
writeFileSync(file, sheet())
const seconds = (from: number) => (performance.now() - from) / 1000
const today = isoDateOf(new Date())

async function inProcess(): Promise<void> {
  const migrations = fileURLToPath(new URL('../server/database/migrations', import.meta.url))
  const { db, engine, close } = await openDatabase(join(folder, 'data'), migrations)
  await ensureGym(db)
  const known = await listKnown(db)
  const from = performance.now()
  const { gym, lines, equations } = recordsIn(
    await readFile(new TextEncoder().encode(sheet())),
    { today, fileName: 'sheet', usual: { length: 'cm', mass: 'kg', order: 'day' }, ...known },
    { columns: {}, answers: {} },
    {
      newId: randomUUID,
      noonOf: (day) => `${day}T12:00:00.000Z`,
      words: { untoldTester: 'Not on record', phase: 'Phase' },
    },
  )
  const understood = seconds(from)
  const [found] = equations
  console.log(
    `${found?.agree.length} of ${ROWS} figures named, understood in ${understood.toFixed(1)} s`,
  )
  const then = performance.now()
  const counts = await bringIn(db, lines, {
    head: {
      id: randomUUID(),
      fileName: 'sheet.csv',
      sha256: '0'.repeat(64),
      clients: lines.length,
      gym,
    },
    ...{ left: [], told: () => '', actor: 'bench' },
  })
  const brought = seconds(then)
  await engine.exec('create table bare (like readings including indexes)')
  const bareFrom = performance.now()
  await engine.exec('insert into bare overriding system value select * from readings')
  const bare = seconds(bareFrom)
  console.log(
    `${counts.readings} readings brought in in ${brought.toFixed(1)} s, ${(brought / bare).toFixed(1)} times one bare statement; ${(understood + brought).toFixed(1)} s in all (at most ${MOST_S})`,
  )
  await close()
}

async function inBrowser(): Promise<void> {
  const server = await TestServer.create()
  const { browser, close } = await openBrowser()
  try {
    const page = await openPage(browser)
    await visit(page, `${server.url}/bring-in`)
    const chooser = (await page.waitForSelector('[data-test="records-file"]')) as unknown
    await page.evaluate(() => {
      const seen = { longest: 0 }
      Object.assign(window, { seen })
      new PerformanceObserver((list) => {
        for (const { duration } of list.getEntries())
          seen.longest = Math.max(seen.longest, duration)
      }).observe({ type: 'longtask' })
    })
    const longest = () =>
      page.evaluate(() => (window as unknown as { seen: { longest: number } }).seen.longest)
    const from = performance.now()
    await (chooser as ElementHandle<HTMLInputElement>).uploadFile(file)
    await page.waitForSelector('[data-test="columns"]', { timeout: 120_000 })
    console.log(`in the browser: understood after ${seconds(from).toFixed(1)} s`)
    for (const step of ['people', 'coming', 'bring']) {
      await page.click('[data-test="next"]')
      await page.waitForSelector(`[data-test="${step}"]`)
    }
    const then = performance.now()
    await page.click('[data-test="bring"]')
    await page.waitForSelector('[data-test="brought"]', { timeout: 300_000 })
    console.log(
      `brought in ${seconds(then).toFixed(1)} s after; longest task on the page ${(await longest()).toFixed(0)} ms (at most 50; 0 where none was over 50)`,
    )
  } finally {
    await close()
    await server.remove()
  }
}

try {
  await inProcess()
  await inBrowser()
} finally {
  rmSync(folder, { recursive: true, force: true })
}

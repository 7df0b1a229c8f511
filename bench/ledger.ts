/**
 * `npm run bench -- ledger`: a client of five years of weekly check-ins in headless Chromium. The sheet is scrolled from
 * end to end; the longest frame, in frames of the same page at rest.
 */
import { SEVEN_FOLDS } from '../core/index'
import { addClient, closeWithSheet, startCheckIn } from '../tests/e2e/support/record'
import { TestServer } from '../tests/e2e/support/server'
import { settledBrowser } from './browser'

const VISITS = 260
const LONGEST_FRAME_MS = 50

async function fill(server: TestServer): Promise<string> {
  const client = await addClient(server, 'Lea Longtime')
  for (let visit = VISITS - 1; visit >= 0; visit--) {
    const checkIn = await startCheckIn(server, client.id, 7 * visit)
    const share = 1 + 0.1 * Math.sin(visit / 9)
    await closeWithSheet(server, checkIn, {
      ...{ folds: SEVEN_FOLDS.map((_, i) => (9 + 2 * i) * share), massKg: 62 * share ** 0.2 },
      rounds: 2,
    })
  }
  return client.id
}

const server = await TestServer.create()
const { page, close } = await settledBrowser()
try {
  const id = await fill(server)
  await page.setViewport({ width: 1280, height: 800 })
  await page.evaluateOnNewDocument('globalThis.__name = (f) => f')
  await page.goto(`${server.url}/clients/${id}`, { waitUntil: 'networkidle0' })
  await page.waitForSelector('[data-test="chart"] [data-drawn] canvas')
  const { rest, scrolled, columns } = await page.evaluate(async () => {
    const sheet = document.querySelector('[aria-label="Ledger and curves"]')!
    const frames = (count: number, each: (i: number) => void) =>
      new Promise<number[]>((resolve) => {
        const at: number[] = []
        const tick = (time: number) => {
          at.push(time)
          each(at.length)
          if (at.length <= count) requestAnimationFrame(tick)
          else resolve(at.slice(1).map((t, i) => t - at[i]!))
        }
        requestAnimationFrame(tick)
      })
    const still = await frames(60, () => {})
    const far = sheet.scrollWidth - sheet.clientWidth
    const moving = await frames(300, (i) => (sheet.scrollLeft = far * (1 - i / 300)))
    return {
      rest: still.sort((a, b) => a - b)[30]!,
      scrolled: moving,
      columns: document.querySelectorAll('[data-test="ledger"] thead th').length,
    }
  })
  const worst = Math.max(...scrolled)
  const middle = [...scrolled].sort((a, b) => a - b)[scrolled.length >> 1]!
  console.log(
    `${VISITS} check-ins scrolled from end to end: longest frame ${(worst / rest).toFixed(1)} frames at rest (${worst.toFixed(0)} ms; at most ${LONGEST_FRAME_MS} ms is asked for), middle ${(middle / rest).toFixed(1)}; ${columns} columns drawn`,
  )
} finally {
  await close()
  await server.remove()
}

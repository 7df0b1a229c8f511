/**
 * `npm run bench -- floor`: the gym floor in headless Chromium. From key to painted digit and to painted next site, in
 * frames of the same run; a reading acknowledged as committed against a bare handler with the same insert; the size of
 * the scripts that a check-in loads.
 */
import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { Agent, request } from 'node:http'
import { gzipSync } from 'node:zlib'
import { SEVEN_FOLDS } from '../core/index'
import type { CheckIn } from '../shared/contract/check-ins'
import { waitForFocus } from '../tests/e2e/support/browser'
import { addClient, readingsFor, startCheckIn } from '../tests/e2e/support/record'
import { TestServer } from '../tests/e2e/support/server'
import { frameOf, settledBrowser } from './browser'

const LAPS = 6
const INSERTS = 400

const quantile = (values: readonly number[], share: number) =>
  [...values].sort((a, b) => a - b)[Math.ceil(share * values.length) - 1]!

async function newCheckIn(server: TestServer): Promise<CheckIn> {
  const client = await addClient(server, 'Bea Bench')
  return startCheckIn(server, client.id)
}

/** One call after another over one kept connection, as a screen makes them. */
function caller(port: number) {
  const agent = new Agent({ keepAlive: true, maxSockets: 1 })
  return (path: string, body: unknown) =>
    new Promise<number>((resolve, reject) => {
      const text = JSON.stringify(body)
      const from = performance.now()
      const sent = request(
        {
          ...{ agent, port, path, host: '127.0.0.1', method: 'POST' },
          headers: {
            'content-type': 'application/json',
            'content-length': Buffer.byteLength(text),
          },
        },
        (response) => {
          response.resume()
          response.on('end', () => {
            if (response.statusCode !== 200) reject(new Error(`${path}: ${response.statusCode}`))
            resolve(performance.now() - from)
          })
        },
      )
      sent.on('error', reject)
      sent.end(text)
    })
}

async function acknowledgement(server: TestServer) {
  const bare = spawn('npx', ['tsx', '--tsconfig', 'tsconfig.tests.json', 'bench/bare-insert.ts'], {
    stdio: ['ignore', 'pipe', 'inherit'],
    detached: true,
  })
  try {
    const [port] = (await once(bare.stdout, 'data')) as [Buffer]
    const checkIn = await newCheckIn(server)
    const [ours, plain] = [caller(server.port), caller(Number(String(port)))]
    const reading = (i: number) => ({
      readings: readingsFor(checkIn, [
        { kind: 'skinfold', site: SEVEN_FOLDS[i % 7]!, trial: 1 + (i % 2), value: 12.5 },
      ]),
    })
    const times = { ours: [] as number[], plain: [] as number[] }
    // Turn about, so that what else the machine does falls on both.
    for (let i = 0; i < INSERTS; i++) {
      times.ours.push(await ours(`/api/check-ins/${checkIn.id}/readings`, reading(i)))
      times.plain.push(await plain('/', reading(i)))
    }
    const warm = (all: number[]) => all.slice(INSERTS / 8)
    return { ours: quantile(warm(times.ours), 0.5), plain: quantile(warm(times.plain), 0.5) }
  } finally {
    process.kill(-bare.pid!, 'SIGTERM')
  }
}

async function screen(server: TestServer) {
  const { page, close } = await settledBrowser()
  try {
    await page.setViewport({ width: 1280, height: 800 })
    // The loader of this file names its functions by a helper, which the page has to have too.
    await page.evaluateOnNewDocument('globalThis.__name = (f) => f')
    await page.evaluateOnNewDocument(
      'addEventListener("focusin", () => (globalThis.standsAt ??= performance.now()))',
    )
    const scripts = new Map<string, Buffer>()
    page.on('response', async (response) => {
      if (response.request().resourceType() !== 'script') return
      scripts.set(response.url(), await response.buffer())
    })
    const { id } = await newCheckIn(server)
    await page.goto(`${server.url}/check-in/${id}`)
    await waitForFocus(page, 'Continue to landmarks')
    // What the first stage waited for is what was asked for before it had the focus; the later stages are asked for
    // after its paint, and how many of them have arrived by now is chance.
    const loaded = await page.evaluate(() => {
      const { standsAt } = globalThis as unknown as { standsAt: number }
      return performance
        .getEntriesByType('resource')
        .filter(({ startTime }) => startTime < standsAt)
        .map(({ name }) => name)
    })
    await page.waitForNetworkIdle({ concurrency: 2 })
    const size = (all: Iterable<Buffer>) => [...all].reduce((n, s) => n + gzipSync(s).length, 0)
    const initial = size([...scripts].filter(([url]) => loaded.includes(url)).map(([, s]) => s))
    await page.keyboard.press('Enter')
    await waitForFocus(page, 'Continue to folds')
    await page.keyboard.press('Enter')
    await waitForFocus(page, 'reading')

    // A frame of this run: the median time between two of them on the page at rest.
    const frame = await frameOf(page)
    await page.evaluate(() => {
      // From the key event itself to the task after the frame that shows its effect: what is painted by then.
      const waits: Record<'digit' | 'site', number[]> = { digit: [], site: [] }
      Object.assign(window, { waits })
      const shown = (check: () => boolean, done: () => void) => {
        const look = () =>
          requestAnimationFrame(() => {
            const there = check()
            const { port1, port2 } = new MessageChannel()
            port1.onmessage = () => (there ? done() : look())
            port2.postMessage(null)
          })
        look()
      }
      window.addEventListener(
        'keydown',
        (event) => {
          const field = document.querySelector<HTMLInputElement>('#reading')
          if (!field) return
          if (event.key === 'Enter') {
            const before = field.labels![0]!.textContent
            const next = () => document.querySelector<HTMLInputElement>('#reading')
            shown(
              () => next() === null || next()!.labels![0]!.textContent !== before,
              () => waits.site.push(performance.now() - event.timeStamp),
            )
          } else {
            const wanted = field.value + event.key
            shown(
              () => field.value === wanted,
              () => waits.digit.push(performance.now() - event.timeStamp),
            )
          }
        },
        true,
      )
    })
    for (let lap = 0; lap < LAPS; lap++) {
      for (let trial = 0; trial < 2; trial++) {
        for (let site = 0; site < SEVEN_FOLDS.length; site++) {
          for (const key of ['1', String(site)]) {
            await page.keyboard.press(key as '1')
            await new Promise((wait) => setTimeout(wait, 60))
          }
          await page.keyboard.press('Enter')
          await new Promise((wait) => setTimeout(wait, 120))
        }
      }
      if (lap < LAPS - 1) await again(server, page)
    }
    const waits = await page.evaluate(
      () => (window as unknown as { waits: Record<'digit' | 'site', number[]> }).waits,
    )
    const charts = [...scripts.values()].filter((s) => /zrender|echarts/i.test(String(s))).length
    return { frame, waits, initial, whole: size(scripts.values()), charts }
  } finally {
    await close()
  }

  /** Another check-in in the same page, so that the listener stays. */
  async function again(of: TestServer, page: import('puppeteer-core').Page) {
    const { id } = await newCheckIn(of)
    await page.evaluate((path) => {
      const { $router } = (
        document.querySelector('#__nuxt') as unknown as {
          __vue_app__: {
            config: { globalProperties: { $router: { push(to: string): void } } }
          }
        }
      ).__vue_app__.config.globalProperties
      $router.push('/')
      setTimeout(() => $router.push(path), 500)
    }, `/check-in/${id}`)
    await waitForFocus(page, 'Continue to landmarks')
    await page.keyboard.press('Enter')
    await waitForFocus(page, 'Continue to folds')
    await page.keyboard.press('Enter')
    await waitForFocus(page, 'reading')
  }
}

/** Pages that are opened anew for the readings of a thumb, and the readings on each: the first one is the slowest. */
const PAGES = 6
const READINGS = 7

/** On a phone's keypad, the page held to a quarter of its speed: from the press of Enter to the painted next site, ms. */
async function thumb(server: TestServer): Promise<number[]> {
  const { page, close } = await settledBrowser()
  try {
    await page.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true })
    await page.evaluateOnNewDocument('globalThis.__name = (f) => f')
    const { id } = await newCheckIn(server)
    await page.goto(`${server.url}/check-in/${id}?stage=folds`)
    await waitForFocus(page, 'reading')
    await page.waitForNetworkIdle({ concurrency: 2 })
    await page.emulateCPUThrottling(4)
    return await page.evaluate(async (readings) => {
      const waits: number[] = []
      const pause = (ms: number) => new Promise((wait) => setTimeout(wait, ms))
      const painted = () =>
        new Promise<void>((done) =>
          requestAnimationFrame(() => {
            const { port1, port2 } = new MessageChannel()
            port1.onmessage = () => done()
            port2.postMessage(null)
          }),
        )
      const press = (name: string) => {
        const keys = [...document.querySelectorAll<HTMLElement>('[aria-label="Keypad"] button')]
        keys.find((key) => key.textContent!.trim() === name)!.click()
      }
      const label = () =>
        document.querySelector<HTMLInputElement>('#reading')?.labels![0]!.textContent
      for (let reading = 0; reading < readings; reading++) {
        for (const digit of ['1', String(reading % 10)]) {
          press(digit)
          await pause(150)
        }
        const before = label()
        const from = performance.now()
        press('Enter')
        do await painted()
        while (label() === before)
        waits.push(performance.now() - from)
        await pause(700)
      }
      return waits
    }, READINGS)
  } finally {
    await close()
  }
}

const server = await TestServer.create()
try {
  const { frame, waits, initial, whole, charts } = await screen(server)
  for (const [what, times] of Object.entries(waits)) {
    const p95 = quantile(times, 0.95)
    console.log(
      `key to painted ${what}: p95 ${(p95 / frame).toFixed(2)} frames of ${frame.toFixed(1)} ms, ${times.length} keys (at most 2 is asked for)`,
    )
  }
  const takes: number[] = []
  const firsts: number[] = []
  for (let page = 0; page < PAGES; page++) {
    const waits = await thumb(server)
    takes.push(...waits)
    firsts.push(waits[0]!)
  }
  console.log(
    `a reading by the keypad of a phone at a quarter of its speed: p95 ${quantile(takes, 0.95).toFixed(0)} ms, median ${quantile(takes, 0.5).toFixed(0)} ms, ${takes.length} readings; the first of a page ${quantile(firsts, 0.5).toFixed(0)} ms at the median, ${Math.max(...firsts).toFixed(0)} at most (at most 100 is asked for)`,
  )
  const { ours, plain } = await acknowledgement(server)
  console.log(
    `a reading acknowledged: ${(ours / plain).toFixed(2)} times a bare handler with the same insert, ${ours.toFixed(2)} ms and ${plain.toFixed(2)} ms at the median (at most 2 is asked for)`,
  )
  console.log(
    `scripts of the check-in route: ${(initial / 1000).toFixed(0)} kB gzip at first (at most 180 is asked for), ${(whole / 1000).toFixed(0)} kB with every stage, ${charts} scripts with charts`,
  )
} finally {
  await server.remove()
}

/**
 * `npm run bench -- typing`: the planner at a quarter of the processor. From a key in each of its fields to the painted
 * character, in frames of the same run; what jumps while it is typed into, whoever caused it; how long after the hand
 * rests everything that follows is there.
 */
import { DESK, waitForText } from '../tests/e2e/support/browser'
import { addClient, closeWithSheet, startCheckIn } from '../tests/e2e/support/record'
import { TestServer } from '../tests/e2e/support/server'
import { frameOf, settledBrowser } from './browser'

const THROTTLE = 4
const CHECK_INS = 12
/** A page of one field, nothing else: what the browser itself takes. */
const BARE = 'data:text/html,<input id="bare">'
/** Fast, slow, and between: a hand that thinks lets the page begin its work before the next key. */
const PAUSES = [90, 180, 320, 700]
const FIELDS: Record<string, string[]> = {
  goal: ['59.5', '58.25'],
  pace: ['0.6', '0.75'],
  exercise: ['150', '220'],
  'break-every': ['6', '10'],
  protein: ['1.7', '1.9'],
  fat: ['28', '31'],
  meals: ['5', '3'],
  'made-by': ['Bea Bench', 'Bea B.'],
}

const quantile = (values: readonly number[], share: number) =>
  [...values].sort((a, b) => a - b)[Math.ceil(share * values.length) - 1]!

const server = await TestServer.create()
const { page, close } = await settledBrowser()
try {
  const { id } = await addClient(server, 'Bea Bench')
  for (let i = CHECK_INS; i >= 1; i--) {
    const checkIn = await startCheckIn(server, id, 1 + 28 * (i - 1))
    await closeWithSheet(server, checkIn, { rounds: 2 })
  }
  await page.setViewport(DESK)
  // The loader of this file names its functions by a helper, which the page has to have too.
  await page.evaluateOnNewDocument('globalThis.__name = (f) => f')
  await page.evaluateOnNewDocument(() => {
    const seen = { waits: {} as Record<string, number[]>, shift: 0 }
    Object.assign(globalThis, { seen })
    new PerformanceObserver((list) => {
      for (const { value } of list.getEntries() as (PerformanceEntry & { value: number })[]) {
        seen.shift += value
      }
    }).observe({ type: 'layout-shift', buffered: true })
    addEventListener(
      'keydown',
      (event) => {
        const { id: field } = event.target as HTMLInputElement
        // To the task after the frame that shows the character.
        requestAnimationFrame(() => {
          const { port1, port2 } = new MessageChannel()
          port1.onmessage = () =>
            (seen.waits[field] ??= []).push(performance.now() - event.timeStamp)
          port2.postMessage(null)
        })
      },
      true,
    )
  })
  const waitsSeen = () =>
    page.evaluate(
      () =>
        (globalThis as unknown as { seen: { waits: Record<string, number[]>; shift: number } })
          .seen,
    )
  await page.emulateCPUThrottling(THROTTLE)
  await page.goto(BARE)
  await page.click('#bare')
  for (const pause of PAUSES) {
    for (const key of '58.25 59.5') {
      await page.keyboard.press(key as '1')
      await new Promise((wait) => setTimeout(wait, pause))
    }
  }
  const { bare } = (await waitsSeen()).waits as { bare: number[] }
  await page.emulateCPUThrottling(1)
  await page.goto(`${server.url}/clients/${id}/plan`, { waitUntil: 'networkidle0' })
  await page.mouse.move(300, 300)
  await page.type('#goal', '60')
  await waitForText(page, 'Of 10,000 simulated outcomes')
  await page.evaluate(() =>
    [...document.querySelectorAll('label')]
      .find((label) => label.innerText.startsWith('With breaks'))!
      .click(),
  )
  await page.waitForSelector('#break-every')
  await waitForText(page, 'Of 10,000 simulated outcomes')
  await page.emulateCPUThrottling(THROTTLE)
  const frame = await frameOf(page)
  const rested: number[] = []
  await page.evaluate(() => {
    const { seen } = globalThis as unknown as { seen: { waits: object; shift: number } }
    Object.assign(seen, { waits: {}, shift: 0 })
  })
  for (const [field, texts] of Object.entries(FIELDS)) {
    for (const [i, pause] of PAUSES.entries()) {
      await page.click(`#${field}`, { count: 3 })
      for (const key of texts[i % texts.length]!) {
        await page.keyboard.press(key as '1')
        await new Promise((wait) => setTimeout(wait, pause))
      }
    }
    if (field !== 'goal') continue
    await page.click('#goal', { count: 3 })
    await page.keyboard.press('5')
    await page.keyboard.press('7')
    const from = performance.now()
    await page.waitForFunction(() =>
      /lean held\s+57\.0/.test(
        document.querySelector<HTMLElement>('[data-test="targets"]')?.innerText ?? '',
      ),
    )
    rested.push(performance.now() - from)
  }
  const { waits, shift } = await waitsSeen()
  for (const [field, all] of Object.entries(waits)) {
    const [usual, most] = [quantile(all, 0.5), quantile(all, 1)].map((ms) => ms / frame)
    console.log(
      `${field}: ${all.length} keys painted within ${usual!.toFixed(2)} frames, the slowest ${most!.toFixed(2)}`,
    )
  }
  const every = Object.values(waits).flat()
  console.log(
    `a field on an empty page: p95 ${(quantile(bare, 0.95) / frame).toFixed(2)} frames, the slowest ${(quantile(bare, 1) / frame).toFixed(2)}`,
  )
  console.log(
    `every field at a quarter of the processor, p95 ${(quantile(every, 0.95) / frame).toFixed(2)} frames, the slowest ${(quantile(every, 1) / frame).toFixed(2)}, of ${frame.toFixed(1)} ms (at most 2 is asked for)`,
  )
  console.log(`layout shift while typing ${shift.toFixed(4)} (none is asked for)`)
  console.log(`what follows from a goal is there ${rested[0]!.toFixed(0)} ms after the last key`)
} finally {
  await close()
  await server.remove()
}

import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Browser, Page } from 'puppeteer-core'
import { afterAll, afterEach, beforeAll, beforeEach, expect } from 'vitest'
import { addDays, isoDateOf, SEVEN_FOLDS, type SkinfoldId } from '#core'
import type { CheckIn, CheckInView } from '#shared/contract/check-ins'
import type { Client } from '#shared/contract/clients'
import { openBrowser, openPage, waitForFocus, waitForText } from './browser'
import { TestServer } from './server'

/* One sheet and the next, invented for testing: a woman of 36, 62.0 kg, four weeks apart. */
export const LAST = [9, 11, 17, 13.5, 21, 16, 26]
export const NOW = [9, 10.5, 16.5, 13, 19.5, 15, 25]

export const today = isoDateOf(new Date())

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** A server and a browser for one test file, and a fresh page for each test that must end without a fault. */
export function useFloor(env: Record<string, string> = {}) {
  const floor = {} as {
    server: TestServer
    browser: Browser
    page: Page & { faults: string[] }
  }
  let closeBrowser: () => Promise<void>
  beforeAll(async () => {
    floor.server = await TestServer.create(env)
    ;({ browser: floor.browser, close: closeBrowser } = await openBrowser())
  })
  afterAll(async () => {
    await closeBrowser?.()
    await floor.server?.remove()
  })
  beforeEach(async () => {
    floor.page = await openPage(floor.browser)
  })
  afterEach(async () => {
    expect(floor.page.faults).toEqual([])
    await floor.page.close()
  })
  return floor
}

/** A woman of 36, put on record over the API. */
export function addClient(server: TestServer, name: string, more: object = {}): Promise<Client> {
  return server.post<Client>('/api/clients', {
    name,
    sex: 'female',
    birthDate: addDays(today, -Math.round(36.5 * 365.25)),
    height: '168 cm',
    cadenceDays: '28',
    ...more,
  })
}

/** Starts a check-in of a client so many days ago. */
export function startCheckIn(
  server: TestServer,
  clientId: string,
  daysAgo = 0,
  more: object = {},
): Promise<CheckIn> {
  return server.post<CheckIn>('/api/check-ins', {
    id: randomUUID(),
    clientId,
    measuredOn: addDays(today, -daysAgo),
    startedAt: new Date(Date.now() - daysAgo * 86_400_000).toISOString(),
    ...more,
  })
}

/** Folds and a body mass, stored and closed: seven folds once and 62.0 kg where nothing else is said. */
export async function closeWithSheet(
  server: TestServer,
  checkInId: string,
  { folds = LAST, sites = SEVEN_FOLDS, massKg = 62, rounds = 1 }: Sheet = {},
) {
  const reading = (more: object) => ({
    id: randomUUID(),
    checkInId,
    trial: 1,
    unit: 'mm',
    typed: 'x',
    takenAt: new Date().toISOString(),
    supersedes: null,
    ...more,
  })
  const numbers = Array.from({ length: rounds }, (_, i) => i + 1)
  await server.post(`/api/check-ins/${checkInId}/readings`, {
    readings: [
      ...numbers.flatMap((trial) =>
        sites.map((site, i) =>
          reading({ kind: 'skinfold', site, standard: 'us', value: folds[i], trial }),
        ),
      ),
      reading({ kind: 'mass', site: null, standard: null, value: massKg, unit: 'kg' }),
    ],
  })
  await server.post(`/api/check-ins/${checkInId}/close`, {})
}

interface Sheet {
  folds?: number[]
  sites?: SkinfoldId[]
  massKg?: number
  rounds?: number
}

/** A woman of 36 with one closed check-in four weeks ago, and one just started; its id. */
export async function secondCheckIn(server: TestServer, name: string): Promise<string> {
  const { id } = await addClient(server, name)
  await closeWithSheet(server, (await startCheckIn(server, id, 28)).id)
  return (await startCheckIn(server, id)).id
}

/** From Ready over the landmarks to the first box: one Enter each. */
export async function begin(page: Page) {
  await waitForFocus(page, 'On to the landmarks')
  await page.keyboard.press('Enter')
  await page.waitForFunction(() =>
    /^On to the (folds|tape)$/.test(document.activeElement?.textContent?.trim() ?? ''),
  )
  await page.keyboard.press('Enter')
  await waitForFocus(page, 'reading')
}

export async function openFolds(page: Page, server: TestServer, id: string) {
  await page.goto(`${server.url}/check-in/${id}`)
  await begin(page)
}

/** From the read-back to the result: one Enter. */
export async function toResult(page: Page) {
  await waitForFocus(page, 'On to the result')
  await page.keyboard.press('Enter')
  await waitForFocus(page, 'Close the check-in')
}

/** The check-in as the server has it, once the screen says that everything is stored. */
export async function stored(page: Page, server: TestServer, id: string) {
  await waitForText(page, 'all stored')
  return (await server.get<CheckInView>(`/api/check-ins/${id}`)).checkIn
}

/** Presses the button, link or choice that begins with the text, with the mouse. */
export async function press(page: Page, text: string) {
  const handle = await page.waitForFunction(
    (wanted) =>
      [...document.querySelectorAll('button, a, summary, [role=radio]')].find((element) =>
        (element as HTMLElement).innerText.replace(/\s+/g, ' ').trim().startsWith(wanted),
      ),
    {},
    text,
  )
  await page.evaluate((element) => (element as HTMLElement).click(), handle)
}

/** Taps the button that says just this, as a thumb does. */
export async function tap(page: Page, text: string) {
  const handle = await page.waitForFunction(
    (wanted) =>
      [...document.querySelectorAll('button')].find((b) => b.textContent?.trim() === wanted),
    {},
    text,
  )
  await (handle.asElement() as unknown as { tap(): Promise<void> }).tap()
}

/** Ticks the box, or presses the label, that begins with the text. */
export async function tick(page: Page, text: string) {
  const handle = await page.waitForFunction(
    (wanted) =>
      [...document.querySelectorAll('label')].find((e) => e.innerText.trim().startsWith(wanted)),
    {},
    text,
  )
  await page.evaluate((element) => (element as HTMLElement).click(), handle)
}

/** Every violation that the accessibility audit finds on the page as it is. */
export async function violations(page: Page): Promise<string[]> {
  await page.evaluate(axe)
  return page.evaluate(async () => {
    const { axe: audit } = window as unknown as {
      axe: { run(): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> }
    }
    const result = await audit.run()
    return result.violations.map(({ id, nodes }) => `${id}: ${nodes.map((n) => n.html).join(' ')}`)
  })
}

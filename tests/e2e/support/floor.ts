import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Browser, Page } from 'puppeteer-core'
import { afterAll, afterEach, beforeAll, beforeEach, expect } from 'vitest'
import { enter, openBrowser, openPage, visit, waitForFocus, waitForText } from './browser'
import { viewOf } from './record'
import { TestServer } from './server'

export * from './record'

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** A server and a browser for one test file, and a fresh page for each test that must end without a fault. */
export function useFloor(options: { demo?: boolean; env?: Record<string, string> } = {}) {
  const floor = {} as {
    server: TestServer
    browser: Browser
    page: Page & { faults: string[] }
  }
  let closeBrowser: () => Promise<void>
  beforeAll(async () => {
    floor.server = await TestServer.create(options)
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

/** From Ready over the landmarks to the first box: one Enter each. */
export async function begin(page: Page) {
  await waitForFocus(page, 'Continue to landmarks')
  await page.keyboard.press('Enter')
  await page.waitForFunction(() =>
    /^Continue to (folds|tape)$/.test(document.activeElement?.textContent?.trim() ?? ''),
  )
  await page.keyboard.press('Enter')
  await waitForFocus(page, 'reading')
  // The address follows the stage a moment later: a reload in between would open the stage before.
  await page.waitForFunction(() => /stage=(folds|tape)/.test(location.search))
}

export async function openFolds(page: Page, server: TestServer, id: string) {
  await page.goto(`${server.url}/check-in/${id}`)
  await begin(page)
}

/** The body mass, the last number of most check-ins, and on to the result. */
export async function weighIn(page: Page, mass: string) {
  await waitForFocus(page, 'mass')
  await enter(page, mass)
  await toResult(page)
}

/** From the read-back to the result: one Enter. */
export async function toResult(page: Page) {
  await waitForFocus(page, 'Continue to result')
  await page.keyboard.press('Enter')
  await waitForFocus(page, 'Close the check-in')
}

/** The check-in as the server has it, once the screen says that everything is stored. */
export async function stored(page: Page, server: TestServer, id: string) {
  await waitForText(page, 'all stored')
  return (await viewOf(server, id)).checkIn
}

/** The form of a set of one's own: empty, or as the set that it starts from. */
export async function beginOwnSet(page: Page, server: TestServer, from?: string) {
  await visit(page, `${server.url}/settings`)
  await press(page, 'New protocol')
  await page.waitForSelector('#own-name')
  if (!from) return
  await page.select('#own-start', from)
  await page.waitForFunction(() => document.querySelector<HTMLInputElement>('#own-name')!.value)
}

/** Presses the button, link or choice that begins with the text, with the mouse. */
export async function press(page: Page, text: string) {
  const handle = await page.waitForFunction(
    (wanted) =>
      [
        ...document.querySelectorAll(
          'button, a, summary, [role=radio], label:has(input[type=checkbox])',
        ),
      ].find((element) =>
        (element as HTMLElement).innerText.replace(/\s+/g, ' ').trim().startsWith(wanted),
      ),
    {},
    text,
  )
  await page.evaluate((element) => (element as HTMLElement).click(), handle)
}

/** Presses a button of somebody's line in the list of who gets in, by all that it says to who only hears. */
export async function pressOfAccount(page: Page, words: string) {
  await page.waitForSelector('[data-test="accounts"]')
  await page.$$eval(
    '[data-test="accounts"] button',
    (buttons, wanted) =>
      buttons.find((b) => b.textContent.replace(/\s+/g, ' ').trim() === wanted)!.click(),
    words,
  )
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

/** Calls the API in a page, as whoever is signed in there. */
export const call = (page: Page, method: string, path: string, body?: unknown) =>
  page.evaluate(
    async (how, where, what) => {
      const response = await fetch(where, {
        method: how,
        headers: { 'content-type': 'application/json' },
        ...(what === undefined ? {} : { body: JSON.stringify(what) }),
      })
      const json = response.headers.get('content-type')?.includes('json')
      return { status: response.status, body: json ? await response.json() : undefined }
    },
    method,
    path,
    body,
  )

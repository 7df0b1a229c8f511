import type { Browser, BrowserContext, Page } from 'puppeteer-core'
import { openChromium, setCookies } from '../../../scripts/chromium.mjs'
import { FILLER, PSEUDO_LOCALE } from '../../../scripts/pseudo-locale'
import { PATIENCE } from '../../support/patience'
import { cutOff } from './cut-off'

/** The language of the pages; `npm run test:long-words` has every flow in the made-up one. */
const LANGUAGE = process.env.OAK_PINCH_LANGUAGE
export const IN_LONG_WORDS = LANGUAGE === PSEUDO_LOCALE

export const DESK = { width: 1280, height: 800 }
export const PHONE = { width: 390, height: 844, isMobile: true, hasTouch: true }

/**
 * Headless Chromium with an empty profile of its own, in a language.
 *
 * @param trusting goes on where it does not know a certificate
 */
export async function openBrowser(
  language = LANGUAGE,
  { trusting = false } = {},
): Promise<{ browser: Browser; close(): Promise<void> }> {
  const opened = await openChromium({
    acceptInsecureCerts: trusting,
    // Longer than any wait of a test, which says what it waited for.
    protocolTimeout: 2 * PATIENCE,
  })
  if (language) await setCookies(opened.browser, { 'oak-pinch-language': language })
  return opened
}

/** A page that remembers what went wrong in it: errors of scripts, and of the content security policy. */
export async function openPage(
  browser: Browser | BrowserContext,
  viewport = DESK,
): Promise<Page & { faults: string[] }> {
  const page = Object.assign(await browser.newPage(), { faults: [] as string[] })
  page.setDefaultTimeout(PATIENCE)
  await page.setViewport(viewport)
  // What the flows read is what the shipped words are.
  if (IN_LONG_WORDS) await page.evaluateOnNewDocument(readWithoutFiller, FILLER)
  page.on('pageerror', (error) => page.faults.push(String(error)))
  page.on('console', (message) => {
    const text = message.text()
    // A server that is down, and one that refuses with words, are part of some tests.
    const expected = /net::ERR|responded with a status of 4/.test(text)
    if (message.type() === 'error' && !expected) page.faults.push(text)
  })
  return page
}

/** In the page: has texts read without the letter that the made-up language adds. */
function readWithoutFiller(filler: string): void {
  for (const [of, name] of [
    [HTMLElement.prototype, 'innerText'],
    [Node.prototype, 'textContent'],
  ] as const) {
    const { get, set } = Object.getOwnPropertyDescriptor(of, name)!
    Object.defineProperty(of, name, {
      configurable: true,
      get(this: unknown) {
        const text = get!.call(this) as string | null
        return text?.replaceAll(filler, '') ?? text
      },
      ...(set ? { set } : {}),
    })
  }
  // Flows find things by their labels too; those have no length on the page.
  const unlabel = (element: Element) => {
    for (const name of ['aria-label', 'aria-description', 'aria-valuetext', 'alt', 'title']) {
      const text = element.getAttribute(name)
      if (text?.includes(filler)) element.setAttribute(name, text.replaceAll(filler, ''))
    }
  }
  new MutationObserver((changes) => {
    for (const { target, addedNodes } of changes) {
      if (target instanceof Element) unlabel(target)
      for (const node of addedNodes)
        if (node instanceof Element) {
          unlabel(node)
          for (const inner of node.querySelectorAll('*')) unlabel(inner)
        }
    }
  }).observe(document, { subtree: true, childList: true, attributes: true })
}

/** A text of a field as the shipped words have it. */
export const withoutFiller = (text: string): string =>
  IN_LONG_WORDS ? text.replaceAll(FILLER, '') : text

/** Opens an address and waits until the page has what it asked for, and has done what it does unasked. */
export async function load(page: Page, url: string): Promise<void> {
  // Two may be open for good: the live stream of a check-in never ends.
  await page.goto(url, { waitUntil: 'networkidle2' })
  await page.waitForFunction(() => {
    const root = document.querySelector('#__nuxt') as unknown as {
      __vue_app__?: { config: { globalProperties: { $nuxt?: { isHydrating: boolean } } } }
    } | null
    const hydrated = root?.__vue_app__?.config.globalProperties.$nuxt?.isHydrating === false
    return hydrated && !('waking' in document.documentElement.dataset)
  })
  if (!IN_LONG_WORDS) return
  const cut = await cutOff(page)
  if (cut.length) throw new Error(`${url} cuts off: ${cut.join(' | ')}`)
}

/** Opens an address and comes with the pointer: all that the server has drawn answers from then on. */
export async function visit(page: Page, url: string): Promise<void> {
  await load(page, url)
  await page.evaluate(() => document.dispatchEvent(new PointerEvent('pointermove')))
  await page.waitForFunction(() => !('waking' in document.documentElement.dataset))
}

/** Waits until the text is somewhere on the page. */
export async function waitForText(page: Page, text: string | RegExp): Promise<void> {
  const isPattern = typeof text !== 'string'
  await page.waitForFunction(
    (wanted, pattern) => {
      const all = document.body.innerText
      return pattern ? new RegExp(wanted).test(all) : all.includes(wanted)
    },
    {},
    isPattern ? text.source : text,
    isPattern,
  )
}

/** Waits until the focused element carries this accessible text, id or label. */
export async function waitForFocus(page: Page, what: string): Promise<void> {
  await page.waitForFunction(
    (wanted) => {
      const element = document.activeElement
      // The body holds every text of the page and has the focus when nothing has it.
      if (!element || element === document.body) return false
      return element.id === wanted || element.textContent.includes(wanted)
    },
    {},
    what,
  )
}

/** Moves the focus with Tab until it is on what carries the text. */
export async function tabTo(page: Page, what: string): Promise<void> {
  for (let presses = 0; presses < 80; presses++) {
    const there = await page.evaluate((wanted) => {
      const element = document.activeElement
      return (
        element?.id === wanted ||
        (element !== document.body &&
          element?.role !== 'region' &&
          !!element?.textContent?.includes(wanted))
      )
    }, what)
    if (there) return
    await page.keyboard.press('Tab')
  }
  throw new Error(`Tab does not reach ${what}.`)
}

/** The text of the element marked for tests. */
export async function textOf(page: Page, mark: string): Promise<string> {
  return page.$eval(`[data-test="${mark}"]`, (element) => (element as HTMLElement).innerText)
}

/** Sets a date field, which takes keys differently in every language. */
export async function setDate(page: Page, selector: string, date: string): Promise<void> {
  await page.$eval(
    selector,
    (field, day) => {
      ;(field as HTMLInputElement).value = day
      field.dispatchEvent(new Event('input', { bubbles: true }))
    },
    date,
  )
}

/** Types a number and Enter, as a coach does; over what stands in the field where that is wanted. */
export async function enter(page: Page, text: string | number, over = false): Promise<void> {
  if (over) {
    await page.keyboard.down('Control')
    await page.keyboard.press('a')
    await page.keyboard.up('Control')
  }
  await page.keyboard.type(String(text))
  await page.keyboard.press('Enter')
}

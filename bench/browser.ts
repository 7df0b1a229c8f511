import type { Page } from 'puppeteer-core'
import { openBrowser } from '../tests/e2e/support/browser'

/** A browser that has just been started has work of its own, which takes a processor from the page. */
const SETTLE_MS = 3000

/** A browser with an empty page, at rest. */
export async function settledBrowser() {
  const opened = await openBrowser()
  const page = await opened.browser.newPage()
  await new Promise((settled) => setTimeout(settled, SETTLE_MS))
  return { ...opened, page }
}

/** How long a frame of a page takes, ms: the middle one of many. */
export const frameOf = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const at: number[] = []
        const tick = (time: number) => {
          at.push(time)
          if (at.length < 121) requestAnimationFrame(tick)
          else {
            const gaps = at.slice(1).map((t, i) => t - at[i]!)
            resolve(gaps.sort((a, b) => a - b)[60]!)
          }
        }
        requestAnimationFrame(tick)
      }),
  )

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

import type { Page } from 'puppeteer-core'

/** Texts that do not fit: cut by their box, or out of the screen with nothing to scroll them into it. */
export async function cutOff(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const found: string[] = []
    const scrolls = (element: Element | null): boolean =>
      !!element &&
      (/auto|scroll/.test(getComputedStyle(element).overflowX) || scrolls(element.parentElement))
    for (const element of document.querySelectorAll<HTMLElement>('body *')) {
      const own = [...element.childNodes].some(
        (node) => node.nodeType === Node.TEXT_NODE && node.nodeValue!.trim() !== '',
      )
      const box = element.getBoundingClientRect()
      // Read out, not seen.
      const unseen = box.width <= 2 || box.height <= 2 || element.closest('.sr-only')
      if (!own || unseen || element.closest('svg, canvas')) continue
      const { overflowX, overflowY } = getComputedStyle(element)
      const hides = /hidden|clip/
      const say = (why: string) =>
        found.push(`${why}: ${element.nodeName} ${element.innerText.slice(0, 60)}`)
      if (hides.test(overflowX) && element.scrollWidth > element.clientWidth + 1) say('cut')
      else if (hides.test(overflowY) && element.scrollHeight > element.clientHeight + 2)
        say('cut below')
      else if (box.right > innerWidth + 1 && !scrolls(element)) say('outside')
      // A button is as wide as it is told to be, and shows more than it has room for.
      else if (
        /^(BUTTON|A|LABEL)$/.test(element.nodeName) &&
        element.scrollWidth > element.clientWidth + 1 &&
        element.clientWidth > 0
      )
        say('too wide')
    }
    const page = document.scrollingElement!
    if (page.scrollWidth > innerWidth + 1) found.push(`the page is ${page.scrollWidth} wide`)
    return found
  })
}

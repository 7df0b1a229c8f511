import type { Page } from 'puppeteer-core'

/** What a thumb needs, CSS pixels: the height of everything that can be pressed, and the least width. */
const HEIGHT = 44
const WIDTH = 24

/**
 * Everything that can be pressed on the page as it is and is too small for a thumb, in words. A link inside a sentence
 * is as high as its line.
 */
export function smallTargets(page: Page): Promise<string[]> {
  return page.evaluate(
    (least, narrow) => {
      const pressed =
        'a[href], button, summary, select, input:not([type=hidden]), textarea, [role=radio], [role=checkbox], [role=tab]'
      const isSeen = (element: HTMLElement) => {
        const { width, height } = element.getBoundingClientRect()
        const { visibility, clipPath, position } = getComputedStyle(element)
        const readOnly = position === 'absolute' && (width <= 1 || clipPath !== 'none')
        return width > 1 && height > 1 && visibility === 'visible' && !readOnly
      }
      /** What takes the press: the label around a box, or the target itself. */
      const target = (element: HTMLElement) => {
        const label = element.closest('label')
        return label ?? element
      }
      const inSentence = (element: HTMLElement) => {
        if (element.tagName !== 'A' || getComputedStyle(element).display !== 'inline') return false
        const text = element.parentElement!.textContent!.trim()
        return text.length > element.textContent!.trim().length
      }
      return [...document.querySelectorAll<HTMLElement>(pressed)]
        .filter((e) => isSeen(e) && !inSentence(e))
        .map((e) => [e, target(e).getBoundingClientRect()] as const)
        .filter(([, { width, height }]) => height < least - 0.5 || width < narrow)
        .map(([e, { width, height }]) => {
          const name = (e.getAttribute('aria-label') ?? e.innerText ?? e.id).trim().slice(0, 40)
          return `${e.tagName.toLowerCase()} “${name || e.id}” ${Math.round(width)}x${Math.round(height)}`
        })
    },
    HEIGHT,
    WIDTH,
  )
}

/** Whether what is there can be seen whole: inside the window, and nothing over its corners. */
export const inSight = (page: Page, selector: string): Promise<boolean> =>
  page.$eval(selector, (element) => {
    const { left, right, top, bottom } = element.getBoundingClientRect()
    return [top + 3, bottom - 3].every((y) =>
      [left + 3, right - 3].every((x) => element.contains(document.elementFromPoint(x, y))),
    )
  })

import type { Page } from 'puppeteer-core'
import { FILLER } from '../../../scripts/pseudo-locale'

/**
 * Texts of a page in the made-up language that did not come from the catalogue: words in a row without its letter, the
 * key of a message in place of its words, or a message that nobody told.
 *
 * @param own what is on record in somebody's own words, and names of sources, which are shown as they are
 */
export async function untold(page: Page, own: readonly string[]): Promise<string[]> {
  return page.evaluate(
    (filler, known) => {
      const found: string[] = []
      const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
      for (let node = walker.nextNode(); node; node = walker.nextNode()) {
        if (node.parentElement!.closest('script, style, noscript, template')) continue
        const text = node.nodeValue!.replace(/\s+/g, ' ').trim()
        const plain = known.reduce((rest, words) => rest.replaceAll(words, ''), text)
        if (/"say":|\[object /.test(plain) || /^[a-z]\w*\.[a-z]\w+$/.test(plain)) found.push(text)
        else if (!plain.includes(filler) && /\p{Ll}{2,} \p{Ll}{2,} \p{Ll}{2,}/u.test(plain))
          found.push(text)
      }
      return [...new Set(found)]
    },
    FILLER,
    own,
  )
}

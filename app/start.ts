import { breathe } from './utils/moments'

/** The scripts of every page in the order in which they need each other, as scripts/page-scripts.ts names them. */
const SCRIPTS = ['vue', 'parts', 'core', 'contract', 'desk', 'entry']

/**
 * Runs the scripts that the page has fetched one after another, with a breath in between: run as one, they keep a slow
 * phone from answering for a fifth of a second.
 */
export async function runScriptsInTurn(): Promise<void> {
  const fetched = [...document.querySelectorAll<HTMLLinkElement>('link[rel=modulepreload]')]
  for (const name of SCRIPTS) {
    const link = fetched.find(({ href }) => href.includes(`/_nuxt/${name}.`))
    if (!link) continue
    await import(/* @vite-ignore */ link.href)
    await breathe()
  }
}

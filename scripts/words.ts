import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Plugin } from 'vite'
import { SHIPPED } from '../shared/words/best-language'
import { formsOf, isText, spokenWords, type Words } from '../shared/words/compile'
import type { Messages } from '../shared/words/translator'
import type { Catalogue } from '../shared/words/voices'
import { pseudo, PSEUDO_LOCALE } from './pseudo-locale'

/*
 * The catalogue of words as the pages use it: locales/<language>/<place>.json becomes one script a place, compiled, so
 * that a page asks for the words of its own places alone and carries no compiler.
 */

export type { Words }

const read = (file: string): Words =>
  existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as Words) : {}

function over(base: Words, own: Words): Words {
  const merged = { ...base }
  for (const [key, value] of Object.entries(own)) {
    const before = merged[key]
    merged[key] =
      typeof value === 'object' && typeof before === 'object' ? over(before, value) : value
  }
  return merged
}

const each = (words: Words, change: (text: string) => string): Words =>
  Object.fromEntries(
    Object.entries(words).map(([key, value]) => [
      key,
      typeof value === 'string' ? change(value) : each(value, change),
    ]),
  )

/** The places of the catalogue: the names of its files, without their ending. */
export const placesIn = (folder: string): string[] =>
  readdirSync(join(folder, SHIPPED))
    .filter((name) => name.endsWith('.json'))
    .map((name) => name.replace(/\.json$/, ''))
    .sort()

/** The languages to choose from: the folders of the catalogue. */
export const languagesIn = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map((entry) => entry.name)
    .sort()

/** The words of one place in one language; what the language does not say is said as shipped. */
export function wordsOf(folder: string, language: string, place: string): Words {
  const shipped = read(join(folder, SHIPPED, `${place}.json`))
  if (language === PSEUDO_LOCALE) return each(shipped, pseudo)
  if (language === SHIPPED) return shipped
  return over(shipped, read(join(folder, language, `${place}.json`)))
}

/** A message as the code that says it: see shared/words/message.ts. */
function said(message: string): string {
  const forms = formsOf(message).map((form) =>
    isText(form)
      ? JSON.stringify(form.join(''))
      : `m(${form.map((part) => JSON.stringify(part)).join(',')})`,
  )
  return forms.length > 1 ? `p(${forms.join(',')})` : forms[0]!
}

/** Every language with all its words, read from their files. */
export function wholeCatalogue(folder: string): Catalogue {
  const places = placesIn(folder)
  return Object.fromEntries(
    [...languagesIn(folder), PSEUDO_LOCALE].map((language) => [
      language,
      Object.assign(
        {},
        ...places.map((of) => spokenWords(wordsOf(folder, language, of))),
      ) as Messages,
    ]),
  )
}

/** Words as code, each by its name, or by what `nameOf` makes of it. */
function script(words: Words, nameOf = (key: string) => key): string {
  const entries = Object.entries(words).map(
    ([key, value]) =>
      `${JSON.stringify(nameOf(key))}: ${typeof value === 'string' ? said(value) : script(value)}`,
  )
  return `{ ${entries.join(',\n')} }`
}

/** Places that a page wants together: one script each. */
const TOGETHER: readonly (readonly string[])[] = [
  ['errors', 'units', 'anatomy', 'methods', 'protocols', 'findings', 'precision'],
  ['planning', 'safety', 'nutrition'],
]
/** Places of the core, whose keys are never made of parts: a page has them by short names. */
const SHORT = [...TOGETHER.flat(), ...['change', 'norms', 'schedule', 'files', 'fields']]
/** The places that come with one, the first of them its script. */
const groupOf = (place: string) => TOGETHER.find((group) => group.includes(place)) ?? [place]
const HELPERS = "import { m, p } from '#shared/words/message'\n"

/** Serves `virtual:words` (loaders by place, of the shipped language and of others) and `virtual:words/all` (everything, for the server). */
export function catalogue(folder: string): Plugin {
  const places = placesIn(folder)
  const spoken = languagesIn(folder)
  const languages = [...spoken, PSEUDO_LOCALE]
  const named = new RegExp(`["'\`](${places.join('|')})\\.[\\w.]*["'\`$]`, 'g')
  const ROOT = 'virtual:words'
  const shorts = new Map(
    SHORT.map((place) => {
      const keys = Object.keys(wordsOf(folder, SHIPPED, place)[place]!)
      return [place, new Map(keys.map((key, i) => [key, i.toString(36)]))]
    }),
  )
  const key = new RegExp(`(["'\`])(${SHORT.join('|')})\\.(\\w+)\\1`, 'g')
  /** A place's words as a page has them. */
  const ofPage = (language: string, place: string) => {
    const words = wordsOf(folder, language, place)
    const short = shorts.get(place)
    return short
      ? `{ ${JSON.stringify(place)}: ${script(words[place] as Words, (name) => short.get(name)!)} }`
      : script(words)
  }
  return {
    name: 'oak-pinch-words',
    enforce: 'post',
    resolveId: (id) => (id === ROOT || id.startsWith(`${ROOT}/`) ? `\0${id}` : undefined),
    load(id) {
      if (!id.startsWith(`\0${ROOT}`)) return undefined
      const [language, place] = id.slice(ROOT.length + 2).split('/')
      const loadersOf = (name: string) =>
        `{ ${places.map((of) => `${of}: () => import('${ROOT}/${name}/${groupOf(of)[0]}')`).join(', ')} }`
      if (language === 'all') {
        const all = languages.map(
          (name) =>
            `${JSON.stringify(name)}: { ${places.map((of) => `...${script(wordsOf(folder, name, of))}`).join(',\n')} }`,
        )
        return `${HELPERS}export default { ${all.join(',\n')} }`
      }
      if (language && place) {
        const all = groupOf(place).map((of) => `...${ofPage(language, of)}`)
        return `${HELPERS}export default { ${all.join(',\n')} }`
      }
      if (language) return `export default ${loadersOf(language)}`
      // The shipped language's at hand, the others' when they are spoken: a page carries one list of addresses.
      const others = languages
        .filter((name) => name !== SHIPPED)
        .map((name) => `${JSON.stringify(name)}: () => import('${ROOT}/${name}')`)
      return `export const spoken = ${JSON.stringify(spoken)}
export const languages = ${JSON.stringify(languages)}
export const loaders = ${loadersOf(SHIPPED)}
export const otherLoaders = { ${others.join(', ')} }`
    },
    // What says something of a place asks for that place's words when it is loaded.
    transform(code, id) {
      const path = id.split('?')[0]!
      if (this.environment?.name !== 'client' || !/\/(app|core|shared)\/.*\.(vue|ts)$/.test(path))
        return
      if (path.includes('/node_modules/') || id.includes('type=style')) return
      const needed = [...new Set([...code.matchAll(named)].map(([, place]) => place!))]
      if (!needed.length) return
      const shortened = code.replace(key, (all, quote: string, place: string, name: string) =>
        shorts.get(place)!.has(name)
          ? `${quote}${place}.${shorts.get(place)!.get(name)!}${quote}`
          : all,
      )
      return {
        code: `import { needWords as __needWords } from '~/words/needed'\n__needWords(${JSON.stringify(needed)})\n${shortened}`,
        map: null,
      }
    },
  }
}

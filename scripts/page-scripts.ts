import type { Plugin } from 'vite'

/*
 * How the code of the pages is cut into scripts. Cut by what pages share, a page asks for six to sixteen of them; left
 * to itself the bundler makes thirty to eighty of half a kB each, which keep a phone busy with nothing but scripts.
 * What only one page uses goes with that page.
 */

/** From the first row that fits a module's path, below the project's folder or node_modules, its script. */
const SCRIPTS: readonly (readonly [RegExp, string | undefined])[] = [
  // What runs the others: it waits for none of them.
  [/^app\/(start|utils\/moments)\b|preload-helper|idle-callback/, 'start'],
  [/^zod\//, 'contract'],
  [/^(@vue|vue)\//, 'vue'],
  [/^simple-statistics\//, 'core'],
  // Reading dates in any way that they are typed takes most of date-fns, and two pages do it.
  [/^date-fns\/(parse\.js|parse\/|locale|set|get|startOf\w*Week|transpose)/, 'typed-dates'],
  [/^date-fns\/_lib\/(format\/long|protect|default)/, 'typed-dates'],
  [/^@headlessui\/.*\/(dialog|focus-trap|portal)\//, undefined],
  [/^(date-fns|@headlessui|uuid|cookie-es)\//, 'parts'],
  [/^nuxt\/.*\/(components\/nuxt-link|composables\/(cookie|state))\b/, 'parts'],
  // Types, names and addresses alone: a page that shows them need not carry the schemas.
  [/^shared\/(access|contract\/(define|choices|made-up))\b/, 'parts'],
  // What the floor needs of the contract, and all others with it.
  [
    /^shared\/contract\/(zod|problems|fields|sites|clients|check-ins|equipment|weigh-ins)\.ts/,
    'contract',
  ],
  [/^shared\/contract\/routes\/(base|check-ins)\b/, 'contract'],
  [/^core\/protocols\/read-own-protocol\b/, 'contract'],
  [/^core\/(units\/typed-date|weigh-ins\/parse)\b/, 'typed-dates'],
  [/^core\/(outcome|units\/typed-trials|weigh-ins\/weeks)\b/, 'core'],
  [/^core\/(units\/|errors|say|schedule\/due\.)|^shared\/words\//, 'parts'],
  // Only its own page says what is assumed.
  [/^core\/change\/model\/assumed/, undefined],
  // The words of the record and its series are for the desk.
  [/^core\/change\/(advice|series|model)/, 'desk'],
  [/^core\/(anatomy|equations|protocols|readings|data-quality)\//, 'core'],
  [/^core\/(measurement-error|composition|change)\//, 'core'],
  // What is said of the core's things goes where they are.
  [/^app\/words\/of-sites/, 'core'],
  [/^app\/words\/of-record/, 'desk'],
  [/^app\/words\/of-norms/, undefined],
  [/^app\/(layouts|utils|contract|words)\b/, 'parts'],
  [/^(@intlify\/|\0virtual:words$)/, 'parts'],
  [/^app\/ui\/(?!AskPanel)[^/]+$/, 'parts'],
]

/** Which script a module goes to; undefined where the bundler may choose. */
export function scriptOf(id: string, root: string): string | undefined {
  const path = id.split('?')[0]!
  const place = path.lastIndexOf('node_modules/')
  const name = place >= 0 ? path.slice(place + 'node_modules/'.length) : path.replace(root, '')
  return SCRIPTS.find(([fits]) => fits.test(name))?.[1]
}

/** The pages' first script runs the others in turn, and then starts the application. */
export const startInTurn: Plugin = {
  name: 'oak-pinch-start-in-turn',
  enforce: 'pre',
  applyToEnvironment: ({ name }) => name === 'client',
  transform(code, id) {
    if (!/\/nuxt\/dist\/app\/entry\.async\.js$/.test(id)) return undefined
    const start = /^ {2}entry\(\);$/m
    if (!start.test(code)) this.error('Where Nuxt starts the application has changed.')
    return {
      code: `import { runScriptsInTurn } from '~/start'\n${code.replace(start, '  void runScriptsInTurn().then(entry)')}`,
      map: null,
    }
  },
}

/** Refuses a build in which one script waits for another that waits for it: the page would never come alive. */
export const noCircles: Plugin = {
  name: 'oak-pinch-no-circles',
  applyToEnvironment: ({ name }) => name === 'client',
  generateBundle(_, bundle) {
    const done = new Set<string>()
    const follow = (file: string, way: readonly string[]) => {
      const again = way.indexOf(file)
      if (again >= 0) {
        const circle = [...way.slice(again), file].map((name) => {
          const chunk = bundle[name]
          return chunk?.type === 'chunk' ? `${chunk.name} (${chunk.moduleIds[0] ?? ''})` : name
        })
        this.error(`Scripts that wait for each other: ${circle.join(' > ')}`)
      }
      const chunk = bundle[file]
      if (done.has(file) || chunk?.type !== 'chunk') return
      done.add(file)
      for (const next of chunk.imports) follow(next, [...way, file])
    }
    for (const file of Object.keys(bundle)) follow(file, [])
  },
}

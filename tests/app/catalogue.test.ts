import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { createParser } from '@intlify/message-compiler'
import ts from 'typescript'
import { describe, expect, test } from 'vitest'
import { parse } from 'vue/compiler-sfc'
import { bestLanguage, SHIPPED } from '../../shared/words/best-language'
import { pluralRule } from '../../shared/words/plural'
import { translator } from '../../shared/words/translator'
import { FILLER, pseudo } from '../../scripts/pseudo-locale'
import { languagesIn, placesIn, wordsOf, type Words } from '../../scripts/words'

const root = new URL('../../', import.meta.url).pathname
const folder = join(root, 'locales')
const places = placesIn(folder)

function flat(words: Words, before = ''): [key: string, message: string][] {
  return Object.entries(words).flatMap(([name, value]) =>
    typeof value === 'string'
      ? [[`${before}${name}`, value] as [string, string]]
      : flat(value, `${before}${name}.`),
  )
}
const shipped = places.flatMap((place) => flat(wordsOf(folder, SHIPPED, place)))
const others = languagesIn(folder).filter((name) => name !== SHIPPED)
const valuesIn = (message: string) =>
  [...new Set([...message.matchAll(/\{(\w+)\}/g)].map(([, name]) => name!))].sort()

/** All scripts and components that say something: of the application, the core, the contract and the server. */
const files = () => ['app', 'core', 'shared', 'server'].flatMap((name) => filesIn(join(root, name)))
function filesIn(at: string): [path: string, text: string][] {
  return readdirSync(at, { withFileTypes: true }).flatMap((entry) => {
    const path = join(at, entry.name)
    if (entry.isDirectory()) return filesIn(path)
    return /\.(vue|ts)$/.test(entry.name)
      ? [[path, readFileSync(path, 'utf8')] as [string, string]]
      : []
  })
}

interface Call {
  key: string
  given: string[] | 'unknown'
  where: string
}

/** Every call of t() or say() with a key in so many words (or one of two), and the names of the values that it gives. */
function calls(): Call[] {
  const found: Call[] = []
  for (const [path, text] of files()) {
    // Tables of numbers say nothing and take long to read as a tree; so do comments.
    if (!/\b(t|say)\(/.test(text)) continue
    const code = path.endsWith('.vue') ? scriptsOf(text) : text
    const how = {
      languageVersion: ts.ScriptTarget.Latest,
      jsDocParsingMode: ts.JSDocParsingMode.ParseNone,
    }
    const tree = ts.createSourceFile(path, code, how, true)
    const look = (node: ts.Node): void => {
      if (
        ts.isCallExpression(node) &&
        /^(t|say)$/.test(node.expression.getText()) &&
        node.arguments[0]
      )
        found.push(...read(node, path))
      ts.forEachChild(node, look)
    }
    look(tree)
  }
  return found
}
function read(node: ts.CallExpression, path: string): Call[] {
  const [first, values] = node.arguments
  const keys = ts.isConditionalExpression(first!) ? [first.whenTrue, first.whenFalse] : [first!]
  const plain =
    values === undefined ||
    (ts.isObjectLiteralExpression(values) && values.properties.every((p) => p.name !== undefined))
  const given = !plain
    ? ('unknown' as const)
    : values === undefined
      ? []
      : (values as ts.ObjectLiteralExpression).properties.map((p) => p.name!.getText())
  // Of two messages each takes what it needs of the same values.
  if (keys.length > 1) return []
  return keys.flatMap((key) =>
    ts.isStringLiteral(key) ? [{ key: key.text, given, where: path.slice(root.length) }] : [],
  )
}
/** A node of a template, as far as it is looked at. */
interface Template {
  type: number
  loc: { source: string }
  content?: unknown
  props?: { type: number; name: string; exp?: { loc: { source: string } } }[]
  children?: Template[]
}
// As the compiler of templates numbers its nodes.
const [INTERPOLATION, DIRECTIVE] = [5, 7]

/** What is code in a component: its scripts, and the expressions of its template. */
function scriptsOf(text: string): string {
  // The code within a template is read below: not twice.
  const { descriptor } = parse(text, {
    sourceMap: false,
    templateParseOptions: { prefixIdentifiers: false },
  })
  const said: string[] = [descriptor.script?.content ?? '', descriptor.scriptSetup?.content ?? '']
  const look = (node: Template): void => {
    if (node.type === INTERPOLATION) said.push(`;(${(node.content as Template).loc.source})`)
    for (const { type, name, exp } of node.props ?? [])
      if (type === DIRECTIVE && exp && name !== 'for') said.push(`;(${exp.loc.source})`)
    for (const child of node.children ?? []) look(child)
  }
  if (descriptor.template?.ast) look(descriptor.template.ast as unknown as Template)
  return said.join('\n')
}

describe('the catalogue', () => {
  test('has no message that nothing says', () => {
    const all = files()
      .map(([, text]) => text)
      .join('\n')
    const said = new Set([...all.matchAll(/['"`]([\w]+(?:\.[\w]+)+)['"`]/g)].map(([, key]) => key!))
    // Families that are said by the value of something: the type of a key has each of them.
    const families = [...all.matchAll(/`([\w.]+)\.?\$\{/g)].map(([, start]) => start!)
    const unsaid = shipped.filter(
      ([key]) =>
        !said.has(key) && !families.some((start) => start.includes('.') && key.startsWith(start)),
    )
    expect(unsaid.map(([key]) => key)).toEqual([])
  })

  test('is given the values that each message has', () => {
    const faults: string[] = []
    const known = new Map(shipped)
    for (const { key, given, where } of calls()) {
      const message = known.get(key)
      if (message === undefined) faults.push(`${where} ${key}: there is no such message`)
      if (message === undefined || given === 'unknown') continue
      const wanted = valuesIn(message)
      // A plural whose forms do not show the count is given it all the same.
      const spare = given.filter((name) => !wanted.includes(name) && name !== 'count')
      const missing = wanted.filter((name) => !given.includes(name))
      if (spare.length || missing.length)
        faults.push(`${where} ${key}: lacks ${String(missing)}, has ${String(spare)} too much`)
    }
    expect(faults).toEqual([])
    // It reads every source there is.
  })

  test('is made of messages that compile, whose forms have the same values, and that stand alone', () => {
    const faults: string[] = []
    const parser = createParser({ onError: ({ message }) => faults.push(message) })
    for (const [key, message] of shipped) {
      parser.parse(message)
      const forms = message.split(' | ')
      if (forms.length > 2) faults.push(`${key}: English has one and other`)
      const [first, last] = [forms[0]!, forms.at(-1)!].map((form) =>
        valuesIn(form).filter((name) => name !== 'count'),
      )
      if (String(first) !== String(last)) faults.push(`${key}: ${String(first)} or ${String(last)}`)
      // A piece of a sentence cannot be translated by itself.
      if (/^[\s,;.:]|\s$/.test(message)) faults.push(`${key}: begins or ends as a piece does`)
      if (/(?<!fat) %|\.\.\.|'s\b/i.test(message)) faults.push(`${key}: ${message}`)
    }
    expect(faults).toEqual([])
  })

  test.each(others)(
    'of %s says nothing that the shipped one does not, with the same values',
    (language) => {
      const known = new Map(shipped)
      for (const name of readdirSync(join(folder, language))) {
        const own = JSON.parse(readFileSync(join(folder, language, name), 'utf8')) as Words
        for (const [key, message] of flat(own)) {
          expect(known.has(key), key).toBe(true)
          expect(valuesIn(message), key).toEqual(valuesIn(known.get(key)!))
          expect(message, `${key} is as shipped: leave it out`).not.toBe(known.get(key))
        }
      }
    },
  )

  test('in the made-up language is two fifths longer, and the same without its letter', () => {
    const [plain, long] = [shipped, shipped.map(([, message]) => pseudo(message))]
    const letters = (texts: string[]) => texts.join('').replace(/\{\w+\}/g, '').length
    const ratio = letters(long as string[]) / letters(plain.map(([, message]) => message))
    expect(ratio).toBeGreaterThan(1.38)
    expect(ratio).toBeLessThan(1.42)
    for (const [i, [, message]] of shipped.entries())
      expect(long[i]!.replaceAll(FILLER, '')).toBe(message)
  })
})

test('a message takes its values and the form of its count', () => {
  const say = translator('en-US', {
    a: {
      days: ({ plural }: { plural: (forms: string[]) => string }) => plural(['one day', 'days']),
      plain: 'Save',
    },
  }) as unknown as (key: string, values?: object) => string
  expect(say('a.plain')).toBe('Save')
  expect([0, 1, 1.5, 2].map((count) => say('a.days', { count }))).toEqual([
    ...['days', 'one day', 'days', 'days'],
  ])
  expect(say('a.none')).toBe('a.none')
})

test('plurals go by the language: Polish has one, few and many, as Unicode has them', () => {
  // Unicode CLDR, Language Plural Rules: pl one 1; few 2-4, 22-24; many 0, 5-21; other 1.5.
  const polish = pluralRule('pl')
  expect([1, 2, 4, 22, 5, 12, 0, 1.5].map((count) => polish(count, 4))).toEqual([
    ...[0, 1, 1, 1, 2, 2, 2, 3],
  ])
})

test('the language is the first one wished for that is here, else the shipped one', () => {
  const here = ['en-GB', 'en-US', 'nl']
  expect(bestLanguage(['en-GB', 'en'], here)).toBe('en-GB')
  expect(bestLanguage(['nl-BE'], here)).toBe('nl')
  expect(bestLanguage(['en-AU'], here)).toBe('en-US')
  expect(bestLanguage(['fi', 'sv'], here)).toBe('en-US')
  expect(bestLanguage([], here)).toBe('en-US')
})

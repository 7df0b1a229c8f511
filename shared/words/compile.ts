import {
  createParser,
  type MessageNode,
  type NamedNode,
  type PluralNode,
} from '@intlify/message-compiler'
import { m, p, type Part } from './message'
import type { Messages } from './translator'

/** Words of one place, by their names. */
export type Words = { [key: string]: string | Words }

// As the message compiler numbers its nodes: its enumeration is not there at run time.
const [PLURAL, TEXT, NAMED, LITERAL] = [1, 3, 4, 9]

const parser = createParser({ location: false })

/** The forms of a message, each its parts: text, or the name of what stands there in a list of its own. */
export function formsOf(message: string): Part[][] {
  const ast = parser.parse(message)
  const one = (form: MessageNode) =>
    form.items.map((item): Part => {
      if (item.type === TEXT || item.type === LITERAL)
        return (item as { value?: string }).value ?? ''
      if (item.type !== NAMED) throw new Error(`Only {name} may stand in a message: ${message}`)
      return [(item as NamedNode).key]
    })
  return ast.body.type === PLURAL
    ? (ast.body as PluralNode).cases.map(one)
    : [one(ast.body as MessageNode)]
}
export const isText = (form: Part[]): form is string[] =>
  form.every((part) => typeof part === 'string')

/** A place's words as functions that say them, for what is not built: the command line, scripts and tests. */
export function spokenWords(words: Words): Messages {
  const one = (message: string) => {
    const forms = formsOf(message).map((form) => (isText(form) ? form.join('') : m(...form)))
    return forms.length > 1 ? p(...forms) : forms[0]!
  }
  return Object.fromEntries(
    Object.entries(words).map(([key, value]) => [
      key,
      typeof value === 'string' ? one(value) : spokenWords(value),
    ]),
  ) as Messages
}

import { createCoreContext, translate } from '@intlify/core-base'
import { pluralRule } from './plural'
import type { Values, Voice } from './voice'

// As the library's own type of it is too deep for the compiler.
const saidIn = translate as unknown as (context: unknown, key: string, values: Values) => unknown

/** Words by language, place and name. */
export type Messages = Record<string, object>

/** Says the words of a language; `messages` may be added to later. */
export function translator(language: string, messages: Messages): Voice['say'] {
  const context = createCoreContext({
    locale: language,
    messages: { [language]: messages } as never,
    // Keys are names with dots between them, and nothing else of the library's paths. What was not compiled to a function
    // when the pages were built is plain.
    messageResolver: (words, key) => {
      const found = key
        .split('.')
        .reduce((part: unknown, name) => (part as Messages | undefined)?.[name], words)
      return (typeof found === 'string' ? () => found : found) as never
    },
    pluralRules: { [language]: pluralRule(language) },
    missingWarn: import.meta.dev,
    fallbackWarn: false,
  })
  return (key, values = {}) => {
    const said = saidIn(context, key, values)
    return typeof said === 'string' ? said : key
  }
}

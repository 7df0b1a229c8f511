import type { MessageContext } from '@intlify/core-base'

/*
 * What the catalogue's messages become when the pages are built (scripts/words.ts): shorter than what the message
 * compiler writes for each of them.
 */

type Saying = (context: MessageContext<string>) => string
/** Text, or the name of what stands in its place. */
export type Part = string | readonly [name: string]

/** A message with values in it. */
export const m =
  (...parts: Part[]): Saying =>
  ({ named }) =>
    parts.map((part) => (typeof part === 'string' ? part : String(named(part[0]) ?? ''))).join('')

/** A message with a form for each kind of count. */
export const p =
  (...forms: (string | Saying)[]): Saying =>
  (context) => {
    const form = context.plural(forms as never) as string | Saying
    return typeof form === 'string' ? form : form(context)
  }

import type { Key } from '../../locales/keys'
import { SHIPPED } from './best-language'

export type { Key }
export type Values = Record<string, string | number | null | undefined>

/** Gives the words of a key. */
export type Say = (key: Key, values?: Values) => string

/** Who says it, and in which language (BCP 47). */
export interface Voice {
  say: Say
  language: string
}

let voice: () => Voice = () => ({ say: (key) => key, language: SHIPPED })

/** Names who says it: the page's plugin does, and a test. */
export function speakWith(whose: () => Voice): void {
  voice = whose
}

/**
 * The words of a key of locales/, in the language of the page.
 *
 * @param values what stands in braces; `count` also chooses between the forms of a plural
 */
export const t: Say = (key, values) => voice().say(key, values)

/** The language of the page, for what is written by its customs. */
export const language = (): string => voice().language

/** Who speaks now, for what is worked out when no page is being made any more. */
export const voiceNow = (): Voice => voice()

/** Does something at once with another voice. */
export function speakingWith<T>(other: Voice, run: () => T): T {
  const before = voice
  voice = () => other
  try {
    return run()
  } finally {
    voice = before
  }
}

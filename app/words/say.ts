import type { Key } from '../../locales/keys'
import { SHIPPED } from '#shared/words/best-language'
import { told } from '#shared/words/tell'
import type { Words } from '#core'
import type { Values, Voice } from '#shared/words/voice'

export type { Key, Voice }

/** Gives the words of a key of the catalogue; a message of the core may stand in them. */
export type Say = (key: Key, values?: Record<string, Values[string] | Words>) => string

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
export const t: Say = (key, values) => {
  const speaking = voice()
  return speaking.say(key, values && told(values, speaking))
}

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

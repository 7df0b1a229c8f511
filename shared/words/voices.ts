import { languageFor, SHIPPED, wishedIn } from './best-language'
import { translator, type Messages } from './translator'
import type { Voice } from './voice'

/** Words of every language, by language. */
export type Catalogue = Record<string, Messages>

let catalogue: Catalogue = {}
const voices = new Map<string, Voice>()

/** Names the catalogue that the voices speak: the server does when it starts, and the command line, and tests. */
export function provideWords(words: Catalogue): void {
  catalogue = words
  voices.clear()
}

/** Who speaks a language. */
export function voiceOf(language: string): Voice {
  const voice = voices.get(language) ?? {
    say: translator(language, catalogue[language] ?? {}),
    language,
  }
  voices.set(language, voice)
  return voice
}

/** Who speaks the shipped language. */
export const shippedVoice = (): Voice => voiceOf(SHIPPED)

/**
 * The language of a request.
 *
 * @param chosen what the device keeps, if anything
 * @param accepted the header Accept-Language
 */
export const languageAsked = (chosen: string | undefined, accepted: string | undefined): string =>
  languageFor(chosen, wishedIn(accepted ?? ''), Object.keys(catalogue))

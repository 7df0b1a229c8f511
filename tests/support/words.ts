import { fileURLToPath } from 'node:url'
import { InputError } from '../../core/errors'
import type { Value } from '../../core/say'
import { wholeCatalogue } from '../../scripts/words'
import { tell as tellIn, told as toldIn } from '../../shared/words/tell'
import { provideWords, shippedVoice } from '../../shared/words/voices'

/* What the core says, as a test reads it: in the shipped language. */

provideWords(wholeCatalogue(fileURLToPath(new URL('../../locales', import.meta.url))))

export const tell = (words: Value | null | undefined): string =>
  words === null || words === undefined ? '' : tellIn(words, shippedVoice())
export const told = <T>(data: T) => toldIn(data, shippedVoice())

/** What the core says when it refuses, in words; undefined where it does not refuse. */
export function refusalOf(run: () => unknown): string | undefined {
  try {
    run()
  } catch (error) {
    if (error instanceof InputError) return tell(error.said)
    throw error
  }
  return undefined
}

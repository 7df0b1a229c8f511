import { PSEUDO_LOCALE } from '../shared/words/best-language'

export { PSEUDO_LOCALE }

/** The letter that it adds: no other text has it, so that what it was added to can be had back. */
export const FILLER = 'ẋ'

const LONGER_BY = 0.4

/** A message in the made-up language: what stands in braces is left alone, everything else is two fifths longer. */
export function pseudo(message: string): string {
  let owed = 0
  const longer = message.replace(/\{[^}]*\}|[^{]/g, (part) => {
    if (part.startsWith('{')) return part
    owed += LONGER_BY
    // Inside of words, so that a line may still break where it could before.
    if (owed < 1 || !/[\p{L}\p{N}]/u.test(part)) return part
    const more = Math.floor(owed)
    owed -= more
    return part + FILLER.repeat(more)
  })
  return longer.endsWith('}') ? longer : longer + FILLER.repeat(Math.round(owed))
}

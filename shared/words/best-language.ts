/** The language that is shipped, and what is spoken where none of those wished for is here. */
export const SHIPPED = 'en-US'

/** A language made up to see whether longer words fit; spoken only to who chooses it. */
export const PSEUDO_LOCALE = 'en-XA'

/** The first of the languages wished for that is here, else one of the same tongue, else the shipped one. */
export function bestLanguage(wished: readonly string[], here: readonly string[]): string {
  const tongue = (name: string) => name.split('-')[0]
  for (const wish of wished) {
    const found =
      here.find((name) => name === wish) ??
      (tongue(wish) === tongue(SHIPPED)
        ? undefined
        : here.find((name) => tongue(name) === tongue(wish)))
    if (found) return found
  }
  return SHIPPED
}

/** The languages of the header Accept-Language, as they stand there. */
export const wishedIn = (header: string): string[] =>
  header.split(',').map((part) => part.split(';')[0]!.trim())

/**
 * The language to speak.
 *
 * @param chosen what the device keeps, if anything: whatever is here may be chosen
 * @param here the languages that are here, the made-up one too, which nobody gets by wishing
 */
export const languageFor = (
  chosen: string | undefined,
  wished: readonly string[],
  here: readonly string[],
): string =>
  chosen !== undefined && here.includes(chosen)
    ? chosen
    : bestLanguage(
        wished,
        here.filter((name) => name !== PSEUDO_LOCALE),
      )

/*
 * Which places of the catalogue the loaded scripts speak of. The build has every script that says something name its
 * places here (scripts/words.ts), so a page never has to.
 */

const needed = new Set<string>()
let onNew: (() => void) | undefined
let arriving: () => Promise<unknown> = () => Promise.resolve()

/** Names places whose words are needed from now on. */
export function needWords(places: readonly string[]): void {
  const before = needed.size
  for (const place of places) needed.add(place)
  if (needed.size > before) onNew?.()
}

export const placesNeeded = (): readonly string[] => [...needed]

/**
 * Calls back when a script that came later names a place for the first time.
 *
 * @param arrival gives what is done when the words of all places that were named are there
 */
export function whenNeeded(call: () => void, arrival: typeof arriving): void {
  onNew = call
  arriving = arrival
}

/** Once the words of all places that were named are there. */
export const wordsArrived = (): Promise<unknown> => arriving()

/** A part of a page that is loaded apart from it, once its words are there too: it may say them from the start. */
export async function loadedPart<T>(load: () => Promise<{ default: T }>): Promise<T> {
  const { default: part } = await load()
  await arriving()
  return part
}

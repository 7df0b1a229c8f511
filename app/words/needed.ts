/*
 * Which places of the catalogue the loaded scripts speak of. The build has every script that says something name its
 * places here (scripts/words.ts), so a page never has to.
 */

const needed = new Set<string>()
let onNew: (() => void) | undefined

/** Names places whose words are needed from now on. */
export function needWords(places: readonly string[]): void {
  const before = needed.size
  for (const place of places) needed.add(place)
  if (needed.size > before) onNew?.()
}

export const placesNeeded = (): readonly string[] => [...needed]

/** Calls back when a script that came later names a place for the first time. */
export function whenNeeded(call: () => void): void {
  onNew = call
}

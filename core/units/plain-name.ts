/** Letters that carry their stroke in themselves, and are not an accent on another. */
const STROKES: Record<string, string> = { ł: 'l', ø: 'o', đ: 'd', ħ: 'h', ı: 'i' }
/** What the letters of `STROKES` are and become, in the same order: the database takes them so. */
export const STROKED = { from: Object.keys(STROKES).join(''), to: Object.values(STROKES).join('') }

/** Accents once they stand apart, apostrophes of any kind, and the points of initials, as a regular expression. */
export const NO_LETTER_OF_A_NAME = "[\u0300-\u036f'’‘ʼ`´.]"

/**
 * A name as it is looked for: without case, accents, apostrophes and points, hyphens as spaces. Two that are written
 * alike up to those are the same.
 */
export function plainName(name: string): string {
  return name
    .toLowerCase()
    .normalize('NFD')
    .replace(new RegExp(NO_LETTER_OF_A_NAME, 'g'), '')
    .replace(/[łøđħı]/g, (letter) => STROKES[letter]!)
    .replace(/[\s-]+/g, ' ')
    .trim()
}

/** What somebody is called to their face. */
export const firstName = (name: string): string => name.split(' ')[0]!

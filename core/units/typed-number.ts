const VULGAR_FRACTIONS: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅓': '1/3',
  '⅔': '2/3',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
}

/**
 * Typed text with its typographic variants folded into plain signs: curly and prime quotes to ' and ", one-sign
 * fractions to a/b, runs of white space to one blank, lower case.
 */
export function plainText(text: string): string {
  return text
    .replace(/[½¼¾⅓⅔⅛⅜⅝⅞]/g, (sign) => ` ${VULGAR_FRACTIONS[sign]}`)
    .replace(/[’‘′`´]/g, "'")
    .replace(/[”“″]/g, '"')
    .replace(/''/g, '"')
    .replace(/\u00a0|\u202f/g, ' ')
    .trim()
    .replace(/\s+/g, ' ')
    .toLowerCase()
}

/** Pattern of one typed number: 12, 12.5, 12,5, .5, 3/4, 12 3/4 or 12-3/4. No sign, no grouping of thousands. */
export const NUMBER = String.raw`(?:\d+[ -]\d+\/\d+|\d+\/\d+|\d+(?:[.,]\d+)?|[.,]\d+)`

const whole = new RegExp(`^${NUMBER}$`)

/**
 * Reads one typed number with a decimal point, a decimal comma or a fraction.
 *
 * @returns the number, or undefined when the text is not one number (1.234,5 and 1/0 are not)
 */
export function typedNumber(text: string): number | undefined {
  if (!whole.test(text)) return undefined
  const fraction = /^(?:(\d+)[ -])?(\d+)\/(\d+)$/.exec(text)
  if (fraction) {
    const denominator = Number(fraction[3])
    if (denominator === 0) return undefined
    return Number(fraction[1] ?? 0) + Number(fraction[2]) / denominator
  }
  const value = Number(text.replace(',', '.'))
  return Number.isFinite(value) ? value : undefined
}

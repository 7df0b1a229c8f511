/** Sheets that a program named, and no person. */
const NO_NAME =
  /^(?:sheet|tab|table|data|log|skinfolds?|measurements?|check-?ins?|export|import|records?|clients?|tabelle|feuil|hoja|book|new)?[\s_-]*\d*$/i
/** Words of titles that are no name. */
const TITLE_WORDS =
  /\b(?:skin ?folds?|fold|log|sheet|records?|measurements?|measures?|client|body|composition|comp|fat|tracking|tracker|tracked|history|progress|data|report|check-?ins?|caliper|tape|girths?|form|of|for|the|assessment|results?|test|mm|cm|inches|20\d\d|19\d\d)\b/gi

/** A name in a title: what is left of it without the words of a form. */
function nameInTitle(title: string): string | undefined {
  const own = title.match(/\b(\p{Lu}[\p{L}’']+)['’]s\b/u)
  const rest = title
    .replace(/['’]s\b/g, '')
    .replace(TITLE_WORDS, ' ')
    .replace(/[^\p{L}\p{M}'’. -]+/gu, ' ')
    .replace(/(?<!\p{L})[-–—]+|[-–—]+(?!\p{L})/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim()
  if (/^\p{Lu}[\p{L}\p{M}.'’-]*(?: \p{Lu}[\p{L}\p{M}.'’-]*){0,3}$/u.test(rest)) return rest
  return own?.[1]
}

/**
 * Whose sheet it is as far as its title, its own name and the file's tell.
 *
 * @param sheet its name; empty where it has none
 */
export const nameOfSheet = (title: string, sheet: string, fileName: string): string =>
  nameInTitle(title) ??
  (NO_NAME.test(sheet.trim()) ? undefined : (nameInTitle(sheet) ?? sheet.trim())) ??
  nameInTitle(fileName.replace(/[_-]+/g, ' ')) ??
  fileName

import {
  attempt,
  formatLength,
  inputError,
  isSkinfold,
  limitsOf,
  nameOf,
  parseFold,
  parseGirth,
  type LengthUnit,
  type SiteId,
  type Typed,
} from '#core'

/**
 * A typed fold (mm) or girth (cm, or inches where the coach thinks so), and the words of what is wrong with it. A value
 * outside the hard limits is given with its words, since what was meant may still be told from it.
 */
export function readSite(
  site: SiteId,
  text: string,
  unit: LengthUnit,
): { typed?: Typed; problem?: string } {
  const fold = isSkinfold(site)
  const parsed = attempt(() =>
    fold ? parseFold(text, site, nameOf(site)) : parseGirth(text, unit, site, nameOf(site)),
  )
  if (!parsed.ok) return { problem: parsed.error.message }
  const typed = parsed.value
  const { hardLow, hardHigh } = limitsOf(site)
  if (typed.value >= hardLow && typed.value <= hardHigh) return { typed }
  const accepted = fold
    ? `${hardLow} to ${hardHigh} mm`
    : `${formatLength(hardLow, unit)} to ${formatLength(hardHigh, unit)}`
  return {
    typed,
    problem: inputError(site, 'impossible', nameOf(site), typed.text, accepted).message,
  }
}

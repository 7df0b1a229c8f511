import {
  attempt,
  inputError,
  isSkinfold,
  limitsOf,
  parseFold,
  parseGirth,
  type LengthUnit,
  type SiteId,
  type Typed,
} from '#core'

/** Reads a fold (mm) or a girth (cm, or inches where the coach thinks so). @throws InputError naming the site */
export const parseSite = (site: SiteId, text: string, unit: LengthUnit): Typed =>
  isSkinfold(site)
    ? parseFold(text, site, nameOf(site))
    : parseGirth(text, unit, site, nameOf(site))

/** What is wrong with a value outside the hard limits of its site; undefined where nothing is. */
export function beyondLimits(site: SiteId, { value, text }: Typed, unit: LengthUnit) {
  const { hardLow, hardHigh } = limitsOf(site)
  if (value >= hardLow && value <= hardHigh) return undefined
  const accepted = isSkinfold(site)
    ? t('common.foldLimits', { low: hardLow, high: hardHigh })
    : t('common.girthLimits', {
        low: formatLength(hardLow, unit),
        high: formatLength(hardHigh, unit),
      })
  return inputError(site, 'impossible', nameOf(site), text, accepted)
}

function beyond(site: SiteId, typed: Typed, unit: LengthUnit): string | undefined {
  const error = beyondLimits(site, typed, unit)
  return error && wordsOf(error)
}

/**
 * A typed fold or girth, and the words of what is wrong with it. A value outside the hard limits is given with its words,
 * since what was meant may still be told from it.
 */
export function readSite(
  site: SiteId,
  text: string,
  unit: LengthUnit,
): { typed?: Typed; problem?: string } {
  const parsed = attempt(() => parseSite(site, text, unit))
  return parsed.ok
    ? { typed: parsed.value, problem: beyond(site, parsed.value, unit) }
    : { problem: wordsOf(parsed.error) }
}

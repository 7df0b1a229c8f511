import {
  attempt,
  formatLength,
  inputError,
  isSkinfold,
  limitsOf,
  nameOf,
  parseFold,
  parseGirth,
  plausibility,
  schoolOfSite,
  type LengthUnit,
  type Offer,
  type SiteStep,
} from '#core'

/** What became of a typed reading: taken, or the words why not and what was likely meant. */
export type Taken = { ok: true; value: number } | { ok: false; problem: string; meant?: Offer }

/** The one way from typed text to a reading of a fold (mm) or girth (cm, or inches where the coach thinks so). */
export function useTakeReading() {
  const store = useCheckInStore()
  const unit = useLengthUnit()

  function take({ site, pass }: SiteStep, text: string): Taken {
    const fold = isSkinfold(site)
    const parsed = attempt(() =>
      fold
        ? parseFold(text, site, nameOf(site))
        : parseGirth(text, unit.value as LengthUnit, site, nameOf(site)),
    )
    if (!parsed.ok) return { ok: false, problem: parsed.error.message }
    const { value, unit: typedUnit, text: typed } = parsed.value
    const reading = {
      kind: fold ? ('skinfold' as const) : ('girth' as const),
      site,
      school: fold ? schoolOfSite(store.protocol, site) : null,
      ...{ pass, value, unit: typedUnit, typed },
    }
    if (plausibility(site, value, store.client!.sex) === 'impossible') {
      const { hardLow, hardHigh } = limitsOf(site)
      const accepted = fold
        ? `${hardLow} to ${hardHigh} mm`
        : `${formatLength(hardLow, unit.value)} to ${formatLength(hardHigh, unit.value)}`
      return {
        ok: false,
        problem: inputError(site, 'impossible', nameOf(site), typed, accepted).message,
        meant: store.offersFor(reading).find((offer) => offer.trial === pass),
      }
    }
    store.record(reading)
    return { ok: true, value }
  }

  return { take }
}

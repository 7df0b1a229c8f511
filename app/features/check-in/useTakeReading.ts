import { isSkinfold, standardWithin, type SuggestedValue, type SiteStep } from '#core'

/** What became of a typed reading: taken, or the words why not and what was likely meant. */
export type Taken =
  { ok: true; value: number } | { ok: false; problem: string; meant?: SuggestedValue }

/** The one way from typed text to a reading of a fold or girth. */
export function useTakeReading() {
  const store = useCheckInStore()
  const unit = useLengthUnit()

  function take({ site, trial }: SiteStep, text: string): Taken {
    const { typed, problem } = readSite(site, text, unit.value)
    if (!typed) return { ok: false, problem: problem! }
    const reading = {
      kind: isSkinfold(site) ? ('skinfold' as const) : ('girth' as const),
      site,
      standard: standardWithin(site, store.protocol.standard),
      ...{ trial, value: typed.value, typedUnit: typed.unit, typedText: typed.text },
    }
    if (problem !== undefined) {
      const meant = store.suggestionsFor(reading).find((offer) => offer.trial === trial)
      return { ok: false, problem, meant }
    }
    store.record(reading)
    return { ok: true, value: typed.value }
  }

  return { take }
}

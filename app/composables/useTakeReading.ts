import { isSkinfold, schoolWithin, type Offer, type SiteStep } from '#core'

/** What became of a typed reading: taken, or the words why not and what was likely meant. */
export type Taken = { ok: true; value: number } | { ok: false; problem: string; meant?: Offer }

/** The one way from typed text to a reading of a fold or girth. */
export function useTakeReading() {
  const store = useCheckInStore()
  const unit = useLengthUnit()

  function take({ site, pass }: SiteStep, text: string): Taken {
    const { typed, problem } = readSite(site, text, unit.value)
    if (!typed) return { ok: false, problem: problem! }
    const reading = {
      kind: isSkinfold(site) ? ('skinfold' as const) : ('girth' as const),
      site,
      school: schoolWithin(site, store.protocol.school),
      ...{ pass, value: typed.value, unit: typed.unit, typed: typed.text },
    }
    if (problem !== undefined) {
      const meant = store.offersFor(reading).find((offer) => offer.trial === pass)
      return { ok: false, problem, meant }
    }
    store.record(reading)
    return { ok: true, value: typed.value }
  }

  return { take }
}

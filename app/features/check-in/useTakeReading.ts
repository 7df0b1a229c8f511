import type { SuggestedValue, SiteStep } from '#core'
import { typedReading } from './stamp'

/** What became of a typed reading: taken, or the words why not and what was likely meant. */
export type Taken =
  { ok: true; value: number } | { ok: false; problem: string; meant?: SuggestedValue }

/** The one way from typed text to a reading of a fold or girth. */
export function useTakeReading() {
  const store = useCheckInStore()
  const unit = useLengthUnit()

  /** @param sentBy the instrument that typed it, where none of the coach's hands did */
  function take({ site, trial }: SiteStep, text: string, sentBy: string | null = null): Taken {
    const { typed, problem } = readSite(site, text, unit.value)
    if (!typed) return { ok: false, problem: problem! }
    const reading = { ...typedReading({ site, trial }, typed, store.protocol.standard), sentBy }
    if (problem !== undefined) {
      const meant = store.suggestionsFor(reading).find((offer) => offer.trial === trial)
      return { ok: false, problem, meant }
    }
    store.record(reading)
    return { ok: true, value: typed.value }
  }

  return { take }
}

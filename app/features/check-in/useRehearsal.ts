import { isSkinfold, type SiteStep } from '#core'
import { meantReading } from './stamp'

/** A value that anybody may have, as mm and as cm: with a decimal, so that the language's own sign for it is looked up. */
const REHEARSED = 12.5

/**
 * Works out and draws what every reading asks for, on one that nobody took, and keeps nothing of it: a phone has run
 * all of that code before the first number comes, and the first reading is taken nearly as fast as the next.
 */
export function useRehearsal() {
  const store = useCheckInStore()
  const unit = useLengthUnit()
  return async (step: SiteStep | undefined) => {
    if (!step) return
    const { site, trial } = step
    readSite(site, String(REHEARSED), unit.value)
    if (isSkinfold(site)) formatFold(REHEARSED)
    else lengthText(REHEARSED, unit.value)
    const reading = meantReading(site, trial, REHEARSED, store.protocol.standard)
    store.suggestionsFor(reading)
    // Drawn and taken back before the browser shows any of it.
    store.pretend(reading)
    await nextTick()
    void document.body.offsetHeight
    store.pretend()
  }
}

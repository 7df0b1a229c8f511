import { meantReading } from './stamp'

/** A fold that anybody may have, mm. */
const REHEARSED_MM = 12

/**
 * Works out what every reading asks for, on one that nobody took, and keeps nothing of it: a phone has read all of that
 * code before the first number comes, and the first reading is taken nearly as fast as the next.
 */
export function useRehearsal() {
  const store = useCheckInStore()
  return () => {
    if (!store.next) return
    const { site, trial } = store.next
    store.suggestionsFor(meantReading(site, trial, REHEARSED_MM, store.protocol.standard))
  }
}

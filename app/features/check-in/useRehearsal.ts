import {
  compressionDriftsOf,
  findingsOf,
  minimalDetectableChangeOfSum,
  resultOf,
  sheetOf,
} from '#core'
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
    const { person, measured, next, view, setup, previous, known, protocol } = store
    if (!person || !measured || !next || !view) return
    const { site, trial } = next
    const reading = store.stamp(meantReading(site, trial, REHEARSED_MM, protocol.standard))
    const taken = { ...measured, readings: [...measured.readings, reading] }
    sheetOf(person, taken)
    resultOf(person, taken)
    minimalDetectableChangeOfSum(person, taken, previous)
    findingsOf(person, taken, view.earlier, setup, known)
    compressionDriftsOf(person, taken, setup)
  }
}

/*
 * A scale while somebody steps on it: what it sends wanders until they stand still. The standard's packets do not say
 * whether a weight is steady, so that is told from what comes.
 */

/** A body mass that a scale sends, and since when it has stood there. */
export interface Weighing {
  massKg: number
  /** Milliseconds, by any clock that only goes on. */
  since: number
}

/** Within so much of one another weights are the same. Judgement, no source. */
const STEADY_KG = 0.1
/** A weight that stands for so long, or is the last that came, is steady, ms. Judgement, no source. */
export const STEADY_MS = 1500

/**
 * One weight more.
 *
 * @param before what stood there until now
 * @param massKg kg
 * @param at ms, by the clock of `before`
 * @returns what stands there now: the newest weight, since the first that it does not lie away from
 */
export function hearWeight(before: Weighing | undefined, massKg: number, at: number): Weighing {
  const stands = before !== undefined && Math.abs(massKg - before.massKg) <= STEADY_KG
  return { massKg, since: stands ? before.since : at }
}

import { estimate, prepare } from '../composition/estimate'
import type { AgeRow, Estimate, EstimateOptions, Subject, Values } from '../equations/types'

/** One check-in's inputs for an equation. */
export interface Occasion {
  subject: Subject
  values: Values
}

/** What changed between two check-ins by one equation, both computed at the later age. */
export interface Comparison {
  before: Estimate
  after: Estimate
  /** Later less earlier, both at the later age. Points of fat %, mm, kg. */
  fatPercent: number
  sumMm?: number
  fatMassKg?: number
  leanMassKg?: number
  massKg?: number
  /** Points of fat % that the passing of years alone adds to the earlier values; not part of the change. */
  dueToAge: number
  /** The age rows of the equation then and now, where the client crossed from one to another between the two. */
  crossedRow?: { from: AgeRow; to: AgeRow }
}

function difference(after: number | undefined, before: number | undefined) {
  return after === undefined || before === undefined ? undefined : after - before
}

/**
 * Compares two check-ins of one person. Both are computed at the later age, so that a birthday is not read as fat;
 * what the birthday alone would have added is given apart.
 *
 * @param before the earlier check-in
 * @param after the later check-in
 * @throws InputError as `estimate` does
 */
export function compare(
  equationId: string,
  before: Occasion,
  after: Occasion,
  options: EstimateOptions = {},
): Comparison {
  const then = estimate(equationId, before.subject, before.values, options)
  const aged = { ...before.subject, ageYears: after.subject.ageYears }
  const thenAtLaterAge = estimate(equationId, aged, before.values, options)
  const now = estimate(equationId, after.subject, after.values, options)
  const [from, to] = [before.subject, after.subject].map(
    (subject) => prepare(equationId, subject, before.values, options).row,
  )
  return {
    before: thenAtLaterAge,
    after: now,
    fatPercent: now.fatPercent - thenAtLaterAge.fatPercent,
    sumMm: difference(now.sumMm, thenAtLaterAge.sumMm),
    fatMassKg: difference(now.fatMassKg, thenAtLaterAge.fatMassKg),
    leanMassKg: difference(now.leanMassKg, thenAtLaterAge.leanMassKg),
    massKg: difference(after.subject.massKg, before.subject.massKg),
    dueToAge: thenAtLaterAge.fatPercent - then.fatPercent,
    ...(from && to && from !== to ? { crossedRow: { from, to } } : {}),
  }
}

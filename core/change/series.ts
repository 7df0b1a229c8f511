import type { CheckInRecord, Person } from '../composition/check-in'
import { leadEquation, resultOf } from '../composition/check-in'
import type { Estimate } from '../equations/types'
import { protocolOf } from '../protocols/in-force'

/** One check-in of a series: its estimate by the series' equation, or null where its sites do not allow it. */
export interface SeriesPoint<R extends CheckInRecord> {
  checkIn: R
  estimate: Estimate | null
}

/**
 * A like-for-like series: every check-in by the equation, school and conversion of the newest. A check-in whose sites
 * belong to another school, or are not all there, leaves a gap.
 *
 * @param checkIns in the order wanted
 * @param newest the check-in that names equation and conversion
 */
export function seriesBy<R extends CheckInRecord>(
  person: Person,
  checkIns: readonly R[],
  newest: CheckInRecord,
): SeriesPoint<R>[] {
  const lead = leadEquation(protocolOf(newest), person.sex)
  return checkIns.map((checkIn) => {
    if (lead === undefined) return { checkIn, estimate: null }
    const result = resultOf(person, { ...checkIn, conversion: newest.conversion }, lead)
    return { checkIn, estimate: result.ok ? result.value : null }
  })
}

import { type IsoDate, addDays, daysBetween } from '../units/dates'

/** Days between check-ins of a new client. */
export const DEFAULT_CADENCE_DAYS = 28

/** Days past the due date from which a check-in counts as late. */
export const LATE_AFTER_DAYS = 3

export type DueState = 'first' | 'coming' | 'due' | 'late'

export interface Due {
  state: DueState
  /** The date from which it is due; null for somebody never measured for whom none was arranged. */
  dueOn: IsoDate | null
  /** Days past the due date; negative while it is still to come, null where there is no such date. */
  daysPast: number | null
}

/**
 * Whether a client's next check-in is due.
 *
 * @param lastMeasuredOn date of the latest closed check-in, or null
 * @param cadenceDays days wanted between check-ins
 * @param today the date it is asked for
 * @param movedTo the day that it was moved to by hand; it counts until something is measured on or after it
 */
export function dueState(
  lastMeasuredOn: IsoDate | null,
  cadenceDays: number,
  today: IsoDate,
  movedTo: IsoDate | null = null,
): Due {
  if (lastMeasuredOn === null) {
    const daysPast = movedTo === null ? null : daysBetween(movedTo, today)
    return { state: 'first', dueOn: movedTo, daysPast }
  }
  const moved = movedTo !== null && movedTo > lastMeasuredOn
  const dueOn = moved ? movedTo : addDays(lastMeasuredOn, cadenceDays)
  const daysPast = daysBetween(dueOn, today)
  const state = daysPast >= LATE_AFTER_DAYS ? 'late' : daysPast >= 0 ? 'due' : 'coming'
  return { state, dueOn, daysPast }
}

import { addDays, daysBetween, type IsoDate } from '../units/dates'

/** Days between check-ins of a new client. */
export const DEFAULT_CADENCE_DAYS = 28

/** Days past the due date from which a check-in counts as late. */
export const LATE_AFTER_DAYS = 3

export type DueState = 'first' | 'coming' | 'due' | 'late'

export interface Due {
  state: DueState
  /** The date from which it is due; null for somebody never measured. */
  dueOn: IsoDate | null
  /** Days past the due date; negative while it is still to come, null for somebody never measured. */
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
  if (lastMeasuredOn === null) return { state: 'first', dueOn: null, daysPast: null }
  const moved = movedTo !== null && movedTo > lastMeasuredOn
  const dueOn = moved ? movedTo : addDays(lastMeasuredOn, cadenceDays)
  const daysPast = daysBetween(dueOn, today)
  const state = daysPast >= LATE_AFTER_DAYS ? 'late' : daysPast >= 0 ? 'due' : 'coming'
  return { state, dueOn, daysPast }
}

export type Purpose = 'preparation' | 'training' | 'otherwise'

/** How often coaches measure, weeks. Common practice, no source. */
export const CADENCES: Record<Purpose, { name: string; weeks: [number, number] }> = {
  preparation: { name: 'preparing for a date', weeks: [1, 1] },
  training: { name: 'in training', weeks: [2, 4] },
  otherwise: { name: 'otherwise', weeks: [4, 6] },
}

/**
 * Days between check-ins with the reason: the shortest of the purpose's range after which the pace can be told by this
 * hand, and the range's end where it cannot.
 *
 * @param readableDays days after which the planned pace exceeds the smallest real change; undefined without a pace
 */
export function adviseCadence(
  purpose: Purpose,
  readableDays: number | undefined,
): { days: number; why: string } {
  const { name, weeks } = CADENCES[purpose]
  const [low, high] = weeks.map((w) => w * 7) as [number, number]
  if (readableDays === undefined) {
    return { days: high, why: `${name}, without a pace to be told` }
  }
  const days = Math.min(high, Math.max(low, Math.ceil(readableDays / 7) * 7))
  const told =
    readableDays <= days
      ? `the pace can be told after ${readableDays} days`
      : `the pace can only be told after ${readableDays} days: look at the trend of several, not at one`
  return { days, why: `${name}; ${told}` }
}

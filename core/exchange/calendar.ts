import ical, { ICalCalendarMethod, ICalEventRepeatingFreq } from 'ical-generator'
import { type IsoDate, addDays } from '../units/dates'

/** Something that is due, or that was arranged. */
export interface DueVisit {
  /** Stable for the client and the day it was counted from, so that importing again moves and does not double. */
  uid: string
  /** A day of no zone, or a time with so many minutes. */
  date: IsoDate | { startsAt: Date; minutes: number }
  /** Again every week. */
  weekly?: boolean
  summary: string
  description: string
}

/** A day of no zone: the file is written by the UTC date of an instant, whatever the zone of the machine. */
const floating = (date: IsoDate) => new Date(`${date}T00:00:00Z`)
const MINUTE_MS = 60_000
/** How often a calendar that follows it asks again, seconds. */
const ASK_AGAIN_SECONDS = 4 * 3600

function timesOf(date: DueVisit['date']) {
  if (typeof date === 'string')
    return { start: floating(date), end: floating(addDays(date, 1)), allDay: true }
  const { startsAt, minutes } = date
  return { start: startsAt, end: new Date(startsAt.getTime() + minutes * MINUTE_MS) }
}

/**
 * What is due and what was arranged as iCalendar (RFC 5545): whole days, or times.
 *
 * @param stamp the instant that the file is made
 */
export function calendarOf(visits: readonly DueVisit[], name: string, stamp: Date): string {
  const calendar = ical({
    name,
    prodId: { company: 'Oak Pinch', product: 'Oak Pinch', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: ASK_AGAIN_SECONDS,
  })
  for (const { uid, date, weekly, summary, description } of visits) {
    calendar.createEvent({
      ...{ id: uid, summary, description, stamp },
      ...timesOf(date),
      ...(weekly ? { repeating: { freq: ICalEventRepeatingFreq.WEEKLY } } : {}),
    })
  }
  return calendar.toString()
}

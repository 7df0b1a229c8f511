import ical, { ICalCalendarMethod } from 'ical-generator'
import { type IsoDate, addDays } from '../units/dates'

/** A check-in that is due. */
export interface DueVisit {
  /** Stable for the client and the day it was counted from, so that importing again moves and does not double. */
  uid: string
  date: IsoDate
  summary: string
  description: string
}

/** A day of no zone: the file is written by the UTC date of an instant, whatever the zone of the machine. */
const floating = (date: IsoDate) => new Date(`${date}T00:00:00Z`)

/**
 * Check-ins due as iCalendar (RFC 5545), one all-day event each.
 *
 * @param stamp the instant that the file is made
 */
export function calendarOf(visits: readonly DueVisit[], name: string, stamp: Date): string {
  const calendar = ical({
    name,
    prodId: { company: 'Oak Pinch', product: 'Oak Pinch', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  })
  for (const { uid, date, summary, description } of visits) {
    calendar.createEvent({
      id: uid,
      start: floating(date),
      end: floating(addDays(date, 1)),
      allDay: true,
      summary,
      description,
      stamp,
    })
  }
  return calendar.toString()
}

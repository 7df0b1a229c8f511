import {
  addDays,
  calendarOf,
  weekdayOf,
  type DueVisit,
  type IsoDate,
  PREPARATION,
  say,
} from '#core'
import { tell, told } from '#shared/words/tell'
import type { Voice } from '#shared/words/voice'
import { listAppointments } from '../client-side/appointments'
import { findDetails } from '../client-side/details'
import type { Database } from '../database/driver'
import { listDue } from './queries'

/** How far back and forth a calendar reaches, days. */
const REACH_DAYS = 366

/** Whose check-ins, and for whom. */
export interface DueCalendar {
  today: IsoDate
  voice: Voice
  /** The coach whose clients alone are in it. */
  coach?: string
  /** The one client; everybody where not named. */
  clientId?: string
  /** With appointments: for a calendar that is followed, and asks again. */
  followed?: boolean
  /** For the client themselves: without their name, and with the day of their weekly report. */
  own?: boolean
}

/** Check-ins due in the year to come, and those that are late, as iCalendar; where it is followed, appointments too. */
export async function dueCalendar(
  db: Database,
  { today, voice, coach, clientId, followed = false, own = false }: DueCalendar,
): Promise<string> {
  const days = { from: addDays(today, -REACH_DAYS), to: addDays(today, REACH_DAYS), coach }
  const ofWhom = <T extends { clientId: string }>(list: readonly T[]) =>
    list.filter((one) => !clientId || one.clientId === clientId)
  const summaryOf = (name: string) =>
    tell(own ? say('api.yourCheckIn') : say('api.checkInOf', { name }), voice)
  const visits: DueVisit[] = ofWhom(await listDue(db, days)).map(
    ({ clientId: of, name, dueOn }) => ({
      ...{ uid: `${of}@oak-pinch`, date: dueOn, summary: summaryOf(name) },
      description: told(PREPARATION, voice).join('\n'),
    }),
  )
  if (followed)
    visits.push(
      ...ofWhom(await listAppointments(db, days)).map(({ id, name, startsAt, minutes, words }) => ({
        ...{ uid: `${id}@oak-pinch`, date: { startsAt: new Date(startsAt), minutes } },
        summary: own ? tell(say('api.yourAppointment'), voice) : name,
        description: words,
      })),
    )
  if (own && clientId) visits.push(...(await ownReports(db, clientId, today, voice)))
  return calendarOf(visits, tell(say('api.calendarName'), voice), new Date())
}

/** The day of a client's weekly report, again every week. */
async function ownReports(
  db: Database,
  clientId: string,
  today: IsoDate,
  voice: Voice,
): Promise<DueVisit[]> {
  const { asks } = await findDetails(db, clientId)
  if (!asks) return []
  const first = addDays(today, (asks.weekday - weekdayOf(today) + 7) % 7)
  const summary = tell(say('api.yourReport'), voice)
  return [
    { uid: `report-${clientId}@oak-pinch`, date: first, weekly: true, summary, description: '' },
  ]
}

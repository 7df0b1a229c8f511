import { getQuery, setResponseHeaders } from 'h3'
import { addDays, PREPARATION } from '#core'
import { calendarOf } from '#core/exchange/calendar'
import { idSchema } from '#shared/ids'
import { listDue } from '../repositories/clients'
import { defineApi } from '../utils/api'
import { todayHere } from '../utils/today'

/** Check-ins due in the year to come, and those that are late, as an iCalendar file: of everybody or of one client. */
export default defineApi(async (event, db) => {
  const { client } = getQuery(event)
  const today = todayHere()
  const all = await listDue(db, { from: addDays(today, -366), to: addDays(today, 366) })
  const wanted = client === undefined ? undefined : idSchema.parse(client)
  const visits = all
    .filter(({ clientId }) => !wanted || clientId === wanted)
    .map(({ clientId, name, dueOn }) => ({
      uid: `${clientId}@oak-pinch`,
      date: dueOn,
      summary: `Check-in: ${name}`,
      description: PREPARATION.join('\n'),
    }))
  setResponseHeaders(event, {
    'content-type': 'text/calendar; charset=utf-8',
    'content-disposition': 'attachment; filename="check-ins.ics"',
  })
  return calendarOf(visits, new Date())
})

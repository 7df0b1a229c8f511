import { setResponseHeaders } from 'h3'
import { addDays, PREPARATION, calendarOf } from '#core'
import { calendar } from '#shared/contract/routes/calendar'
import { listDue } from '../clients/queries'
import { defineApi } from '../http/define-api'

/** Check-ins due in the year to come, and those that are late, as an iCalendar file: of everybody or of one client. */
export default defineApi(calendar.file, async ({ event, db, query: { client }, today }) => {
  const all = await listDue(db, { from: addDays(today, -366), to: addDays(today, 366) })
  const visits = all
    .filter(({ clientId }) => !client || clientId === client)
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

import { setResponseHeaders } from 'h3'
import { addDays, PREPARATION, calendarOf, say } from '#core'
import { calendar } from '#shared/contract/routes/calendar'
import { listDue } from '../clients/queries'
import { tell, told } from '#shared/words/tell'
import { voiceOf } from '#shared/words/voices'
import { defineApi } from '../http/define-api'
import { languageOf } from '../http/language'

/** Check-ins due in the year to come, and those that are late, as an iCalendar file: of everybody or of one client. */
export default defineApi(calendar.file, async (call) => {
  const { event, db, query, today, coach } = call
  const all = await listDue(db, { from: addDays(today, -366), to: addDays(today, 366), coach })
  const voice = voiceOf(languageOf(event))
  const visits = all
    .filter(({ clientId }) => !query.client || clientId === query.client)
    .map(({ clientId, name, dueOn }) => ({
      uid: `${clientId}@oak-pinch`,
      date: dueOn,
      summary: tell(say('api.checkInOf', { name }), voice),
      description: told(PREPARATION, voice).join('\n'),
    }))
  setResponseHeaders(event, {
    'content-type': 'text/calendar; charset=utf-8',
    'content-disposition': 'attachment; filename="check-ins.ics"',
  })
  return calendarOf(visits, tell(say('api.calendarName'), voice), new Date())
})

import { setResponseHeaders } from 'h3'
import { calendar } from '#shared/contract/routes/calendar'
import { voiceOf } from '#shared/words/voices'
import { dueCalendar } from '../clients/due-calendar'
import { defineApi } from '../http/define-api'
import { languageOf } from '../http/language'

/** Check-ins due as an iCalendar file: of everybody or of one client. */
export default defineApi(calendar.file, async ({ event, db, query, today, coach }) => {
  const voice = voiceOf(languageOf(event))
  const text = await dueCalendar(db, { today, voice, coach, clientId: query.client })
  setResponseHeaders(event, {
    'content-type': 'text/calendar; charset=utf-8',
    'content-disposition': 'attachment; filename="check-ins.ics"',
  })
  return text
})

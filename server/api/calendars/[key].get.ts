import { setResponseHeader } from 'h3'
import { reminders } from '#shared/contract/routes/reminders'
import { defineApi } from '../../http/define-api'
import { subscribedCalendar } from '../../reminders/calendar-feeds'

export default defineApi(reminders.subscribed, async ({ db, event, params: { key } }) => {
  const text = await subscribedCalendar(db, event, key)
  setResponseHeader(event, 'content-type', 'text/calendar; charset=utf-8')
  return text
})

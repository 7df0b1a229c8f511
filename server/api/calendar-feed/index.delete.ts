import { reminders } from '#shared/contract/routes/reminders'
import { defineApi } from '../../http/define-api'
import { answerReminders } from '../../reminders/answer'
import { endFeed } from '../../reminders/calendar-feeds'

export default defineApi(reminders.endFeed, async (call) => {
  await endFeed(call.db, call.asking!.actor)
  return answerReminders(call)
})

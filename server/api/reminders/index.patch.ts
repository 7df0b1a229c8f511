import { reminders } from '#shared/contract/routes/reminders'
import { defineApi } from '../../http/define-api'
import { answerReminders } from '../../reminders/answer'
import { changeReminderSettings } from '../../reminders/settings'

export default defineApi(reminders.change, async (call) => {
  await changeReminderSettings(call.db, call.body)
  return answerReminders(call)
})

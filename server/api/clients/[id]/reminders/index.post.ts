import { reminders } from '#shared/contract/routes/reminders'
import { defineApi } from '../../../../http/define-api'
import { answerReminders } from '../../../../reminders/answer'
import { noteSaid } from '../../../../reminders/log'

export default defineApi(reminders.said, async (call) => {
  await noteSaid(call.db, call.params.id, call.body)
  return answerReminders(call)
})

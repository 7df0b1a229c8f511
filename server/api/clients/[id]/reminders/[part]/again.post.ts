import { reminders } from '#shared/contract/routes/reminders'
import { defineApi } from '../../../../../http/define-api'
import { answerReminders } from '../../../../../reminders/answer'
import { tryAgain } from '../../../../../reminders/log'

export default defineApi(reminders.again, async (call) => {
  await tryAgain(call.db, call.params.id, call.params.part)
  return answerReminders(call)
})

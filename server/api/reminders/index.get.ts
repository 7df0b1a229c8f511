import { reminders } from '#shared/contract/routes/reminders'
import { defineApi } from '../../http/define-api'
import { answerReminders } from '../../reminders/answer'

export default defineApi(reminders.view, answerReminders)

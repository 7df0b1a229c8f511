import { reminders } from '#shared/contract/routes/reminders'
import { defineApi } from '../http/define-api'
import { listOutbox } from '../reminders/outbox'

export default defineApi(reminders.outbox, listOutbox)

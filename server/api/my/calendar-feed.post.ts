import { reminders } from '#shared/contract/routes/reminders'
import { defineApi } from '../../http/define-api'
import { renewFeed } from '../../reminders/calendar-feeds'

export default defineApi(reminders.myFeed, ({ db, event, asking }) =>
  renewFeed(db, event, asking!.actor),
)

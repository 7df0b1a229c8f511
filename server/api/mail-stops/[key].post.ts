import { reminders } from '#shared/contract/routes/reminders'
import { defineApi } from '../../http/define-api'
import { setMailStopByKey } from '../../reminders/stops'

export default defineApi(reminders.stop, async ({ db, params: { key } }) => {
  await setMailStopByKey(db, key, true)
  return { stopped: true }
})

import { may } from '#shared/access'
import { today } from '#shared/contract/routes/today'
import { defineApi } from '../http/define-api'
import { findToday } from '../today/queries'

/** Who to look at, what is worth telling, and who to measure. */
export default defineApi(today.list, ({ db, today: day, coach, asking }) =>
  findToday(db, day, { coach, keeps: may(asking!.actor, 'gym.keep') === 'yes' }),
)

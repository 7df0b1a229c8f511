import { today } from '#shared/contract/routes/today'
import { defineApi } from '../http/define-api'
import { findToday } from '../today/queries'

/** Who to look at, what is worth telling, and who to measure. */
export default defineApi(today.list, ({ db, today: day }) => findToday(db, day))

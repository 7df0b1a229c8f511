import { today } from '#shared/contract/routes/today'
import { findToday } from '../clients/queries'
import { defineApi } from '../http/define-api'

/** Every client with when the next check-in is due and the one under way. */
export default defineApi(today, ({ db, today: day }) => findToday(db, day))

import { defineApi, idOf } from '../../../utils/api'
import { callerViewOf } from '../../../utils/check-in'

export default defineApi((event, db) => callerViewOf(db, idOf(event)))

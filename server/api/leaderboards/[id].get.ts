import { boardOf } from '../../utils/board'
import { defineApi, idOf } from '../../utils/api'

/** The board of a group. */
export default defineApi((event, db) => boardOf(db, idOf(event)))

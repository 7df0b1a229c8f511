import { findGym } from '../../repositories/gym'
import { defineApi } from '../../utils/api'
import { todayHere } from '../../utils/today'

export default defineApi((_event, db) => findGym(db, todayHere()))

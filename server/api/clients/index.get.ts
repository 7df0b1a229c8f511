import { getQuery } from 'h3'
import { rosterQuerySchema, type Roster } from '#shared/roster'
import { findRoster } from '../../repositories/roster'
import { defineApi } from '../../utils/api'
import { todayHere } from '../../utils/today'

/** A page of the roster. */
export default defineApi((event, db): Promise<Roster> =>
  findRoster(db, rosterQuerySchema.parse(getQuery(event)), todayHere()),
)

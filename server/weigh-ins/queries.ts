import { sql, type SQL } from 'drizzle-orm'
import { rowsOf } from '../database/json'

/** Weigh-ins in force as JSON, oldest first: of a day the one that came last, and none where that took it back. */
export const weighInsJson = (where: SQL) =>
  rowsOf(
    sql`w.date, w.kg`,
    sql`from (select distinct on (date) date, kg from weigh_ins where ${where} order by date, position desc) w
      where w.kg is not null`,
    sql`w.date`,
  )

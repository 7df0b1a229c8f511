import { sql } from 'drizzle-orm'
import { listOf } from '../database/json'

/** Girths in force that a client took of themselves, oldest first, as JSON. */
export const selfGirthsJson = (clientId: string) =>
  listOf(
    sql`json_build_object('date', g.date, 'girth', g.girth, 'trial', g.trial, 'cm', g.cm)`,
    sql`from (select distinct on (date, girth, trial) * from self_girths where client_id = ${clientId}
      order by date, girth, trial, position desc) g`,
    sql`g.date, g.girth, g.trial`,
  )

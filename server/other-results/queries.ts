import { sql, type SQL } from 'drizzle-orm'
import type { OtherResultRow } from '#shared/contract/other-results'
import type { Connection } from '../database/driver'
import { jsonOf, rowsOf } from '../database/json'

/** What other methods said of a client as JSON, oldest first. @param clientId theirs, as a value or as SQL */
export const otherResultsJson = (clientId: string | SQL) =>
  rowsOf(
    sql`o.id, o.method, o.device, o.conditions, o.measured_on as "on", o.fat_percent as "fatPercent", o.fat_kg as "fatKg",
      o.lean_kg as "leanKg"`,
    sql`from other_results o where o.client_id = ${clientId} and o.removed_at is null`,
    sql`o.measured_on, o.stored_at`,
  )

export const listOtherResults = (db: Connection, clientId: string): Promise<OtherResultRow[]> =>
  jsonOf(db, otherResultsJson(clientId))

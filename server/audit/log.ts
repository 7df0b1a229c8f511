import { isDeepStrictEqual } from 'node:util'
import { sql } from 'drizzle-orm'
import type { AuditEntry } from '#shared/contract/clients'
import type { Connection } from '../database/driver'
import { iso, listOf } from '../database/json'
import { auditLog } from '../database/schema'

/** One value that becomes another. */
export interface FieldChange {
  field: string
  old: unknown
  new: unknown
}

interface About {
  actor: string
  subject: AuditEntry['subject']
  clientId: string
  checkInId?: string
  reason?: string
}

/** Writes down values that changed; those that did not are left out. */
export async function audit(
  db: Connection,
  about: About,
  changes: readonly FieldChange[],
): Promise<void> {
  const rows = changes
    .filter((change) => !isDeepStrictEqual(change.old, change.new))
    .map((change) => ({ ...about, ...change }))
  if (rows.length > 0) await db.insert(auditLog).values(rows)
}

/** What was changed in a client's record by hand, newest first, as JSON. */
export const auditLogJson = (clientId: string) =>
  listOf(
    sql`json_build_object('at', ${iso(sql`a.at`)}, 'actor', a.actor, 'subject', a.subject, 'measuredOn', k.measured_on,
      'field', a.field, 'old', a.old, 'new', a.new, 'reason', a.reason)`,
    sql`from audit_log a left join check_ins k on k.id = a.check_in_id where a.client_id = ${clientId}`,
    sql`a.id desc`,
  )

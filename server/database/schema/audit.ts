import { bigint, check, index, jsonb, pgTable, text, uuid } from 'drizzle-orm/pg-core'
import { checkIns } from './check-ins'
import { clients } from './clients'
import { instant, oneOf } from './columns'

/**
 * What was changed in the record by hand, value by value: edits of a client, and everything that is done to a check-in
 * after it was closed. Append-only.
 */
export const auditLog = pgTable(
  'audit_log',
  {
    id: bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
    at: instant('at').notNull().defaultNow(),
    /** Who did it; until people sign in, the computer it was done on. */
    actor: text('actor').notNull(),
    subject: text('subject', { enum: ['client', 'check-in', 'reading'] }).notNull(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id, { onDelete: 'cascade' }),
    checkInId: uuid('check_in_id').references(() => checkIns.id, { onDelete: 'cascade' }),
    field: text('field').notNull(),
    old: jsonb('old'),
    new: jsonb('new'),
    reason: text('reason'),
  },
  (t) => [
    check('audit_log_subject', oneOf(t.subject, ['client', 'check-in', 'reading'])),
    index('audit_log_client').on(t.clientId, t.at),
    index('audit_log_check_in').on(t.checkInId),
  ],
)

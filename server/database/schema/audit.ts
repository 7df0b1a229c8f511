import * as pg from 'drizzle-orm/pg-core'
import { checkIns } from './check-ins'
import { clientId } from './clients'
import { instant, oneOf } from './columns'

/**
 * What was changed in the record by hand, value by value: edits of a client, and everything that is done to a check-in
 * after it was closed. Append-only.
 */
export const auditLog = pg.pgTable(
  'audit_log',
  {
    id: pg.bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
    at: instant('at').notNull().defaultNow(),
    /** Who did it; until people sign in, the computer it was done on. */
    actor: pg.text('actor').notNull(),
    subject: pg.text('subject', { enum: ['client', 'check-in', 'reading'] }).notNull(),
    clientId: clientId(),
    checkInId: pg.uuid('check_in_id').references(() => checkIns.id, { onDelete: 'cascade' }),
    field: pg.text('field').notNull(),
    old: pg.jsonb('old'),
    new: pg.jsonb('new'),
    reason: pg.text('reason'),
  },
  (t) => [
    pg.check('audit_log_subject', oneOf(t.subject, ['client', 'check-in', 'reading'])),
    pg.index('audit_log_client').on(t.clientId, t.at),
    pg.index('audit_log_check_in').on(t.checkInId),
  ],
)

/**
 * Clients who were deleted for good: no more than their ids, so that what a stop left half done is finished, a restored
 * backup does not bring them back, and browsers forget them.
 */
export const erasures = pg.pgTable('erasures', {
  clientId: pg.uuid('client_id').primaryKey(),
  at: instant('at').notNull().defaultNow(),
  /** The pictures to be taken off the disk. */
  photoIds: pg.jsonb('photo_ids').$type<string[]>().notNull(),
  /** When nothing of them was left in the files of the database. */
  finishedAt: instant('finished_at'),
})

import { sql } from 'drizzle-orm'
import * as pg from 'drizzle-orm/pg-core'
import { OTHER_METHODS } from '../../../core/change/other-methods'
import { instant, oneOf, partOf } from './columns'
import { clients } from './clients'

/** Fat of a client by another method than the folds, as its report has it. */
export const otherResults = pg.pgTable(
  'other_results',
  {
    id: pg.uuid('id').primaryKey(),
    clientId: partOf('client_id', () => clients.id),
    method: pg.text('method', { enum: OTHER_METHODS }).notNull(),
    /** What it was done with, and how: in the coach's words. */
    device: pg.text('device').notNull(),
    conditions: pg.text('conditions').notNull(),
    measuredOn: pg.date('measured_on', { mode: 'string' }).notNull(),
    fatPercent: pg.doublePrecision('fat_percent').notNull(),
    /** kg, where the report has them. */
    fatKg: pg.doublePrecision('fat_kg'),
    leanKg: pg.doublePrecision('lean_kg'),
    storedAt: instant('stored_at').notNull().defaultNow(),
    /** When it was taken away; it stays on record. */
    removedAt: instant('removed_at'),
  },
  (t) => [
    pg.check('other_results_method', oneOf(t.method, OTHER_METHODS)),
    pg.check('other_results_fat', sql`${t.fatPercent} > 0 and ${t.fatPercent} < 80`),
    pg.check('other_results_masses', sql`${t.fatKg} > 0 and ${t.leanKg} > 0`),
    pg.index('other_results_client').on(t.clientId, t.measuredOn),
  ],
)

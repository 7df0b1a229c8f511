import type { ScreeningAnswers } from '#core'
import { sql } from 'drizzle-orm'
import {
  bigint,
  boolean,
  check,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  uuid,
} from 'drizzle-orm/pg-core'
import { instant, LANDMARK_STANDARD_WORDS, oneOf, TYPED_UNIT_WORDS } from './columns'

export const clients = pgTable(
  'clients',
  {
    id: uuid('id').primaryKey(),
    name: text('name').notNull(),
    sex: text('sex', { enum: ['male', 'female'] }).notNull(),
    birthDate: date('birth_date', { mode: 'string' }).notNull(),
    cadenceDays: integer('cadence_days').notNull(),
    /** False where the client sees sums and girths only, with no percentage and no class names. */
    showPercentages: boolean('show_percentages').notNull().default(true),
    /** The client wants the phase of the cycle kept with each check-in. */
    cycleWanted: boolean('cycle_wanted').notNull().default(false),
    /** The client’s name is hidden on leaderboards. */
    hiddenOnLeaderboards: boolean('hidden_on_leaderboards').notNull().default(false),
    /** The next check-in, where it was moved by hand; it counts until one is taken on or after it. */
    nextDueOn: date('next_due_on', { mode: 'string' }),
    archivedAt: instant('archived_at'),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [
    check('clients_sex', oneOf(t.sex, ['male', 'female'])),
    check('clients_cadence', sql`${t.cadenceDays} between 1 and 365`),
    check('clients_name', sql`${t.name} <> ''`),
    index('clients_by_name').on(t.name, t.id),
  ],
)

/** A client's heights over time; the latest that is not after a check-in is the one in force at it. */
export const heights = pgTable(
  'heights',
  {
    id: uuid('id').primaryKey(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id, { onDelete: 'cascade' }),
    valueCm: doublePrecision('value_cm').notNull(),
    typedUnit: text('typed_unit', { enum: TYPED_UNIT_WORDS }).notNull(),
    typedText: text('typed_text').notNull(),
    takenOn: date('taken_on', { mode: 'string' }).notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [
    index('heights_client').on(t.clientId, t.takenOn),
    check('heights_typed_unit', oneOf(t.typedUnit, TYPED_UNIT_WORDS)),
    check('heights_range', sql`${t.valueCm} between 30 and 300`),
  ],
)

/** Private answers; the latest row is in force, the earlier ones are its history. */
export const screenings = pgTable(
  'screenings',
  {
    id: uuid('id').primaryKey(),
    position: bigint('position', { mode: 'number' }).generatedAlwaysAsIdentity(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id, { onDelete: 'cascade' }),
    answers: jsonb('answers').$type<ScreeningAnswers>().notNull(),
    reviewedOn: date('reviewed_on', { mode: 'string' }).notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [index('screenings_client').on(t.clientId, t.position)],
)

/** A client's own fixed mark of a site and the side it is taken on; the latest row of a site is in force. */
export const siteNotes = pgTable(
  'site_notes',
  {
    id: uuid('id').primaryKey(),
    position: bigint('position', { mode: 'number' }).generatedAlwaysAsIdentity(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id, { onDelete: 'cascade' }),
    site: text('site').notNull(),
    standard: text('standard', { enum: LANDMARK_STANDARD_WORDS }),
    text: text('text').notNull(),
    side: text('side', { enum: ['right', 'left'] }).notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [
    index('site_notes_client').on(t.clientId),
    check('site_notes_side', oneOf(t.side, ['right', 'left'])),
    check('site_notes_standard', oneOf(t.standard, LANDMARK_STANDARD_WORDS)),
  ],
)

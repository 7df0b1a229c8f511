import type { ScreeningAnswers } from '#core'
import { sql } from 'drizzle-orm'
import * as pg from 'drizzle-orm/pg-core'
import {
  GROUP_TERM_WORDS,
  instant,
  LANDMARK_STANDARD_WORDS,
  oneOf,
  TYPED_UNIT_WORDS,
  partOf,
} from './columns'
import { importedFrom, importId } from './imports'
import { people } from './people'

export const clients = pg.pgTable(
  'clients',
  {
    id: pg.uuid('id').primaryKey(),
    name: pg.text('name').notNull(),
    sex: pg.text('sex', { enum: ['male', 'female'] }).notNull(),
    birthDate: pg.date('birth_date', { mode: 'string' }),
    /** Where the day is not known. */
    birthYear: pg.smallint('birth_year'),
    cadenceDays: pg.integer('cadence_days').notNull(),
    /** False where the client sees sums and girths only, with no percentage and no class names. */
    showPercentages: pg.boolean('show_percentages').notNull().default(true),
    /** The client wants the phase of the cycle kept with each check-in. */
    cycleWanted: pg.boolean('cycle_wanted').notNull().default(false),
    /** The sources' terms for a group, where the client wants them applied. */
    groupTerm: pg.text('group_term', { enum: GROUP_TERM_WORDS }),
    /** The client’s name is hidden on leaderboards. */
    hiddenOnLeaderboards: pg.boolean('hidden_on_leaderboards').notNull().default(false),
    /** The last day of the client's own week, 0 for Monday; the last day weighed where none is chosen. */
    weekEndsOn: pg.smallint('week_ends_on'),
    /** The next check-in, where it was moved by hand; it counts until one is taken on or after it. */
    nextDueOn: pg.date('next_due_on', { mode: 'string' }),
    /** Whose client it is; null for everybody's. */
    coachId: pg.uuid('coach_id').references(() => people.id),
    archivedAt: instant('archived_at'),
    importId: importId(),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [
    pg.check('clients_sex', oneOf(t.sex, ['male', 'female'])),
    pg.check('clients_group_term', oneOf(t.groupTerm, GROUP_TERM_WORDS)),
    pg.check('clients_cadence', sql`${t.cadenceDays} between 1 and 365`),
    pg.check('clients_week_end', sql`${t.weekEndsOn} between 0 and 6`),
    pg.check(
      'clients_birth_year',
      sql`${t.birthYear} is null or (${t.birthYear} between 1900 and 2199 and ${t.birthDate} is null)`,
    ),
    pg.check('clients_name', sql`${t.name} <> ''`),
    pg.index('clients_by_name').on(t.name, t.id),
    pg
      .index('clients_import')
      .on(t.importId)
      .where(sql`import_id is not null`),
  ],
)

/** Whose it is; goes with the client. */
export const clientId = () => partOf('client_id', () => clients.id)

/** A client's heights over time; the latest that is not after a check-in is the one in force at it. */
export const heights = pg.pgTable(
  'heights',
  {
    id: pg.uuid('id').primaryKey(),
    clientId: clientId(),
    valueCm: pg.doublePrecision('value_cm').notNull(),
    typedUnit: pg.text('typed_unit', { enum: TYPED_UNIT_WORDS }).notNull(),
    typedText: pg.text('typed_text').notNull(),
    takenOn: pg.date('taken_on', { mode: 'string' }).notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
    ...importedFrom(),
  },
  (t) => [
    pg
      .index('heights_import')
      .on(t.importId)
      .where(sql`import_id is not null`),
    pg.index('heights_client').on(t.clientId, t.takenOn),
    pg.check('heights_typed_unit', oneOf(t.typedUnit, TYPED_UNIT_WORDS)),
    pg.check('heights_range', sql`${t.valueCm} between 30 and 300`),
  ],
)

/** Private answers; the latest row is in force, the earlier ones are its history. */
export const screenings = pg.pgTable(
  'screenings',
  {
    id: pg.uuid('id').primaryKey(),
    position: pg.bigint('position', { mode: 'number' }).generatedAlwaysAsIdentity(),
    clientId: clientId(),
    answers: pg.jsonb('answers').$type<ScreeningAnswers>().notNull(),
    reviewedOn: pg.date('reviewed_on', { mode: 'string' }).notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [pg.index('screenings_client').on(t.clientId, t.position)],
)

/** A client's own fixed mark of a site and the side it is taken on; the latest row of a site is in force. */
export const siteNotes = pg.pgTable(
  'site_notes',
  {
    id: pg.uuid('id').primaryKey(),
    position: pg.bigint('position', { mode: 'number' }).generatedAlwaysAsIdentity(),
    clientId: clientId(),
    site: pg.text('site').notNull(),
    standard: pg.text('standard', { enum: LANDMARK_STANDARD_WORDS }),
    text: pg.text('text').notNull(),
    side: pg.text('side', { enum: ['right', 'left'] }).notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [
    pg.index('site_notes_client').on(t.clientId),
    pg.check('site_notes_side', oneOf(t.side, ['right', 'left'])),
    pg.check('site_notes_standard', oneOf(t.standard, LANDMARK_STANDARD_WORDS)),
  ],
)

import { sql } from 'drizzle-orm'
import {
  bigint,
  check,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import type { PlanDefinition } from '#shared/contract/plans'
import { clients } from './clients'
import { instant, oneOf } from './columns'

const clientId = () =>
  uuid('client_id')
    .notNull()
    .references(() => clients.id, { onDelete: 'cascade' })

/** Body mass of a day outside a check-in; the latest row of a day is in force, and one without a mass takes it back. */
export const weighIns = pgTable(
  'weigh_ins',
  {
    id: uuid('id').primaryKey(),
    position: bigint('position', { mode: 'number' }).generatedAlwaysAsIdentity(),
    clientId: clientId(),
    date: date('date', { mode: 'string' }).notNull(),
    kg: doublePrecision('kg'),
    typedUnit: text('typed_unit').notNull(),
    typedText: text('typed_text').notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [
    index('weigh_ins_client').on(t.clientId, t.date, t.position),
    check('weigh_ins_kg', sql`${t.kg} > 0 and ${t.kg} < 1000`),
  ],
)

const NOTE_KINDS = ['phase', 'holiday', 'injury', 'illness', 'other'] as const

/** What happened to a client on a day: notes on the time axis. */
export const clientNotes = pgTable(
  'client_notes',
  {
    id: uuid('id').primaryKey(),
    clientId: clientId(),
    date: date('date', { mode: 'string' }).notNull(),
    kind: text('kind', { enum: NOTE_KINDS }).notNull(),
    words: text('words').notNull(),
    removedAt: instant('removed_at'),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [
    index('client_notes_client').on(t.clientId, t.date),
    check('client_notes_kind', oneOf(t.kind, NOTE_KINDS)),
  ],
)

/** A photo's place in the record; the picture itself is a file of that id in the data folder. */
export const photos = pgTable(
  'photos',
  {
    id: uuid('id').primaryKey(),
    clientId: clientId(),
    view: text('view', { enum: ['front', 'side', 'back'] }).notNull(),
    takenOn: date('taken_on', { mode: 'string' }).notNull(),
    type: text('type').notNull(),
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    /** Where the crown of the head and the ground are, as shares of width and height. */
    crown: jsonb('crown').$type<{ x: number; y: number }>(),
    groundPoint: jsonb('ground_point').$type<{ x: number; y: number }>(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [
    uniqueIndex('photos_one_a_view_and_day').on(t.clientId, t.takenOn, t.view),
    check('photos_view', oneOf(t.view, ['front', 'side', 'back'])),
    check('photos_size', sql`${t.width} > 0 and ${t.height} > 0`),
  ],
)

/** A client's plans; the one that is not replaced is in force, the others are kept. */
export const plans = pgTable(
  'plans',
  {
    id: uuid('id').primaryKey(),
    clientId: clientId(),
    startedOn: date('started_on', { mode: 'string' }).notNull(),
    definition: jsonb('definition').$type<PlanDefinition>().notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
    replacedAt: instant('replaced_at'),
  },
  (t) => [
    index('plans_client').on(t.clientId, t.createdAt),
    uniqueIndex('plans_one_in_force')
      .on(t.clientId)
      .where(sql`replaced_at is null`),
  ],
)

const MEASURES = ['fatPercent', 'fatMass', 'sum', 'recomposition'] as const

/** A leaderboard: some clients, a period and what they are ranked by. */
export const leaderboards = pgTable(
  'leaderboards',
  {
    id: uuid('id').primaryKey(),
    name: text('name').notNull(),
    startsOn: date('starts_on', { mode: 'string' }).notNull(),
    endsOn: date('ends_on', { mode: 'string' }).notNull(),
    measure: text('measure', { enum: MEASURES }).notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [
    check('leaderboards_measure', oneOf(t.measure, MEASURES)),
    check('leaderboards_period', sql`${t.startsOn} < ${t.endsOn}`),
  ],
)

export const leaderboardMembers = pgTable(
  'leaderboard_members',
  {
    leaderboardId: uuid('leaderboard_id')
      .notNull()
      .references(() => leaderboards.id, { onDelete: 'cascade' }),
    clientId: clientId(),
  },
  (t) => [
    primaryKey({ columns: [t.leaderboardId, t.clientId] }),
    index('leaderboard_members_client').on(t.clientId),
  ],
)

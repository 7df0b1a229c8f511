import type { OwnProtocol, Tolerance } from '#core'
import { sql } from 'drizzle-orm'
import {
  check,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uuid,
} from 'drizzle-orm/pg-core'
import { instant, LANDMARK_STANDARD_WORDS, oneOf } from './columns'
import { people } from './people'

export const instruments = pgTable(
  'instruments',
  {
    id: uuid('id').primaryKey(),
    kind: text('kind', { enum: ['caliper', 'tape', 'scale'] }).notNull(),
    name: text('name').notNull(),
    /** Smallest step of the scale: mm for calipers, cm for tapes, kg for scales. */
    graduation: doublePrecision('graduation'),
    /** Of a caliper. */
    jaws: text('jaws', { enum: ['spring', 'hand', 'click'] }),
    checkEveryDays: integer('check_every_days').notNull().default(180),
    retiredAt: instant('retired_at'),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [
    check('instruments_kind', oneOf(t.kind, ['caliper', 'tape', 'scale'])),
    check('instruments_jaws', oneOf(t.jaws, ['spring', 'hand', 'click'])),
    check('instruments_graduation', sql`${t.graduation} > 0 and ${t.graduation} <= 5`),
    check('instruments_check_every_days', sql`${t.checkEveryDays} between 1 and 1000`),
  ],
)

/** A check of an instrument against known gaps, lengths or masses. */
export const instrumentChecks = pgTable(
  'instrument_checks',
  {
    id: uuid('id').primaryKey(),
    instrumentId: uuid('instrument_id')
      .notNull()
      .references(() => instruments.id, { onDelete: 'cascade' }),
    checkedOn: date('checked_on', { mode: 'string' }).notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [index('instrument_checks_instrument').on(t.instrumentId, t.checkedOn)],
)

/** What an instrument read at one known gap, length or mass: mm, cm or kg by its kind. */
export const instrumentCheckPoints = pgTable(
  'instrument_check_points',
  {
    checkId: uuid('check_id')
      .notNull()
      .references(() => instrumentChecks.id, { onDelete: 'cascade' }),
    /** Order in which they were taken, from 1. */
    place: integer('place').notNull(),
    known: doublePrecision('known').notNull(),
    read: doublePrecision('read').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.checkId, t.place] }),
    check('instrument_check_points_range', sql`${t.known} > 0 and ${t.read} >= 0`),
  ],
)

/** One row: the gym's defaults, and the people and instruments chosen last. */
export const settings = pgTable(
  'settings',
  {
    id: integer('id').primaryKey(),
    defaultProtocolId: text('default_protocol_id').notNull().default('seven-fold'),
    standard: text('standard', { enum: LANDMARK_STANDARD_WORDS }).notNull().default('us'),
    tolerance: jsonb('tolerance').$type<Tolerance>(),
    testerId: uuid('tester_id').references(() => people.id),
    caliperId: uuid('caliper_id').references(() => instruments.id),
    tapeId: uuid('tape_id').references(() => instruments.id),
    scaleId: uuid('scale_id').references(() => instruments.id),
  },
  (t) => [
    check('settings_one_row', sql`${t.id} = 1`),
    check('settings_standard', oneOf(t.standard, LANDMARK_STANDARD_WORDS)),
  ],
)

/** Protocols of the coach's own. A check-in keeps a copy of the one it was taken by. */
export const ownProtocols = pgTable('own_protocols', {
  id: text('id').primaryKey(),
  definition: jsonb('definition').$type<OwnProtocol>().notNull(),
  createdAt: instant('created_at').notNull().defaultNow(),
  retiredAt: instant('retired_at'),
})

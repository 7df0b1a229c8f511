import { INSTRUMENT_KINDS, type OwnProtocol, type Tolerance } from '../../../core/index'
import { sql } from 'drizzle-orm'
import { COACHES_SEE } from '../../../shared/access'
import * as pg from 'drizzle-orm/pg-core'
import type { ReminderSettings } from '#shared/contract/reminders'
import { instant, LANDMARK_STANDARD_WORDS, oneOf, partOf } from './columns'
import { people } from './people'

export const instruments = pg.pgTable(
  'instruments',
  {
    id: pg.uuid('id').primaryKey(),
    kind: pg.text('kind', { enum: INSTRUMENT_KINDS }).notNull(),
    name: pg.text('name').notNull(),
    /** Smallest step of the scale: mm for calipers, cm for tapes and bone calipers, kg for scales. */
    graduation: pg.doublePrecision('graduation'),
    /** Of a caliper. */
    jaws: pg.text('jaws', { enum: ['spring', 'hand', 'click'] }),
    checkEveryDays: pg.integer('check_every_days').notNull().default(180),
    /** Results put its readings right by its newest check: the owner's choice, and said wherever it counts. */
    isCorrected: pg.boolean('is_corrected').notNull().default(false),
    retiredAt: instant('retired_at'),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [
    pg.check('instruments_kind', oneOf(t.kind, INSTRUMENT_KINDS)),
    pg.check('instruments_jaws', oneOf(t.jaws, ['spring', 'hand', 'click'])),
    pg.check('instruments_graduation', sql`${t.graduation} > 0 and ${t.graduation} <= 5`),
    pg.check('instruments_check_every_days', sql`${t.checkEveryDays} between 1 and 1000`),
  ],
)

/** A check of an instrument against known gaps, lengths or masses. */
export const instrumentChecks = pg.pgTable(
  'instrument_checks',
  {
    id: pg.uuid('id').primaryKey(),
    instrumentId: partOf('instrument_id', () => instruments.id),
    checkedOn: pg.date('checked_on', { mode: 'string' }).notNull(),
    /** Of a caliper's jaws, g/mm², where it was found out. */
    closingForce: pg.doublePrecision('closing_force'),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [pg.index('instrument_checks_instrument').on(t.instrumentId, t.checkedOn)],
)

/** What a closed caliper or an empty scale read before a session: mm or kg. */
export const zeroChecks = pg.pgTable(
  'zero_checks',
  {
    id: pg.uuid('id').primaryKey(),
    instrumentId: partOf('instrument_id', () => instruments.id),
    checkedOn: pg.date('checked_on', { mode: 'string' }).notNull(),
    read: pg.doublePrecision('read').notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [pg.index('zero_checks_instrument').on(t.instrumentId, t.checkedOn)],
)

/** What an instrument read at one known gap, length or mass: mm, cm or kg by its kind. */
export const instrumentCheckPoints = pg.pgTable(
  'instrument_check_points',
  {
    checkId: partOf('check_id', () => instrumentChecks.id),
    /** Order in which they were taken, from 1. */
    place: pg.integer('place').notNull(),
    known: pg.doublePrecision('known').notNull(),
    read: pg.doublePrecision('read').notNull(),
  },
  (t) => [
    pg.primaryKey({ columns: [t.checkId, t.place] }),
    pg.check('instrument_check_points_range', sql`${t.known} > 0 and ${t.read} >= 0`),
  ],
)

/** One row: the gym's defaults, and the people and instruments chosen last. */
export const settings = pg.pgTable(
  'settings',
  {
    id: pg.integer('id').primaryKey(),
    defaultProtocolId: pg.text('default_protocol_id').notNull().default('seven-fold'),
    standard: pg.text('standard', { enum: LANDMARK_STANDARD_WORDS }).notNull().default('us'),
    tolerance: pg.jsonb('tolerance').$type<Tolerance>(),
    testerId: pg.uuid('tester_id').references(() => people.id),
    caliperId: pg.uuid('caliper_id').references(() => instruments.id),
    tapeId: pg.uuid('tape_id').references(() => instruments.id),
    boneCaliperId: pg.uuid('bone_caliper_id').references(() => instruments.id),
    scaleId: pg.uuid('scale_id').references(() => instruments.id),
    /** What stands on pages on paper. */
    gymName: pg.text('gym_name').notNull().default(''),
    gymContact: pg.text('gym_contact').notNull().default(''),
    /** A picture as a data address. */
    gymLogo: pg.text('gym_logo'),
    /** Whether a coach sees every client of the gym or their own alone. */
    coachesSee: pg.text('coaches_see', { enum: COACHES_SEE }).notNull().default('all'),
    /** How clients are reminded; null where nothing was chosen yet. */
    reminders: pg.jsonb('reminders').$type<ReminderSettings>(),
  },
  (t) => [
    pg.check('settings_one_row', sql`${t.id} = 1`),
    pg.check('settings_coaches_see', oneOf(t.coachesSee, COACHES_SEE)),
    pg.check('settings_standard', oneOf(t.standard, LANDMARK_STANDARD_WORDS)),
  ],
)

/** Protocols of the coach's own. A check-in keeps a copy of the one it was taken by. */
export const ownProtocols = pg.pgTable('own_protocols', {
  id: pg.text('id').primaryKey(),
  definition: pg.jsonb('definition').$type<OwnProtocol>().notNull(),
  createdAt: instant('created_at').notNull().defaultNow(),
  retiredAt: instant('retired_at'),
})

import type { OwnProtocol, Tolerance } from '#core'
import type { Consent } from '#shared/contract/equipment'
import { sql } from 'drizzle-orm'
import {
  bigint,
  boolean,
  check,
  date,
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  unique,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import { clients } from './clients'
import {
  CONVERSION_WORDS,
  instant,
  LANDMARK_STANDARD_WORDS,
  oneOf,
  TYPED_UNIT_WORDS,
} from './columns'
import { instruments } from './equipment'
import { people } from './people'

/*
 * Readings are the truth. Nothing that can be computed from them is a column here.
 */

export const checkIns = pgTable(
  'check_ins',
  {
    id: uuid('id').primaryKey(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id, { onDelete: 'cascade' }),
    /** Who measures now. Each reading has its own tester and instrument. */
    testerId: uuid('tester_id')
      .notNull()
      .references(() => people.id),
    caliperId: uuid('caliper_id').references(() => instruments.id),
    tapeId: uuid('tape_id').references(() => instruments.id),
    scaleId: uuid('scale_id').references(() => instruments.id),
    protocolId: text('protocol_id').notNull(),
    /** The protocol itself, where it is one of the coach's own. */
    ownProtocol: jsonb('own_protocol').$type<OwnProtocol>(),
    /** In place of the protocol's own, where the gym has one. */
    tolerance: jsonb('tolerance').$type<Tolerance>(),
    consent: jsonb('consent').$type<Consent>(),
    massDry: boolean('mass_dry'),
    /** Entered later, from a paper sheet. */
    fromPaper: boolean('from_paper').notNull().default(false),
    voidedAt: instant('voided_at'),
    voidReason: text('void_reason'),
    conversion: text('conversion', { enum: CONVERSION_WORDS }).notNull(),
    measuredOn: date('measured_on', { mode: 'string' }).notNull(),
    startedAt: instant('started_at').notNull(),
    closedAt: instant('closed_at'),
    /** Counts the changes of its choices, so that a screen can tell an older state from a newer one. */
    revision: integer('revision').notNull().default(0),
  },
  (t) => [
    check('check_ins_conversion', oneOf(t.conversion, CONVERSION_WORDS)),
    check('check_ins_void', sql`(${t.voidedAt} is null) = (${t.voidReason} is null)`),
    index('check_ins_client').on(t.clientId, t.measuredOn),
    index('check_ins_tester').on(t.testerId),
    // One check-in of a client is under way at a time; sheets from paper are typed in beside it.
    uniqueIndex('check_ins_one_open')
      .on(t.clientId)
      .where(sql`closed_at is null and voided_at is null and not from_paper`),
  ],
)

const checkInId = () =>
  uuid('check_in_id')
    .notNull()
    .references(() => checkIns.id, { onDelete: 'cascade' })

/** A site that is left out of a check-in, with the reason. */
export const checkInSkips = pgTable(
  'check_in_skips',
  { checkInId: checkInId(), site: text('site').notNull(), reason: text('reason').notNull() },
  (t) => [primaryKey({ columns: [t.checkInId, t.site] })],
)

/** A girth that is taken besides those of the protocol, in the order they were added. */
export const checkInExtraGirths = pgTable(
  'check_in_extra_girths',
  {
    checkInId: checkInId(),
    girth: text('girth').notNull(),
    position: bigint('position', { mode: 'number' }).generatedAlwaysAsIdentity(),
  },
  (t) => [primaryKey({ columns: [t.checkInId, t.girth] })],
)

/** A condition that a check-in was taken under, or its notes. */
export const checkInConditions = pgTable(
  'check_in_conditions',
  {
    checkInId: checkInId(),
    condition: text('condition').notNull(),
    value: text('value').notNull(),
  },
  (t) => [primaryKey({ columns: [t.checkInId, t.condition] })],
)

/** The revision at which each part of a check-in was last changed, to tell changes apart from ones that collide. */
export const checkInRevisions = pgTable(
  'check_in_revisions',
  {
    checkInId: checkInId(),
    /** As `conversion`, `skips.thigh`, `conditions.time`. */
    field: text('field').notNull(),
    revision: integer('revision').notNull(),
    /** The window that changed it, where it said so. */
    window: uuid('window'),
  },
  (t) => [primaryKey({ columns: [t.checkInId, t.field] })],
)

/** Append-only: a correction is a new row that supersedes the old one, of the same check-in, kind and site. */
export const readings = pgTable(
  'readings',
  {
    /** Made by the screen that took it, so that sending it twice stores it once. */
    id: uuid('id').primaryKey(),
    /** Order of arrival. */
    position: bigint('position', { mode: 'number' }).generatedAlwaysAsIdentity(),
    checkInId: checkInId(),
    kind: text('kind', { enum: ['skinfold', 'girth', 'mass', 'height'] }).notNull(),
    site: text('site'),
    standard: text('standard', { enum: LANDMARK_STANDARD_WORDS }),
    trial: integer('trial').notNull(),
    /** mm for folds, cm for girths and height, kg for mass, whatever was typed. */
    valueCanonical: doublePrecision('value_canonical').notNull(),
    typedUnit: text('typed_unit', { enum: TYPED_UNIT_WORDS }).notNull(),
    typedText: text('typed_text').notNull(),
    testerId: uuid('tester_id')
      .notNull()
      .references(() => people.id),
    instrumentId: uuid('instrument_id').references(() => instruments.id),
    takenAt: instant('taken_at').notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
    supersedes: uuid('supersedes'),
  },
  (t) => [
    check('readings_kind', oneOf(t.kind, ['skinfold', 'girth', 'mass', 'height'])),
    check('readings_trial', sql`${t.trial} between 1 and 9`),
    check('readings_value', sql`${t.valueCanonical} > 0 and ${t.valueCanonical} < 1000`),
    check('readings_typed_unit', oneOf(t.typedUnit, TYPED_UNIT_WORDS)),
    check('readings_standard', oneOf(t.standard, LANDMARK_STANDARD_WORDS)),
    check(
      'readings_site',
      sql`(${t.site} is not null) = (${t.kind} in ('skinfold', 'girth')) and (${t.standard} is not null) = (${t.kind} = 'skinfold')`,
    ),
    unique('readings_of_check_in').on(t.checkInId, t.id),
    // Within one check-in, and only once: who comes second corrects the correction.
    foreignKey({
      name: 'readings_supersedes_fk',
      columns: [t.checkInId, t.supersedes],
      foreignColumns: [t.checkInId, t.id],
    }),
    unique('readings_superseded_once').on(t.supersedes),
    index('readings_check_in').on(t.checkInId, t.position),
    index('readings_tester').on(t.testerId, t.trial, t.position),
    index('readings_instrument').on(t.instrumentId),
  ],
)

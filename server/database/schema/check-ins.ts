import type { OwnProtocol, Tolerance } from '#core'
import type { Consent } from '#shared/contract/equipment'
import { sql } from 'drizzle-orm'
import * as pg from 'drizzle-orm/pg-core'
import { clientId } from './clients'
import {
  CONVERSION_WORDS,
  instant,
  LANDMARK_STANDARD_WORDS,
  oneOf,
  TYPED_UNIT_WORDS,
  partOf,
  READING_KIND_WORDS,
} from './columns'
import { instruments } from './equipment'
import { importedFrom, importedWithCheckIn } from './imports'
import { people } from './people'

/*
 * Readings are the truth. Nothing that can be computed from them is a column here.
 */

export const checkIns = pg.pgTable(
  'check_ins',
  {
    id: pg.uuid('id').primaryKey(),
    clientId: clientId(),
    /** Who measures now. Each reading has its own tester and instrument. */
    testerId: pg
      .uuid('tester_id')
      .notNull()
      .references(() => people.id),
    caliperId: pg.uuid('caliper_id').references(() => instruments.id),
    tapeId: pg.uuid('tape_id').references(() => instruments.id),
    boneCaliperId: pg.uuid('bone_caliper_id').references(() => instruments.id),
    scaleId: pg.uuid('scale_id').references(() => instruments.id),
    protocolId: pg.text('protocol_id').notNull(),
    /** The protocol itself, where it is one of the coach's own. */
    ownProtocol: pg.jsonb('own_protocol').$type<OwnProtocol>(),
    /** In place of the protocol's own, where the gym has one. */
    tolerance: pg.jsonb('tolerance').$type<Tolerance>(),
    consent: pg.jsonb('consent').$type<Consent>(),
    massDry: pg.boolean('mass_dry'),
    /** Entered later, from a paper sheet. */
    fromPaper: pg.boolean('from_paper').notNull().default(false),
    voidedAt: instant('voided_at'),
    voidReason: pg.text('void_reason'),
    conversion: pg.text('conversion', { enum: CONVERSION_WORDS }).notNull(),
    measuredOn: pg.date('measured_on', { mode: 'string' }).notNull(),
    startedAt: instant('started_at').notNull(),
    closedAt: instant('closed_at'),
    /** Counts the changes of its choices, so that a screen can tell an older state from a newer one. */
    revision: pg.integer('revision').notNull().default(0),
    ...importedFrom(),
  },
  (t) => [
    pg.check('check_ins_conversion', oneOf(t.conversion, CONVERSION_WORDS)),
    pg.check('check_ins_void', sql`(${t.voidedAt} is null) = (${t.voidReason} is null)`),
    pg.index('check_ins_client').on(t.clientId, t.measuredOn),
    pg.index('check_ins_tester').on(t.testerId),
    pg
      .index('check_ins_import')
      .on(t.importId)
      .where(sql`import_id is not null`),
    // One check-in of a client is under way at a time; sheets from paper are typed in beside it.
    pg
      .uniqueIndex('check_ins_one_open')
      .on(t.clientId)
      .where(sql`closed_at is null and voided_at is null and not from_paper`),
  ],
)

const checkInId = () => partOf('check_in_id', () => checkIns.id)

/** A site that is left out of a check-in, with the reason. */
export const checkInSkips = pg.pgTable(
  'check_in_skips',
  { checkInId: checkInId(), site: pg.text('site').notNull(), reason: pg.text('reason').notNull() },
  (t) => [pg.primaryKey({ columns: [t.checkInId, t.site] })],
)

/** A girth that is taken besides those of the protocol, in the order they were added. */
export const checkInExtraGirths = pg.pgTable(
  'check_in_extra_girths',
  {
    checkInId: checkInId(),
    girth: pg.text('girth').notNull(),
    position: pg.bigint('position', { mode: 'number' }).generatedAlwaysAsIdentity(),
  },
  (t) => [pg.primaryKey({ columns: [t.checkInId, t.girth] })],
)

/** A condition that a check-in was taken under, or its notes. */
export const checkInConditions = pg.pgTable(
  'check_in_conditions',
  {
    checkInId: checkInId(),
    condition: pg.text('condition').notNull(),
    value: pg.text('value').notNull(),
  },
  (t) => [pg.primaryKey({ columns: [t.checkInId, t.condition] })],
)

/** The revision at which each part of a check-in was last changed, to tell changes apart from ones that collide. */
export const checkInRevisions = pg.pgTable(
  'check_in_revisions',
  {
    checkInId: checkInId(),
    /** As `conversion`, `skips.thigh`, `conditions.time`. */
    field: pg.text('field').notNull(),
    revision: pg.integer('revision').notNull(),
    /** The window that changed it, where it said so. */
    window: pg.uuid('window'),
  },
  (t) => [pg.primaryKey({ columns: [t.checkInId, t.field] })],
)

/** Append-only: a correction is a new row that supersedes the old one, of the same check-in, kind and site. */
export const readings = pg.pgTable(
  'readings',
  {
    /** Made by the screen that took it, so that sending it twice stores it once. */
    id: pg.uuid('id').primaryKey(),
    /** Order of arrival. */
    position: pg.bigint('position', { mode: 'number' }).generatedAlwaysAsIdentity(),
    checkInId: checkInId(),
    kind: pg.text('kind', { enum: READING_KIND_WORDS }).notNull(),
    site: pg.text('site'),
    standard: pg.text('standard', { enum: LANDMARK_STANDARD_WORDS }),
    /** How the site was found or held, where that was not the standard's own way. */
    technique: pg.text('technique'),
    /** 0 for a first reading that is thrown away. */
    trial: pg.integer('trial').notNull(),
    /** mm for folds, cm for girths, bones and height, kg for mass, whatever was typed. */
    valueCanonical: pg.doublePrecision('value_canonical').notNull(),
    typedUnit: pg.text('typed_unit', { enum: TYPED_UNIT_WORDS }).notNull(),
    typedText: pg.text('typed_text').notNull(),
    testerId: pg
      .uuid('tester_id')
      .notNull()
      .references(() => people.id),
    instrumentId: pg.uuid('instrument_id').references(() => instruments.id),
    /** What a result adds to it, in its own unit, where its instrument was out and the gym has that put right. */
    correctedBy: pg.doublePrecision('corrected_by'),
    /** What sent it, by its name; null for what a hand has typed. */
    sentBy: pg.text('sent_by'),
    takenAt: instant('taken_at').notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
    supersedes: pg.uuid('supersedes'),
    ...importedWithCheckIn(),
  },
  (t) => [
    pg.check('readings_kind', oneOf(t.kind, READING_KIND_WORDS)),
    pg.check('readings_trial', sql`${t.trial} between 0 and 9`),
    pg.check('readings_value', sql`${t.valueCanonical} > 0 and ${t.valueCanonical} < 1000`),
    pg.check('readings_typed_unit', oneOf(t.typedUnit, TYPED_UNIT_WORDS)),
    pg.check('readings_standard', oneOf(t.standard, LANDMARK_STANDARD_WORDS)),
    pg.check(
      'readings_site',
      sql`(${t.site} is not null) = (${t.kind} in ('skinfold', 'girth', 'breadth', 'length')) and (${t.standard} is not null) = (${t.kind} = 'skinfold')
        and (${t.technique} is null or ${t.site} is not null and length(${t.technique}) between 1 and 200)`,
    ),
    pg.unique('readings_of_check_in').on(t.checkInId, t.id),
    // Within one check-in, and only once: who comes second corrects the correction.
    pg.foreignKey({
      name: 'readings_supersedes_fk',
      columns: [t.checkInId, t.supersedes],
      foreignColumns: [t.checkInId, t.id],
    }),
    pg.unique('readings_superseded_once').on(t.supersedes),
    pg.index('readings_check_in').on(t.checkInId, t.position),
    pg.index('readings_tester').on(t.testerId, t.trial, t.position),
    pg.index('readings_instrument').on(t.instrumentId),
  ],
)

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
  text,
  timestamp,
  uuid,
  type AnyPgColumn,
} from 'drizzle-orm/pg-core'

/*
 * Readings are the truth. Nothing that can be computed from them is a column here.
 */

const instant = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

/** Those who measure: testers in the words of the trade. */
export const coaches = pgTable('coaches', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  createdAt: instant('created_at').notNull().defaultNow(),
})

export const clients = pgTable(
  'clients',
  {
    id: uuid('id').primaryKey(),
    name: text('name').notNull(),
    sex: text('sex', { enum: ['male', 'female'] }).notNull(),
    birthDate: date('birth_date', { mode: 'string' }).notNull(),
    cadenceDays: integer('cadence_days').notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [
    check('clients_sex', sql`${t.sex} in ('male', 'female')`),
    check('clients_cadence', sql`${t.cadenceDays} between 1 and 365`),
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
    unit: text('unit').notNull(),
    typed: text('typed').notNull(),
    takenOn: date('taken_on', { mode: 'string' }).notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [index('heights_client').on(t.clientId, t.takenOn)],
)

export const instruments = pgTable(
  'instruments',
  {
    id: uuid('id').primaryKey(),
    kind: text('kind', { enum: ['caliper', 'tape', 'scale'] }).notNull(),
    name: text('name').notNull(),
    /** Smallest step of the scale, in mm or kg. */
    graduation: doublePrecision('graduation'),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [check('instruments_kind', sql`${t.kind} in ('caliper', 'tape', 'scale')`)],
)

export const checkIns = pgTable(
  'check_ins',
  {
    id: uuid('id').primaryKey(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id, { onDelete: 'cascade' }),
    coachId: uuid('coach_id')
      .notNull()
      .references(() => coaches.id),
    caliperId: uuid('caliper_id').references(() => instruments.id),
    scaleId: uuid('scale_id').references(() => instruments.id),
    protocolId: text('protocol_id').notNull(),
    conversion: text('conversion', { enum: ['siri', 'brozek'] }).notNull(),
    measuredOn: date('measured_on', { mode: 'string' }).notNull(),
    startedAt: instant('started_at').notNull(),
    closedAt: instant('closed_at'),
    /** Sites left out, each with the reason. */
    skipped: jsonb('skipped').$type<{ site: string; reason: string }[]>().notNull().default([]),
  },
  (t) => [
    check('check_ins_conversion', sql`${t.conversion} in ('siri', 'brozek')`),
    index('check_ins_client').on(t.clientId, t.measuredOn),
  ],
)

/** Append-only: a correction is a new row that supersedes the old one. */
export const readings = pgTable(
  'readings',
  {
    /** Made by the screen that took it, so that sending it twice stores it once. */
    id: uuid('id').primaryKey(),
    /** Order of arrival. */
    position: bigint('position', { mode: 'number' }).generatedAlwaysAsIdentity(),
    checkInId: uuid('check_in_id')
      .notNull()
      .references(() => checkIns.id, { onDelete: 'cascade' }),
    kind: text('kind', { enum: ['skinfold', 'girth', 'mass', 'height'] }).notNull(),
    site: text('site'),
    school: text('school'),
    pass: integer('pass').notNull(),
    /** mm for folds, cm for girths and height, kg for mass. */
    value: doublePrecision('value').notNull(),
    unit: text('unit').notNull(),
    typed: text('typed').notNull(),
    coachId: uuid('coach_id')
      .notNull()
      .references(() => coaches.id),
    instrumentId: uuid('instrument_id').references(() => instruments.id),
    takenAt: instant('taken_at').notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
    supersedes: uuid('supersedes').references((): AnyPgColumn => readings.id),
  },
  (t) => [
    check('readings_kind', sql`${t.kind} in ('skinfold', 'girth', 'mass', 'height')`),
    check('readings_pass', sql`${t.pass} between 1 and 9`),
    index('readings_check_in').on(t.checkInId, t.position),
  ],
)

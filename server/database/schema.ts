import type { Conditions, GirthId, OwnProtocol, ScreeningAnswers, Tolerance } from '#core'
import type { PlanDefinition } from '#shared/plans'
import type { CheckPoint, Consent } from '#shared/gym'
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
  timestamp,
  uuid,
  primaryKey,
  type AnyPgColumn,
} from 'drizzle-orm/pg-core'

/*
 * Readings are the truth. Nothing that can be computed from them is a column here.
 */

const instant = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

/** Those who measure: testers in the words of the trade. */
export const testers = pgTable('testers', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  skill: text('skill', { enum: ['trained', 'novice'] })
    .notNull()
    .default('trained'),
  retiredAt: instant('retired_at'),
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
    /** False where the client sees sums and girths only, with no percentage and no class names. */
    showPercentages: boolean('show_percentages').notNull().default(true),
    /** The client wants the phase of the cycle kept with each check-in. */
    cycleWanted: boolean('cycle_wanted').notNull().default(false),
    /** The client’s name is hidden on boards. */
    hiddenOnLeaderboards: boolean('hidden_on_boards').notNull().default(false),
    /** The next check-in, where it was moved by hand; it counts until one is taken on or after it. */
    nextDueOn: date('next_due_on', { mode: 'string' }),
    archivedAt: instant('archived_at'),
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
    /** Of a caliper. */
    jaws: text('jaws', { enum: ['spring', 'hand', 'click'] }),
    checkEveryDays: integer('check_every_days').notNull().default(180),
    retiredAt: instant('retired_at'),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [check('instruments_kind', sql`${t.kind} in ('caliper', 'tape', 'scale')`)],
)

/** What an instrument read against known gaps, lengths or masses. */
export const instrumentChecks = pgTable(
  'instrument_checks',
  {
    id: uuid('id').primaryKey(),
    instrumentId: uuid('instrument_id')
      .notNull()
      .references(() => instruments.id, { onDelete: 'cascade' }),
    checkedOn: date('checked_on', { mode: 'string' }).notNull(),
    /** mm for calipers, cm for tapes, kg for scales. */
    points: jsonb('points').$type<CheckPoint[]>().notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [index('instrument_checks_instrument').on(t.instrumentId, t.checkedOn)],
)

/** One row: the gym's defaults, and the people and instruments chosen last. */
export const settings = pgTable(
  'settings',
  {
    id: integer('id').primaryKey(),
    defaultProtocolId: text('default_protocol_id').notNull().default('seven-fold'),
    standard: text('standard', { enum: ['us', 'int', 'dw', 'gym'] })
      .notNull()
      .default('us'),
    tolerance: jsonb('tolerance').$type<Tolerance>(),
    testerId: uuid('tester_id').references(() => testers.id),
    caliperId: uuid('caliper_id').references(() => instruments.id),
    tapeId: uuid('tape_id').references(() => instruments.id),
    scaleId: uuid('scale_id').references(() => instruments.id),
  },
  (t) => [check('settings_one_row', sql`${t.id} = 1`)],
)

/** Sets of the coach's own. A check-in keeps a copy of the one it was taken by. */
export const ownProtocols = pgTable('own_protocols', {
  id: text('id').primaryKey(),
  definition: jsonb('definition').$type<OwnProtocol>().notNull(),
  createdAt: instant('created_at').notNull().defaultNow(),
  retiredAt: instant('retired_at'),
})

/** Private answers; the latest row is in force, the earlier ones are its history. */
export const screenings = pgTable(
  'screenings',
  {
    id: uuid('id').primaryKey(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id, { onDelete: 'cascade' }),
    answers: jsonb('answers').$type<ScreeningAnswers>().notNull(),
    reviewedOn: date('reviewed_on', { mode: 'string' }).notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [index('screenings_client').on(t.clientId, t.storedAt)],
)

/** A client's own fixed mark of a site and the side it is taken on; the latest row of a site is in force. */
export const siteNotes = pgTable(
  'siteNotes',
  {
    id: uuid('id').primaryKey(),
    position: bigint('position', { mode: 'number' }).generatedAlwaysAsIdentity(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id, { onDelete: 'cascade' }),
    site: text('site').notNull(),
    standard: text('standard'),
    text: text('text').notNull(),
    side: text('side', { enum: ['right', 'left'] }).notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [index('marks_client').on(t.clientId)],
)

export const checkIns = pgTable(
  'check_ins',
  {
    id: uuid('id').primaryKey(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id, { onDelete: 'cascade' }),
    testerId: uuid('tester_id')
      .notNull()
      .references(() => testers.id),
    caliperId: uuid('caliper_id').references(() => instruments.id),
    tapeId: uuid('tape_id').references(() => instruments.id),
    scaleId: uuid('scale_id').references(() => instruments.id),
    protocolId: text('protocol_id').notNull(),
    /** The set itself, where it is one of the coach's own. */
    ownProtocol: jsonb('own_protocol').$type<OwnProtocol>(),
    /** In place of the set's own, where the gym has one. */
    tolerance: jsonb('tolerance').$type<Tolerance>(),
    extraGirths: jsonb('extra_girths').$type<GirthId[]>().notNull().default([]),
    conditions: jsonb('conditions').$type<Conditions>().notNull().default({}),
    consent: jsonb('consent').$type<Consent>(),
    massDry: boolean('mass_dry'),
    /** Entered later, from a paper sheet. */
    fromPaper: boolean('from_paper').notNull().default(false),
    voidedAt: instant('voided_at'),
    voidReason: text('void_reason'),
    conversion: text('conversion', { enum: ['siri', 'brozek'] }).notNull(),
    measuredOn: date('measured_on', { mode: 'string' }).notNull(),
    startedAt: instant('started_at').notNull(),
    closedAt: instant('closed_at'),
    /** Counts the changes of its choices, so that a screen can tell an older state from a newer one. */
    revision: integer('revision').notNull().default(0),
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
    standard: text('standard'),
    trial: integer('trial').notNull(),
    /** mm for folds, cm for girths and height, kg for mass. */
    value: doublePrecision('value').notNull(),
    unit: text('unit').notNull(),
    typed: text('typed').notNull(),
    testerId: uuid('tester_id')
      .notNull()
      .references(() => testers.id),
    instrumentId: uuid('instrument_id').references(() => instruments.id),
    takenAt: instant('taken_at').notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
    supersedes: uuid('supersedes').references((): AnyPgColumn => readings.id),
  },
  (t) => [
    check('readings_kind', sql`${t.kind} in ('skinfold', 'girth', 'mass', 'height')`),
    check('readings_pass', sql`${t.trial} between 1 and 9`),
    index('readings_check_in').on(t.checkInId, t.position),
    index('readings_supersedes').on(t.supersedes),
    index('readings_coach').on(t.testerId, t.trial, t.position),
  ],
)

/** What was done to the record by hand: edits of a client, moved, voided and restored check-ins. Append-only. */
export const recordEvents = pgTable(
  'record_events',
  {
    id: uuid('id').primaryKey(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id, { onDelete: 'cascade' }),
    checkInId: uuid('check_in_id').references(() => checkIns.id, { onDelete: 'cascade' }),
    testerId: uuid('tester_id').references(() => testers.id),
    at: instant('at').notNull().defaultNow(),
    /** In words: "Birth date: 1985-03-14, was 1985-04-13". */
    words: text('words').notNull(),
  },
  (t) => [index('record_events_client').on(t.clientId, t.at)],
)

/** Body mass of a day outside a check-in; the latest row of a day is in force, and one without a mass takes it back. */
export const weighIns = pgTable(
  'weigh_ins',
  {
    id: uuid('id').primaryKey(),
    position: bigint('position', { mode: 'number' }).generatedAlwaysAsIdentity(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id, { onDelete: 'cascade' }),
    date: date('date', { mode: 'string' }).notNull(),
    kg: doublePrecision('kg'),
    unit: text('unit').notNull(),
    typed: text('typed').notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [index('weigh_ins_client').on(t.clientId, t.date, t.position)],
)

/** What happened to a client on a day: notes on the time axis. */
export const clientNotes = pgTable(
  'client_events',
  {
    id: uuid('id').primaryKey(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id, { onDelete: 'cascade' }),
    date: date('date', { mode: 'string' }).notNull(),
    kind: text('kind', { enum: ['phase', 'holiday', 'injury', 'illness', 'other'] }).notNull(),
    words: text('words').notNull(),
    removedAt: instant('removed_at'),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [index('client_events_client').on(t.clientId, t.date)],
)

/** A photo's place in the record; the picture itself is a file of that id in the data folder. */
export const photos = pgTable(
  'photos',
  {
    id: uuid('id').primaryKey(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id, { onDelete: 'cascade' }),
    view: text('view', { enum: ['front', 'side', 'back'] }).notNull(),
    takenOn: date('taken_on', { mode: 'string' }).notNull(),
    type: text('type').notNull(),
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    /** Where the crown of the head and the floor are, as shares of width and height. */
    crown: jsonb('crown').$type<{ x: number; y: number }>(),
    floor: jsonb('floor').$type<{ x: number; y: number }>(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [index('photos_client').on(t.clientId, t.takenOn)],
)

/** A challenge: some clients, a period and what they are ranked by. */
export const leaderboards = pgTable('leaderboards', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  startsOn: date('starts_on', { mode: 'string' }).notNull(),
  endsOn: date('ends_on', { mode: 'string' }).notNull(),
  measure: text('measure', { enum: ['fatPercent', 'fatMass', 'sum', 'recomposition'] }).notNull(),
  createdAt: instant('created_at').notNull().defaultNow(),
})

export const leaderboardMembers = pgTable(
  'leaderboard_members',
  {
    leaderboardId: uuid('leaderboard_id')
      .notNull()
      .references(() => leaderboards.id, { onDelete: 'cascade' }),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id, { onDelete: 'cascade' }),
  },
  (t) => [primaryKey({ columns: [t.leaderboardId, t.clientId] })],
)

/** A client's plans; the one that is not replaced is in force, the others are kept. */
export const plans = pgTable(
  'plans',
  {
    id: uuid('id').primaryKey(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id, { onDelete: 'cascade' }),
    startedOn: date('started_on', { mode: 'string' }).notNull(),
    definition: jsonb('definition').$type<PlanDefinition>().notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
    replacedAt: instant('replaced_at'),
  },
  (t) => [index('plans_client').on(t.clientId, t.createdAt)],
)

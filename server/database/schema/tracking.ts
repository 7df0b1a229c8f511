import { sql } from 'drizzle-orm'
import * as pg from 'drizzle-orm/pg-core'
import { BOARD_MEASURES } from '../../../core/leaderboard/rank'
import type { Message, SafetyFinding, Tie } from '#core'
import type { PlanDefinition } from '#shared/contract/plans'
import { weeklyReports } from './client-side'
import { clientId } from './clients'
import { instant, oneOf, partOf } from './columns'
import { importedFrom, importId } from './imports'

/** Body mass of a day outside a check-in; the latest row of a day is in force, and one without a mass takes it back. */
export const weighIns = pg.pgTable(
  'weigh_ins',
  {
    id: pg.uuid('id').primaryKey(),
    position: pg.bigint('position', { mode: 'number' }).generatedAlwaysAsIdentity(),
    clientId: clientId(),
    date: pg.date('date', { mode: 'string' }).notNull(),
    kg: pg.doublePrecision('kg'),
    typedUnit: pg.text('typed_unit').notNull(),
    typedText: pg.text('typed_text').notNull(),
    /** The weekly report that it came with. */
    reportId: pg.uuid('report_id').references(() => weeklyReports.id, { onDelete: 'cascade' }),
    storedAt: instant('stored_at').notNull().defaultNow(),
    ...importedFrom(),
  },
  (t) => [
    pg
      .index('weigh_ins_report')
      .on(t.reportId)
      .where(sql`report_id is not null`),
    pg.index('weigh_ins_client').on(t.clientId, t.date, t.position),
    pg.index('weigh_ins_stored').on(t.storedAt),
    pg
      .index('weigh_ins_import')
      .on(t.importId)
      .where(sql`import_id is not null`),
    pg.check('weigh_ins_kg', sql`${t.kg} > 0 and ${t.kg} < 1000`),
  ],
)

const NOTE_KINDS = ['phase', 'holiday', 'injury', 'illness', 'other'] as const

/** What happened to a client on a day: notes on the time axis. */
export const clientNotes = pg.pgTable(
  'client_notes',
  {
    id: pg.uuid('id').primaryKey(),
    clientId: clientId(),
    date: pg.date('date', { mode: 'string' }).notNull(),
    kind: pg.text('kind', { enum: NOTE_KINDS }).notNull(),
    words: pg.text('words').notNull(),
    removedAt: instant('removed_at'),
    importId: importId(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [
    pg.index('client_notes_client').on(t.clientId, t.date),
    pg
      .index('client_notes_import')
      .on(t.importId)
      .where(sql`import_id is not null`),
    pg.check('client_notes_kind', oneOf(t.kind, NOTE_KINDS)),
  ],
)

/** A photo's place in the record; the picture itself is a file of that id in the data folder. */
export const photos = pg.pgTable(
  'photos',
  {
    id: pg.uuid('id').primaryKey(),
    clientId: clientId(),
    view: pg.text('view', { enum: ['front', 'side', 'back'] }).notNull(),
    takenOn: pg.date('taken_on', { mode: 'string' }).notNull(),
    type: pg.text('type').notNull(),
    width: pg.integer('width').notNull(),
    height: pg.integer('height').notNull(),
    /** Where the crown of the head and the ground are, as shares of width and height. */
    crown: pg.jsonb('crown').$type<{ x: number; y: number }>(),
    groundPoint: pg.jsonb('ground_point').$type<{ x: number; y: number }>(),
    storedAt: instant('stored_at').notNull().defaultNow(),
    /** Sent with a weekly report; it is among the client's photos once that is accepted. */
    reportId: pg.uuid('report_id').references(() => weeklyReports.id, { onDelete: 'cascade' }),
    /** Deleted, and to be had back for a moment; then it goes for good. */
    deletedAt: instant('deleted_at'),
  },
  (t) => [
    pg.index('photos_of_client').on(t.clientId, t.takenOn, t.view),
    pg.check('photos_view', oneOf(t.view, ['front', 'side', 'back'])),
    pg.check('photos_size', sql`${t.width} > 0 and ${t.height} > 0`),
  ],
)

/** A client's plans; the one that is not replaced is in force, the others are kept, those too that were refused. */
export const plans = pg.pgTable(
  'plans',
  {
    id: pg.uuid('id').primaryKey(),
    clientId: clientId(),
    startedOn: pg.date('started_on', { mode: 'string' }).notNull(),
    definition: pg.jsonb('definition').$type<PlanDefinition>().notNull(),
    /** The name of who made it; until people sign in, as they are called on the floor. */
    madeBy: pg.text('made_by'),
    /** The plan that it changed. */
    changes: pg.uuid('changes').references((): pg.AnyPgColumn => plans.id),
    /** What the rules said of it when it was kept, or why it was refused. */
    findings: pg.jsonb('findings').$type<SafetyFinding[]>().notNull().default([]),
    refused: pg.boolean('refused').notNull().default(false),
    createdAt: instant('created_at').notNull().defaultNow(),
    replacedAt: instant('replaced_at'),
  },
  (t) => [
    pg.index('plans_client').on(t.clientId, t.createdAt),
    pg
      .uniqueIndex('plans_one_in_force')
      .on(t.clientId)
      .where(sql`replaced_at is null`),
    pg.check('plans_refused_are_not_in_force', sql`not refused or replaced_at is not null`),
  ],
)

/** Who lifted a hold that stands against a client's plans. */
export const planClearances = pg.pgTable(
  'plan_clearances',
  {
    id: pg.uuid('id').primaryKey(),
    clientId: clientId(),
    rule: pg.text('rule').notNull(),
    clearedBy: pg.text('cleared_by').notNull(),
    clearedOn: pg.date('cleared_on', { mode: 'string' }).notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [pg.index('plan_clearances_client').on(t.clientId, t.rule)],
)

/** A leaderboard: some clients, a period and what they are ranked by. */
export const leaderboards = pg.pgTable(
  'leaderboards',
  {
    id: pg.uuid('id').primaryKey(),
    name: pg.text('name').notNull(),
    startsOn: pg.date('starts_on', { mode: 'string' }).notNull(),
    endsOn: pg.date('ends_on', { mode: 'string' }).notNull(),
    measure: pg.text('measure', { enum: BOARD_MEASURES }).notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
    /** When its result was kept, which stays as it is from then on. */
    closedAt: instant('closed_at'),
    closedBy: pg.text('closed_by'),
  },
  (t) => [
    pg.check('leaderboards_measure', oneOf(t.measure, BOARD_MEASURES)),
    pg.check('leaderboards_period', sql`${t.startsOn} < ${t.endsOn}`),
  ],
)

export const leaderboardMembers = pg.pgTable(
  'leaderboard_members',
  {
    leaderboardId: partOf('leaderboard_id', () => leaderboards.id),
    clientId: clientId(),
  },
  (t) => [
    pg.primaryKey({ columns: [t.leaderboardId, t.clientId] }),
    pg.index('leaderboard_members_client').on(t.clientId),
  ],
)

/** The result of a closed leaderboard, a line a member; nothing that is measured later changes it. */
export const leaderboardResults = pg.pgTable(
  'leaderboard_results',
  {
    leaderboardId: partOf('leaderboard_id', () => leaderboards.id),
    clientId: clientId(),
    /** In the order of the list. */
    line: pg.integer('line').notNull(),
    /** Null for who is not ranked. */
    place: pg.integer('place'),
    /** Why others share the place; null where nobody does. */
    tie: pg.jsonb('tie').$type<Tie>(),
    /** In mm, cm, kg or points of fat. */
    change: pg.doublePrecision('change'),
    standardError: pg.doublePrecision('standard_error'),
    fromDay: pg.date('from_day', { mode: 'string' }),
    toDay: pg.date('to_day', { mode: 'string' }),
    /** Why somebody is not ranked: a message. */
    why: pg.jsonb('why').$type<Message>(),
  },
  (t) => [
    pg.primaryKey({ columns: [t.leaderboardId, t.clientId] }),
    pg.index('leaderboard_results_client').on(t.clientId),
    pg.check('leaderboard_results_ranked', sql`(${t.place} is null) = (${t.change} is null)`),
  ],
)

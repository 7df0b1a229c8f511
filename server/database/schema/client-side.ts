import { sql } from 'drizzle-orm'
import * as pg from 'drizzle-orm/pg-core'
import { REPORT_WAYS_OF, SHARED } from '../../../shared/contract/choices'
import type { ReportAsks, ReportContent, ReportTalk } from '#shared/contract/weekly-reports'
import { clientId } from './clients'
import { instant, oneOf } from './columns'

/* What stands between a coach and a client besides measuring: how to reach them, what they see, what they send. */

/** How a client is reached, what they want in their own words, what they see, and what they are asked for. */
export const clientDetails = pg.pgTable(
  'client_details',
  {
    clientId: clientId().primaryKey(),
    email: pg.text('email'),
    phone: pg.text('phone'),
    /** What they want, as they say it. */
    goal: pg.text('goal'),
    /** What they see of their record. */
    sees: pg.text('sees', { enum: SHARED }).notNull().default('nothing'),
    /** Whether class names are among it. */
    seesClasses: pg.boolean('sees_classes').notNull().default(false),
    /** What is asked of them each week; null for nothing. */
    asks: pg.jsonb('asks').$type<ReportAsks>(),
    /** When they, or the coach for them, stopped reminders by mail. */
    mailStoppedAt: instant('mail_stopped_at'),
    updatedAt: instant('updated_at').notNull().defaultNow(),
  },
  (t) => [pg.check('client_details_sees', oneOf(t.sees, SHARED))],
)

/** Words that a coach sorts clients by. */
export const clientTags = pg.pgTable(
  'client_tags',
  { clientId: clientId(), tag: pg.text('tag').notNull() },
  (t) => [
    pg.primaryKey({ columns: [t.clientId, t.tag] }),
    pg.index('client_tags_tag').on(t.tag),
    pg.check('client_tags_tag_length', sql`length(${t.tag}) between 1 and 40`),
  ],
)

/** What was done and said in a session. A changed note takes the place of the one before under the same id. */
export const sessionNotes = pg.pgTable(
  'session_notes',
  {
    id: pg.uuid('id').primaryKey(),
    clientId: clientId(),
    date: pg.date('date', { mode: 'string' }).notNull(),
    words: pg.text('words').notNull(),
    /** The name of who wrote it. */
    writtenBy: pg.text('written_by').notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
    removedAt: instant('removed_at'),
  },
  (t) => [pg.index('session_notes_client').on(t.clientId, t.date)],
)

/** When a client comes. */
export const appointments = pg.pgTable(
  'appointments',
  {
    id: pg.uuid('id').primaryKey(),
    clientId: clientId(),
    startsAt: instant('starts_at').notNull(),
    minutes: pg.integer('minutes').notNull(),
    words: pg.text('words').notNull().default(''),
    storedAt: instant('stored_at').notNull().defaultNow(),
    cancelledAt: instant('cancelled_at'),
  },
  (t) => [
    pg.index('appointments_start').on(t.startsAt),
    pg.index('appointments_client').on(t.clientId, t.startsAt),
    pg.check('appointments_minutes', sql`${t.minutes} between 5 and 720`),
  ],
)

const REPORT_STATES = ['waiting', 'accepted', 'set aside'] as const

/** What a client sent of a week, as it came. What is accepted of it is in the record; this stays as it was sent. */
export const weeklyReports = pg.pgTable(
  'weekly_reports',
  {
    /** Made by the phone, so that sending it twice stores it once. */
    id: pg.uuid('id').primaryKey(),
    clientId: clientId(),
    /** The last day that it tells of. */
    endsOn: pg.date('ends_on', { mode: 'string' }).notNull(),
    content: pg.jsonb('content').$type<ReportContent>().notNull(),
    way: pg.text('way', { enum: REPORT_WAYS_OF }).notNull(),
    state: pg.text('state', { enum: REPORT_STATES }).notNull().default('waiting'),
    /** Questions and answers about it, in order. */
    talk: pg.jsonb('talk').$type<ReportTalk[]>().notNull().default([]),
    sentAt: instant('sent_at').notNull().defaultNow(),
    decidedAt: instant('decided_at'),
    decidedBy: pg.text('decided_by'),
  },
  (t) => [
    pg.index('weekly_reports_client').on(t.clientId, t.endsOn),
    pg
      .index('weekly_reports_waiting')
      .on(t.clientId)
      .where(sql`state = 'waiting'`),
    pg.check('weekly_reports_state', oneOf(t.state, REPORT_STATES)),
    pg.check('weekly_reports_way', oneOf(t.way, REPORT_WAYS_OF)),
    pg.check('weekly_reports_decided', sql`(${t.state} = 'waiting') = (${t.decidedAt} is null)`),
  ],
)

/**
 * A girth that a client took of themselves, outside a check-in: append-only, the latest row of a day, girth and trial is in
 * force.
 */
export const selfGirths = pg.pgTable(
  'self_girths',
  {
    id: pg.uuid('id').primaryKey(),
    position: pg.bigint('position', { mode: 'number' }).generatedAlwaysAsIdentity(),
    clientId: clientId(),
    date: pg.date('date', { mode: 'string' }).notNull(),
    girth: pg.text('girth').notNull(),
    trial: pg.smallint('trial').notNull(),
    cm: pg.doublePrecision('cm').notNull(),
    typedUnit: pg.text('typed_unit').notNull(),
    typedText: pg.text('typed_text').notNull(),
    reportId: pg.uuid('report_id').references(() => weeklyReports.id, { onDelete: 'cascade' }),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [
    pg.index('self_girths_client').on(t.clientId, t.date, t.position),
    pg.check('self_girths_cm', sql`${t.cm} > 0 and ${t.cm} < 1000`),
    pg.check('self_girths_trial', sql`${t.trial} between 1 and 9`),
  ],
)

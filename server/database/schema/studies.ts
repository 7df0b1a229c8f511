import type { SiteId } from '#core'
import { sql } from 'drizzle-orm'
import * as pg from 'drizzle-orm/pg-core'
import { instant, LANDMARK_STANDARD_WORDS, oneOf, partOf, TYPED_UNIT_WORDS } from './columns'
import { PRACTICE_KINDS } from '../../../core/measurement-error/practice'
import { instruments } from './equipment'
import { people } from './people'

/** The same people measured twice by one tester, or by two: how much of a difference is the hand. */
export const studies = pg.pgTable(
  'studies',
  {
    id: pg.uuid('id').primaryKey(),
    testerId: pg
      .uuid('tester_id')
      .notNull()
      .references(() => people.id),
    /** The one whom the tester is held against; null where they are held against themselves alone. */
    referenceId: pg.uuid('reference_id').references(() => people.id),
    standard: pg.text('standard', { enum: LANDMARK_STANDARD_WORDS }).notNull(),
    sites: pg.jsonb('sites').$type<SiteId[]>().notNull(),
    /** What each subject is called; the place in the list is their number. */
    subjects: pg.jsonb('subjects').$type<string[]>().notNull(),
    /** Numbers of the subjects in the order, drawn by lot, in which they are measured. */
    order: pg.jsonb('measured_order').$type<number[]>().notNull(),
    caliperId: pg.uuid('caliper_id').references(() => instruments.id),
    tapeId: pg.uuid('tape_id').references(() => instruments.id),
    begunOn: pg.date('begun_on', { mode: 'string' }).notNull(),
    /** When somebody said that no more is measured. */
    endedAt: instant('ended_at'),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [
    pg.check('studies_two', sql`${t.referenceId} is distinct from ${t.testerId}`),
    pg.check('studies_standard', oneOf(t.standard, LANDMARK_STANDARD_WORDS)),
  ],
)

/** Append-only: of two readings of one pass the later one counts. */
export const studyTrials = pg.pgTable(
  'study_trials',
  {
    /** Made by the screen that took it, so that sending it twice stores it once. */
    id: pg.uuid('id').primaryKey(),
    /** Order of arrival. */
    position: pg.bigint('position', { mode: 'number' }).generatedAlwaysAsIdentity(),
    studyId: partOf('study_id', () => studies.id),
    /** Number of the subject, from 0. */
    subject: pg.integer('subject').notNull(),
    site: pg.text('site').$type<SiteId>().notNull(),
    testerId: pg
      .uuid('tester_id')
      .notNull()
      .references(() => people.id),
    /** 1 on the first pass over the sites, 2 on the second. */
    trial: pg.integer('trial').$type<1 | 2>().notNull(),
    /** mm for folds, cm for girths, whatever was typed. */
    valueCanonical: pg.doublePrecision('value_canonical').notNull(),
    typedUnit: pg.text('typed_unit', { enum: TYPED_UNIT_WORDS }).notNull(),
    typedText: pg.text('typed_text').notNull(),
    takenOn: pg.date('taken_on', { mode: 'string' }).notNull(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [
    pg.check('study_trials_trial', sql`${t.trial} in (1, 2)`),
    pg.check('study_trials_value', sql`${t.valueCanonical} > 0 and ${t.valueCanonical} < 1000`),
    pg.check('study_trials_typed_unit', oneOf(t.typedUnit, TYPED_UNIT_WORDS)),
    pg.index('study_trials_study').on(t.studyId, t.position),
    pg.index('study_trials_tester').on(t.testerId),
  ],
)

/** A round of practice without a client, as it was scored. */
export const practiceRounds = pg.pgTable(
  'practice_rounds',
  {
    id: pg.uuid('id').primaryKey(),
    testerId: partOf('tester_id', () => people.id),
    kind: pg.text('kind', { enum: PRACTICE_KINDS }).notNull(),
    doneOn: pg.date('done_on', { mode: 'string' }).notNull(),
    tries: pg.integer('tries').notNull(),
    /** mm for a dial, cm for landmarks. */
    error: pg.doublePrecision('error').notNull(),
    /** Of a dial: mean of what was read less what was there, mm. */
    bias: pg.doublePrecision('bias'),
    /** Of a dial: mean of the seconds by which it was read late. */
    late: pg.doublePrecision('late'),
    /** Of a dial read to tenths: what was read, mm. */
    typed: pg.jsonb('typed').$type<number[]>(),
    storedAt: instant('stored_at').notNull().defaultNow(),
  },
  (t) => [
    pg.check('practice_rounds_kind', oneOf(t.kind, PRACTICE_KINDS)),
    pg.check('practice_rounds_tries', sql`${t.tries} between 1 and 100`),
    pg.index('practice_rounds_tester').on(t.testerId, t.doneOn),
  ],
)

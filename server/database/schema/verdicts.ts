import { sql } from 'drizzle-orm'
import * as pg from 'drizzle-orm/pg-core'
import type { GymFigures } from '#core'
import type { Said } from '#shared/contract/verdicts'
import { clientId } from './clients'
import { instant } from './columns'
import { people } from './people'

/**
 * What each client's record says, kept so that a list of two thousand need not judge two thousand records. Triggers count
 * every change of what it is made of; what was said counts while it was said of the latest change.
 */
export const clientVerdicts = pg.pgTable(
  'client_verdicts',
  {
    clientId: clientId().primaryKey(),
    /** How often something that the verdict is made of was changed. */
    changes: pg.integer('changes').notNull().default(0),
    /** Which change the verdict has seen; null before the first. */
    seen: pg.integer('seen'),
    said: pg.jsonb('said').$type<Said>(),
    /** `look`, `tell` or nothing, with what it is and how pressing. */
    kind: pg.text('kind', { enum: ['look', 'tell'] }),
    item: pg.text('item'),
    rank: pg.smallint('rank'),
    /** Changes when something new is true. */
    about: pg.text('about'),
  },
  (t) => [
    pg.index('client_verdicts_kind').on(t.kind, t.rank),
    pg.check('client_verdicts_kind', sql`${t.kind} in ('look', 'tell')`),
  ],
)

/** What a coach is done with on Today: it stays away until something new is true. */
export const todayDone = pg.pgTable(
  'today_done',
  {
    clientId: clientId(),
    about: pg.text('about').notNull(),
    doneAt: instant('done_at').notNull().defaultNow(),
  },
  (t) => [pg.primaryKey({ columns: [t.clientId, t.about] })],
)

/** Each tester's own errors as the verdicts have seen them, rounded: a change too small to matter drops no verdict. */
export const verdictErrors = pg.pgTable('verdict_errors', {
  testerId: pg
    .uuid('tester_id')
    .primaryKey()
    .references(() => people.id, { onDelete: 'cascade' }),
  errors: pg.text('errors').notNull(),
})

/** What the gym's own records tell of its errors: one row, once there are enough of them; see the core's `refitting`. */
export const gymFigures = pg.pgTable(
  'gym_figures',
  {
    id: pg.smallint('id').primaryKey().default(1),
    figures: pg.jsonb('figures').$type<GymFigures>(),
    /** People and check-ins that it was read off. */
    people: pg.integer('people').notNull(),
    checkIns: pg.integer('check_ins').notNull(),
    fittedAt: instant('fitted_at').notNull().defaultNow(),
  },
  (t) => [pg.check('gym_figures_one', sql`${t.id} = 1`)],
)

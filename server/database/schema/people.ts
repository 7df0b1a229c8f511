import * as pg from 'drizzle-orm/pg-core'
import { instant, oneOf } from './columns'

/** People who work here: as testers they measure, as coaches they sign in. */
export const people = pg.pgTable(
  'people',
  {
    id: pg.uuid('id').primaryKey(),
    name: pg.text('name').notNull(),
    /** How practised they are with caliper and tape. */
    skill: pg
      .text('skill', { enum: ['trained', 'novice'] })
      .notNull()
      .default('trained'),
    retiredAt: instant('retired_at'),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [pg.check('people_skill', oneOf(t.skill, ['trained', 'novice']))],
)

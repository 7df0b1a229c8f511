import { check, pgTable, text, uuid } from 'drizzle-orm/pg-core'
import { instant, oneOf } from './columns'

/** People who work here: as testers they measure, as coaches they sign in. */
export const people = pgTable(
  'people',
  {
    id: uuid('id').primaryKey(),
    name: text('name').notNull(),
    /** How practised they are with caliper and tape. */
    skill: text('skill', { enum: ['trained', 'novice'] })
      .notNull()
      .default('trained'),
    retiredAt: instant('retired_at'),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [check('people_skill', oneOf(t.skill, ['trained', 'novice']))],
)

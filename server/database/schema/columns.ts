import { CONVERSION_IDS, GROUP_TERMS, LANDMARK_STANDARDS } from '../../../core/index'
import { sql, type SQLWrapper } from 'drizzle-orm'
import * as pg from 'drizzle-orm/pg-core'

/** A moment in time, with its zone. */
export const instant = (name: string) => pg.timestamp(name, { withTimezone: true, mode: 'date' })

/** The id of the row that this one is a part of and goes with when it is deleted. */
export const partOf = (name: string, whole: () => pg.AnyPgColumn) =>
  pg.uuid(name).notNull().references(whole, { onDelete: 'cascade' })

/** A CHECK that a column is one of a few words. */
export const oneOf = (column: SQLWrapper, words: readonly string[]) =>
  sql`${column} in (${sql.raw(words.map((word) => `'${word}'`).join(', '))})`

export const READING_KIND_WORDS = [
  'skinfold',
  'girth',
  'breadth',
  'length',
  'mass',
  'height',
] as const
export const LANDMARK_STANDARD_WORDS = LANDMARK_STANDARDS
export const CONVERSION_WORDS = CONVERSION_IDS
export const GROUP_TERM_WORDS = GROUP_TERMS
export const TYPED_UNIT_WORDS = ['mm', 'cm', 'm', 'in', 'ft in', 'kg', 'lb', 'st lb'] as const

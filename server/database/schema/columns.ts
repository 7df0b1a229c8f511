import { sql, type SQLWrapper } from 'drizzle-orm'
import * as pg from 'drizzle-orm/pg-core'

/** A moment in time, with its zone. */
export const instant = (name: string) => pg.timestamp(name, { withTimezone: true, mode: 'date' })

/** A CHECK that a column is one of a few words. */
export const oneOf = (column: SQLWrapper, words: readonly string[]) =>
  sql`${column} in (${sql.raw(words.map((word) => `'${word}'`).join(', '))})`

export const LANDMARK_STANDARD_WORDS = ['us', 'int', 'dw', 'gym'] as const
export const CONVERSION_WORDS = ['siri', 'brozek'] as const
export const TYPED_UNIT_WORDS = ['mm', 'cm', 'm', 'in', 'ft in', 'kg', 'lb', 'st lb'] as const

import { sql, type SQL } from 'drizzle-orm'
import type { Connection } from './driver'

/*
 * PGlite's cost is its rows, not its SQL: what a page needs comes as one text of JSON from one query.
 */

/** The value of one SQL expression, as JSON. */
export async function jsonOf<T>(db: Connection, expression: SQL): Promise<T> {
  const { rows } = await db.execute<{ json: string | null }>(
    sql`select (${expression})::text as json`,
  )
  return JSON.parse(rows[0]?.json ?? 'null') as T
}

/** An instant as JavaScript writes it. */
export const iso = (column: SQL) =>
  sql`to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`

/**
 * A list of JSON objects with the columns by their names; empty where there are none. Three times as fast as
 * `json_build_object` for each of many rows, which looks up the type of every value of every row.
 */
export const rowsOf = (columns: SQL, from: SQL, order: SQL) =>
  sql`coalesce((select json_agg(t) from (select ${columns} ${from} order by ${order}) t), '[]')`

/** A list of JSON values made one by one; empty where there are none. */
export const listOf = (object: SQL, from: SQL, order: SQL) =>
  sql`coalesce((select json_agg(${object} order by ${order}) ${from}), '[]')`

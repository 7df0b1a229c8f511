import { getTableColumns, sql } from 'drizzle-orm'
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core'
import type { Connection } from '../database/driver'

/** A value as one of an array that is written as a text. */
function literal(value: unknown): string {
  if (value === null || value === undefined) return 'NULL'
  if (typeof value === 'number' || typeof value === 'boolean') return String(value)
  const text =
    value instanceof Date
      ? value.toISOString()
      : typeof value === 'string'
        ? value
        : JSON.stringify(value)
  return `"${text.replace(/["\\]/g, '\\$&')}"`
}

/**
 * Inserts many rows, a parameter for each column: a parameter for each value of each row would take ten times as long.
 *
 * @param rows by the names that the schema gives its columns; what all of them leave out is left to its default
 */
export async function insertRows<T extends PgTable>(
  db: Connection,
  table: T,
  rows: readonly T['$inferInsert'][],
): Promise<void> {
  if (rows.length === 0) return
  const valueOf = (row: T['$inferInsert'], key: string) => (row as Record<string, unknown>)[key]
  const columns = Object.entries(getTableColumns(table) as Record<string, PgColumn>).filter(
    ([key]) => rows.some((row) => valueOf(row, key) !== undefined),
  )
  const listed = <V>(of: (column: [string, PgColumn]) => V) =>
    sql.join(columns.map(of) as never[], sql`, `)
  const names = listed(([, { name }]) => sql`${sql.identifier(name)}`)
  const arrays = listed(([key, column]) => {
    const values = rows.map((row) => literal(valueOf(row, key)))
    return sql`${`{${values.join(',')}}`}::${sql.raw(column.getSQLType())}[]`
  })
  await db.execute(
    sql`insert into ${table} (${names}) select * from unnest(${arrays}) as _ (${names})`,
  )
}

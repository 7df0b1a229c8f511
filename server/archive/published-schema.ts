import { sql } from 'drizzle-orm'
import type { Connection } from '../database/driver'
import { FORMAT } from './format'

/* The schema of record.json for whoever reads an archive without us: docs/record.schema.json, made by `npm run docs`. */

interface Column {
  table: string
  column: string
  type: string
  nullable: boolean
}

/** What PostgreSQL writes of each type in JSON. */
const TYPES: Record<string, object> = {
  uuid: { type: 'string', format: 'uuid' },
  text: { type: 'string' },
  date: { type: 'string', format: 'date' },
  'timestamp with time zone': { type: 'string', format: 'date-time' },
  boolean: { type: 'boolean' },
  smallint: { type: 'integer' },
  integer: { type: 'integer' },
  bigint: { type: 'integer' },
  real: { type: 'number' },
  'double precision': { type: 'number' },
  numeric: { type: 'number' },
  // Anything that the application keeps as a whole.
  jsonb: {},
  json: {},
  ARRAY: { type: 'array' },
}

/**
 * The JSON Schema (2020-12) of record.json, read from a database that has its tables.
 *
 * @throws Error where a column has a type that nobody has thought of
 */
export async function publishedSchema(db: Connection): Promise<object> {
  const { rows } = await db.execute<Column & Record<string, unknown>>(sql`
    select c.table_name as "table", c.column_name as "column", c.data_type as type,
      c.is_nullable = 'YES' as nullable
    from information_schema.columns c join information_schema.tables t using (table_schema, table_name)
    where c.table_schema = 'public' and t.table_type = 'BASE TABLE'
    order by c.table_name, c.ordinal_position`)
  const tables: Record<string, Column[]> = {}
  for (const row of rows) (tables[row.table] ??= []).push(row)
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'record.json of an Oak Pinch archive',
    ...strict({
      format: { const: FORMAT },
      version: { type: 'integer', minimum: 1 },
      tables: strict(
        Object.fromEntries(
          Object.entries(tables).map(([name, columns]) => [
            name,
            {
              type: 'array',
              items: strict(Object.fromEntries(columns.map((of) => [of.column, valueOf(of)]))),
            },
          ]),
        ),
      ),
    }),
  }
}

/** An object with these properties and no others. */
const strict = (properties: Record<string, object>) => ({
  type: 'object',
  properties,
  required: Object.keys(properties),
  additionalProperties: false,
})

function valueOf({ table, column, type, nullable }: Column): object {
  const of = TYPES[type]
  if (!of) throw new Error(`${table}.${column} is a ${type}, of which the schema knows nothing`)
  return nullable && Object.keys(of).length > 0 ? { anyOf: [of, { type: 'null' }] } : of
}

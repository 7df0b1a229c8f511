import { createHash } from 'node:crypto'
import { sql } from 'drizzle-orm'
import type { Connection } from '../database/driver'

/*
 * The whole record as data: every table of the database, row by row as PostgreSQL itself writes them, so that nothing
 * that it can tell apart is lost on the way. What the tables are is read from the database, since a record of an earlier
 * version has earlier tables.
 */

/** One table of a record. */
export interface Table {
  name: string
  rows: number
  /** A list of objects by column, as JSON. */
  json: string
}

/** A table with what it says of itself in a manifest. */
export interface TableSum {
  rows: number
  /** Of the JSON text, in hexadecimal. */
  sha256: string
}

/** In hexadecimal. */
export const sha256 = (of: string | Uint8Array): string =>
  createHash('sha256').update(of).digest('hex')

export const sumOf = ({ rows, json }: Table): TableSum => ({ rows, sha256: sha256(json) })

interface Shape {
  name: string
  /** The primary key, by which rows are in order; texts by their bytes, whatever language a server sorts in. */
  keys: { name: string; isText: boolean }[]
  /** Tables whose rows must be there before. */
  needs: string[]
  /** The column that counts by itself, if any. */
  counts: string | null
}

/** The schema of PostgreSQL that tables lie in: the record, or who gets in, which is no part of it. */
type Room = 'public' | 'access'

/** The tables of the record, each after those that its rows speak of. */
async function shapes(db: Connection, room: Room): Promise<Shape[]> {
  const { rows } = await db.execute<{ json: string }>(sql`
    select coalesce(json_agg(t order by t.name), '[]')::text as json from (
      select c.relname as name,
        (select coalesce(json_agg(json_build_object('name', a.attname, 'isText', a.attcollation <> 0) order by array_position(i.indkey::int2[], a.attnum)), '[]')
          from pg_index i join pg_attribute a on a.attrelid = c.oid and a.attnum = any(i.indkey)
          where i.indrelid = c.oid and i.indisprimary) as keys,
        (select coalesce(json_agg(distinct f.relname), '[]') from pg_constraint k join pg_class f on f.oid = k.confrelid
          where k.conrelid = c.oid and k.contype = 'f' and f.oid <> c.oid) as needs,
        (select a.attname from pg_attribute a where a.attrelid = c.oid and a.attidentity <> '' limit 1) as counts
      from pg_class c where c.relkind = 'r' and c.relnamespace = ${room}::regnamespace
    ) t`)
  const open = JSON.parse(rows[0]!.json) as Shape[]
  const ordered: Shape[] = []
  while (open.length) {
    const at = open.findIndex(({ needs }) =>
      needs.every((name) => ordered.some((done) => done.name === name)),
    )
    if (at === -1) throw new Error('tables that need one another')
    ordered.push(...open.splice(at, 1))
  }
  return ordered
}

/**
 * Every table of the record, each after those that its rows speak of, all as of one moment.
 *
 * @param db a transaction, or a database that nobody writes to
 */
export async function readTables(db: Connection, room: Room = 'public'): Promise<Table[]> {
  const tables: Table[] = []
  await db.execute(sql`set local timezone = 'UTC'`)
  for (const { name, keys } of await shapes(db, room)) {
    const order = sql.join(
      keys.map(({ name: key, isText }) =>
        isText ? sql`t.${sql.identifier(key)} collate "C"` : sql`t.${sql.identifier(key)}`,
      ),
      sql`, `,
    )
    const { rows } = await db.execute<{ rows: number; json: string }>(sql`
      select count(*)::int as rows, coalesce(json_agg(t order by ${order}), '[]')::text as json
      from ${sql.identifier(room)}.${sql.identifier(name)} t`)
    tables.push({ name, ...rows[0]! })
  }
  return tables
}

/** Takes every row of the record away, within a transaction that puts others in their place. */
export async function emptyTables(db: Connection): Promise<void> {
  const names = (await shapes(db, 'public')).map(({ name }) => sql`public.${sql.identifier(name)}`)
  await db.execute(sql`truncate ${sql.join(names, sql`, `)}`)
}

/**
 * Puts the rows of a record into a database that has its tables and no rows.
 *
 * @param rowsOf the rows of a table, as JSON; undefined where the record has none
 */
export async function writeTables(
  db: Connection,
  rowsOf: (name: string) => string | undefined,
  room: Room = 'public',
): Promise<void> {
  await db.execute(sql`set local timezone = 'UTC'`)
  const all = await shapes(db, room)
  const named = (name: string) => sql`${sql.identifier(room)}.${sql.identifier(name)}`
  const triggers = async (state: 'disable' | 'enable') => {
    for (const { name } of all)
      await db.execute(sql`alter table ${named(name)} ${sql.raw(state)} trigger user`)
  }
  // What they would make of each row is among the rows already.
  await triggers('disable')
  for (const { name, counts } of all) {
    const json = rowsOf(name)
    if (json === undefined) continue
    const table = named(name)
    await db.execute(
      sql`insert into ${table} overriding system value select * from json_populate_recordset(null::${table}, ${json}::json)`,
    )
    if (counts === null) continue
    const column = sql.identifier(counts)
    // What is added from now on comes after what was there.
    await db.execute(sql`select setval(pg_get_serial_sequence(${`${room}.${name}`}, ${counts}),
      (select coalesce(max(${column}), 0) + 1 from ${table}), false)`)
  }
  await triggers('enable')
}

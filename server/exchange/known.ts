import { sql } from 'drizzle-orm'
import type { KnownPerson } from '#core'
import type { Connection } from '../database/driver'
import { jsonOf, rowsOf } from '../database/json'

/** Clients and testers on record, whom people of a file may be. */
export const listKnown = (
  db: Connection,
): Promise<{ known: KnownPerson[]; testers: { id: string; name: string }[] }> =>
  jsonOf(
    db,
    sql`json_build_object(
      'known', ${rowsOf(
        sql`c.id, c.name, c.sex, c.birth_date as "birthDate", c.birth_year as "birthYear"`,
        sql`from clients c`,
        sql`c.name, c.id`,
      )},
      'testers', ${rowsOf(
        sql`p.id, p.name`,
        sql`from people p where p.retired_at is null`,
        sql`p.created_at, p.id`,
      )})`,
  )

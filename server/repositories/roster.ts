import { sql } from 'drizzle-orm'
import { LATE_AFTER_DAYS, type IsoDate, type Sex } from '#core'
import { ROSTER_PAGE, type Roster, type RosterEntry, type RosterQuery } from '#shared/roster'
import type { Database } from '../database/open'
import { dueOnOf, LAST, LAST_OF_EACH } from './clients'

interface RosterRow extends Record<string, unknown> {
  id: string
  name: string
  sex: Sex
  birth_date: string
  cadence_days: number
  last_on: string | null
  due_on: string | null
  check_ins: number
  state: RosterEntry['state']
  total: number
}

/** Signs that mean something to LIKE, taken as they are. */
const plain = (text: string) => text.replace(/[\\%_]/g, (sign) => `\\${sign}`)

const ORDERS = {
  name: sql`name`,
  due: sql`due_on`,
  last: sql`last_on`,
}

/** What a client's line is made of, for the clients that a query calls c. */
const LINE = sql`
  c.id, c.name, c.sex, to_char(c.birth_date, 'YYYY-MM-DD') as birth_date, c.cadence_days,
  to_char(${LAST}, 'YYYY-MM-DD') as last_on, to_char(${dueOnOf(LAST)}, 'YYYY-MM-DD') as due_on`
const stateOn = (today: IsoDate) => sql`
  case
    when c.archived_at is not null then 'archived'
    when exists (select 1 from check_ins o where o.client_id = c.id and o.closed_at is null
      and o.voided_at is null and not o.from_paper) then 'under way'
    when ${LAST} is null then 'first'
    when ${dueOnOf(LAST)} + ${LATE_AFTER_DAYS}::int <= ${today}::date then 'late'
    when ${dueOnOf(LAST)} <= ${today}::date then 'due'
    else 'coming' end`

/**
 * A page of the roster: searched, filtered and sorted by the database, so that it is as quick with two thousand
 * clients as with twenty. By name the page is cut first, and only its clients' check-ins are looked at.
 */
export async function findRoster(
  db: Database,
  { search, state, sort, descending, page }: RosterQuery,
  today: IsoDate,
): Promise<Roster> {
  const clients = sql`
    select * from clients
    where name ilike ${`%${plain(search)}%`} and (archived_at is not null) = ${state === 'archived'}`
  const cut = sql`limit ${ROSTER_PAGE} offset ${(page - 1) * ROSTER_PAGE}`
  const order = sql`${ORDERS[sort]} ${descending ? sql`desc` : sql`asc`} nulls last, name, id`
  const checkIns = sql`
    (select count(*)::int from check_ins n where n.client_id = p.id and n.closed_at is not null
      and n.voided_at is null) as check_ins`
  // By name the page is cut before any check-in is looked at; by a date, or in a state, after.
  const early = sort === 'name' && !state
  const counted = sql`count(*) over ()::int as total`
  const { rows } = await db.execute<RosterRow>(sql`
    select p.*, ${checkIns}
    from (
      select ${LINE}, ${stateOn(today)} as state, ${early ? sql`c.total` : counted}
      from (${early ? sql`select f.*, ${counted} from (${clients}) f order by ${order} ${cut}` : clients}) c
      ${LAST_OF_EACH}
      where ${state ? sql`${stateOn(today)} = ${state}` : sql`true`}
      ${early ? sql`` : sql`order by ${order} ${cut}`}) p
    order by ${order}`)
  // A page past the last, as after a search that finds less: the first.
  if (rows.length === 0 && page > 1) {
    return findRoster(db, { search, state, sort, descending, page: 1 }, today)
  }
  return {
    page,
    total: rows[0]?.total ?? 0,
    entries: rows.map((row) => ({
      client: {
        ...{ id: row.id, name: row.name, sex: row.sex },
        ...{ birthDate: row.birth_date, cadenceDays: row.cadence_days },
      },
      lastMeasuredOn: row.last_on,
      dueOn: row.due_on,
      checkIns: row.check_ins,
      state: row.state,
    })),
  }
}

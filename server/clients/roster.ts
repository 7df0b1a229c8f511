import { sql } from 'drizzle-orm'
import { NO_LETTER_OF_A_NAME, plainName, STROKED, type IsoDate } from '#core'
import { ROSTER_PAGE } from '#shared/contract/choices'
import type { Roster, RosterEntry, RosterQuery } from '#shared/contract/roster'
import type { Connection } from '../database/driver'
import { jsonOf } from '../database/json'
import { ofCoach, stateOn } from './queries'

/** Signs that mean something to LIKE, taken as they are. */
const plain = (text: string) => text.replace(/[\\%_]/g, (sign) => `\\${sign}`)

/** A name as plainName() of the core has it. */
const PLAIN_NAME = sql`translate(regexp_replace(regexp_replace(normalize(lower(name), NFD),
  ${NO_LETTER_OF_A_NAME}, '', 'g'), '[[:space:]-]+', ' ', 'g'), ${STROKED.from}, ${STROKED.to})`

/**
 * True of a client c whose name has each word of the search in it, in any order; or whose contact details, tags or session
 * notes have the search as it stands.
 */
function isFound(search: string) {
  const named = sql.join(
    plainName(search)
      .split(' ')
      .map((word) => sql`${PLAIN_NAME} like ${`%${plain(word)}%`}`),
    sql` and `,
  )
  const words = `%${plain(search.trim())}%`
  return sql`(${named}
    or exists (select from client_tags t where t.client_id = c.id and t.tag ilike ${words})
    or exists (select from client_details d where d.client_id = c.id
      and concat_ws(' ', d.email, d.phone, d.goal) ilike ${words})
    or exists (select from session_notes n where n.client_id = c.id and n.removed_at is null and n.words ilike ${words}))`
}

const ORDERS = {
  name: sql`name`,
  due: sql`due_on`,
  last: sql`last_on`,
}

/** The state of a client's line: archived and under way come before what is due. */
const lineStateOn = (today: IsoDate) => sql`
  case
    when c.archived_at is not null then 'archived'
    when exists (select 1 from check_ins o where o.client_id = c.id and o.closed_at is null
      and o.voided_at is null and not o.from_paper) then 'under way'
    else ${stateOn(today)} end`

/**
 * A page of the roster: searched, filtered and sorted by the database, so that it is as quick with two thousand
 * clients as with twenty. By name the page is cut first, and only its clients' check-ins are looked at.
 */
export async function findRoster(
  db: Connection,
  { search, state, says, tag, sort, descending, page }: RosterQuery,
  today: IsoDate,
  coach?: string,
): Promise<Roster> {
  const clients = sql`
    select c.* from clients c
    where ${ofCoach(coach)} and ${search.trim() ? isFound(search) : sql`true`}
      and ${tag ? sql`exists (select from client_tags t where t.client_id = c.id and t.tag = ${tag})` : sql`true`}
      and (archived_at is not null) = ${state === 'archived'}`
  const cut = sql`limit ${ROSTER_PAGE} offset ${(page - 1) * ROSTER_PAGE}`
  const way = descending ? sql`desc` : sql`asc`
  // By what it says: what is to be looked at before what is worth telling, the most pressing first.
  const order =
    sort === 'says'
      ? sql`kind ${way} nulls last, rank ${way} nulls last, name, id`
      : sql`${ORDERS[sort]} ${way} nulls last, name, id`
  // By name the page is cut before any check-in is looked at; by a date, or in a state, after.
  const early = sort === 'name' && !state && !says
  const counted = sql`count(*) over ()::int as total`
  const found = await jsonOf<{
    entries: RosterEntry[] | null
    total: number | null
    tags: string[]
  }>(
    db,
    sql`select json_build_object('total', max(p.total), 'tags', (
        select coalesce(json_agg(distinct t.tag order by t.tag), '[]') from client_tags t join clients c on c.id = t.client_id
        where ${ofCoach(coach)}), 'entries', json_agg(json_build_object(
      'client', json_build_object('id', p.id, 'name', p.name, 'sex', p.sex, 'birthDate', p.birth_date, 'birthYear', p.birth_year, 'cadenceDays', p.cadence_days),
      'lastMeasuredOn', p.last_on, 'dueOn', p.due_on, 'state', p.state, 'said', p.said, 'tags', (
        select coalesce(json_agg(t.tag order by t.tag), '[]') from client_tags t where t.client_id = p.id), 'checkIns', (
        select count(*)::int from check_ins n where n.client_id = p.id and n.closed_at is not null
          and n.voided_at is null)) order by ${order}))
    from (
      select c.id, c.name, c.sex, c.birth_date, c.birth_year, c.cadence_days, s.last_on, s.due_on, ${lineStateOn(today)} as state,
        v.said, v.kind, v.rank, ${early ? sql`c.total` : counted}
      from (${early ? sql`select f.*, ${counted} from (${clients}) f order by ${order} ${cut}` : clients}) c
      join client_standings s on s.client_id = c.id
      left join client_verdicts v on v.client_id = c.id and v.seen = v.changes
      where ${state ? sql`${lineStateOn(today)} = ${state}` : sql`true`}
        and ${says ? sql`v.kind = ${says}` : sql`true`}
      ${early ? sql`` : sql`order by ${order} ${cut}`}) p`,
  )
  // A page past the last, as after a search that finds less: the first.
  if (!found.entries && page > 1) {
    return findRoster(db, { search, state, says, tag, sort, descending, page: 1 }, today, coach)
  }
  return { page, total: found.total ?? 0, entries: found.entries ?? [], tags: found.tags }
}

import { sql, type SQL } from 'drizzle-orm'
import { addDays, LATE_AFTER_DAYS, LOOK_AT, type IsoDate } from '#core'
import type { Today, TodayItem } from '#shared/contract/today'
import { backupConcern } from '../archive/desk'
import { ofCoach, stateOn } from '../clients/queries'
import { folderOf, type Database } from '../database/driver'
import { iso, jsonOf } from '../database/json'
import { doubtsOf, instrumentsToCheck, type TakenWith } from '../equipment/doubts'
import { listInstruments } from '../equipment/queries'
import { judgeRest, judgeWaiting } from '../verdicts/keep'

/** How much of each list is shown: Today is one screen. */
const SHOWN = { look: 5, tell: 3, measure: 8, week: 5 }
/** Weigh-ins that came in so many days ago are news. */
const NEWS_DAYS = 7
const COMING_DAYS = 7
/** What a page waits for records to be judged; what is left is judged after it. */
const BUDGET_MS = 400

/** When a day of this machine begins. */
const dayBegins = (day: IsoDate) => new Date(`${day}T00:00`).toISOString()

/** Everybody who is not archived, with where they stand. */
const everybody = (today: IsoDate, coach?: string) => sql`
  select c.id, c.name, c.sex, c.birth_date, c.birth_year, c.cadence_days, s.last_on, s.due_on,
    ${today}::date - s.due_on as days_past, ${stateOn(today)} as state,
    o.id as open_id, o.started_at as open_since,
    (select min(a.starts_at) from appointments a where a.client_id = c.id and a.cancelled_at is null
      and a.starts_at >= ${dayBegins(today)}::timestamptz and a.starts_at < ${dayBegins(addDays(today, 1))}::timestamptz) as comes_at,
    exists (select from client_details d where d.client_id = c.id and d.asks is not null) as is_remote
  from clients c join client_standings s on s.client_id = c.id
    left join check_ins o on o.client_id = c.id and o.closed_at is null and o.voided_at is null and not o.from_paper
  where c.archived_at is null and ${ofCoach(coach)}`

const ENTRY = sql`json_build_object(
  'client', json_build_object('id', e.id, 'name', e.name, 'sex', e.sex, 'birthDate', e.birth_date, 'birthYear', e.birth_year, 'cadenceDays', e.cadence_days),
  'lastMeasuredOn', e.last_on, 'dueOn', e.due_on, 'state', e.state, 'daysPast', e.days_past,
  'comesAt', ${iso(sql`e.comes_at`)},
  'open', case when e.open_id is null then null else json_build_object('id', e.open_id, 'startedAt', ${iso(sql`e.open_since`)},
    'readings', (select count(*) from readings_in_force r where r.check_in_id = e.open_id)) end)`

/** The first of some of everybody, and how many there are in all. */
const entriesOf = (where: SQL, order: SQL, shown: number) => sql`json_build_object(
  'all', (select count(*)::int from everybody e where ${where}),
  'shown', coalesce((select json_agg(${ENTRY} order by ${order}) from (
    select * from everybody e where ${where} order by ${order} limit ${shown}) e), '[]'))`

const rankOf = (item: (typeof LOOK_AT)[number]) => sql.raw(String(LOOK_AT.indexOf(item)))

/**
 * What there is to look at and to tell: what the records say, check-ins missed twice over, and weigh-ins that came in;
 * without what the coach is done with. Of several things about one client the most pressing.
 */
const itemsOn = (today: IsoDate) => sql`
  select distinct on (f.kind, f.client_id) f.* from (
    select v.client_id, v.kind, v.item, v.rank, v.about, true as of_record, null::json as report
      from client_verdicts v where v.kind is not null and v.seen = v.changes
    union all
    select e.id, 'look', 'missed-twice', ${rankOf('missed-twice')}, 'missed-twice ' || e.due_on, false, null
      from everybody e where e.last_on is not null and e.open_id is null
        and e.days_past >= greatest(e.cadence_days, ${LATE_AFTER_DAYS + 1})
    union all
    select r.client_id, 'look', 'weekly-report', ${rankOf('weekly-report')}, 'weekly-report ' || r.id || ' ' || jsonb_array_length(r.talk),
        false, null
      from weekly_reports r where r.state = 'waiting' and r.talk->-1->>'by' is distinct from 'coach'
    union all
    select n.client_id, 'look', 'report', ${rankOf('report')}, 'report ' || n.last, false,
        json_build_object('days', n.days, 'meanKg', (
          select avg(k.kg) from (select distinct on (w.date) w.kg from weigh_ins w
            where w.client_id = n.client_id and w.date > n.newest - 7 order by w.date, w.position desc) k))
      from (select w.client_id, max(w.position) as last, count(distinct w.date)::int as days, max(w.date) as newest
        from weigh_ins w where w.stored_at >= ${today}::date - ${NEWS_DAYS}::int and w.kg is not null
          and w.report_id is null
        group by w.client_id having count(distinct w.date) > 1) n
  ) f
  where not exists (select from today_done d where d.client_id = f.client_id and d.about = f.about)
  order by f.kind, f.client_id, f.rank`

const ITEM = sql`json_build_object(
  'client', json_build_object('id', e.id, 'name', e.name,
    'hasPlan', exists (select from plans p where p.client_id = e.id and p.replaced_at is null)),
  'item', i.item, 'about', i.about, 'said', case when i.of_record then (select v.said from client_verdicts v where v.client_id = e.id) end, 'report', i.report, 'daysPast', e.days_past,
  'newest', (select json_build_object('id', k.id, 'measuredOn', k.measured_on, 'instrumentIds', (
      select coalesce(json_agg(distinct r.instrument_id), '[]') from readings_in_force r where r.check_in_id = k.id))
    from check_ins k where k.client_id = e.id and k.closed_at is not null and k.voided_at is null
    order by k.measured_on desc, k.started_at desc limit 1))`

const itemsOf = (kind: 'look' | 'tell', shown: number) => sql`json_build_object(
  'all', (select count(*)::int from items i join everybody e on e.id = i.client_id where i.kind = ${kind}),
  'shown', coalesce((select json_agg(${ITEM} order by i.rank, e.name) from (
    select i.* from items i join everybody e on e.id = i.client_id where i.kind = ${kind}
    order by i.rank, e.name limit ${shown}) i join everybody e on e.id = i.client_id), '[]'))`

/** Items as they are found: each with the newest check-in of its client. */
interface FoundItems extends Omit<Today['look'], 'shown'> {
  shown: (Omit<TodayItem, 'checkInId' | 'inDoubt'> & {
    newest: (TakenWith & { id: string }) | null
  })[]
}
interface FoundToday extends Pick<Today, 'empty' | 'clients' | 'measure' | 'week' | 'rest'> {
  look: FoundItems
  tell: FoundItems
}

/**
 * What today asks of the coach: as short with two thousand clients as with ten.
 *
 * @param coach whose clients alone are shown
 * @param keeps whether the one who asks has the backups to look after
 */
export async function findToday(
  db: Database,
  today: IsoDate,
  { coach, keeps = true }: { coach?: string; keeps?: boolean } = {},
): Promise<Today> {
  const pending = await judgeWaiting(db, BUDGET_MS)
  void judgeRest(db, pending)
  const all = await listInstruments(db)
  const { look, tell, ...found } = await jsonOf<FoundToday>(
    db,
    sql`with everybody as materialized (${everybody(today, coach)}),
      items as materialized (${itemsOn(today)})
      select json_build_object('empty', not exists (select from clients), 'clients', (select count(*)::int from everybody),
        'look', ${itemsOf('look', SHOWN.look)},
        'tell', ${itemsOf('tell', SHOWN.tell)},
        'measure', ${entriesOf(
          // Who measures themselves each week is not waited for to be measured a first time.
          sql`e.open_id is not null or e.comes_at is not null or e.state in ('late', 'due')
            or (e.state = 'first' and not e.is_remote)`,
          sql`e.open_id is null, e.comes_at nulls last, e.state = 'first', e.days_past desc nulls last, e.name`,
          SHOWN.measure,
        )},
        'week', ${entriesOf(
          sql`e.open_id is null and e.comes_at is null and e.state = 'coming' and e.days_past >= ${-COMING_DAYS}::int`,
          sql`e.due_on, e.name`,
          SHOWN.week,
        )}, 'rest', (select count(*)::int from everybody e where e.open_id is null and e.state = 'coming'
          and e.days_past < ${-COMING_DAYS}::int and e.id not in (select i.client_id from items i)))`,
  )
  const marked = ({ shown, ...items }: FoundItems): Today['look'] => ({
    ...items,
    shown: shown.map(({ newest, ...item }) => ({
      ...item,
      checkInId: newest?.id ?? null,
      inDoubt: newest !== null && doubtsOf(all, newest).length > 0,
    })),
  })
  const backups = keeps ? backupConcern(folderOf(db)) : null
  const instruments = instrumentsToCheck(all, today)
  return {
    ...{ today, pending, backups, instruments, ...found },
    ...{ look: marked(look), tell: marked(tell) },
  }
}

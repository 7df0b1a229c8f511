import { randomUUID } from 'node:crypto'
import { randomLcg, randomNormal, randomUniform } from 'd3-random'
import { sql } from 'drizzle-orm'
import { addDays, SEVEN_FOLDS, type IsoDate } from '../core/index'
import type { Database } from '../server/database/driver'
import { clients, heights } from '../server/database/schema'
import { findSettings } from '../server/equipment/queries'

const FIRST = [
  'Ada',
  'Ben',
  'Cleo',
  'Dirk',
  'Elke',
  'Finn',
  'Greta',
  'Hal',
  'Ida',
  'Jon',
  'Kim',
  'Lev',
]
const LAST = ['Ashby', 'Brook', 'Croft', 'Dale', 'Elmore', 'Fenn', 'Garth', 'Heath', 'Ings', 'Lock']
const CHUNK = 50

/**
 * Fills a database with many made-up clients, each with weekly check-ins of seven double folds and a mass, for looking
 * at lists that are long. Readings are made by the database itself, or it would take an hour.
 *
 * @param count clients
 * @param visits check-ins of each
 * @param say told after every chunk how many clients are in
 */
export async function fillWithMany(
  db: Database,
  count: number,
  visits: number,
  today: IsoDate,
  say: (done: number) => void = () => {},
): Promise<void> {
  const source = randomLcg(0.73)
  const normal = randomNormal.source(source)(0, 1)
  const uniform = randomUniform.source(source)(0, 1)
  const { testerId, caliperId, scaleId } = await findSettings(db)
  for (let done = 0; done < count; done += CHUNK) {
    const batch = Array.from({ length: Math.min(CHUNK, count - done) }, (_, i) => {
      const n = done + i
      const name = `${FIRST[n % FIRST.length]} ${LAST[Math.floor(n / FIRST.length) % LAST.length]} ${n + 1}`
      const sex = n % 2 ? ('male' as const) : ('female' as const)
      return { id: randomUUID(), name, sex, lastDaysAgo: Math.floor(uniform() * 60) }
    })
    await db.insert(clients).values(
      batch.map(({ id, name, sex }) => ({
        ...{ id, name, sex, cadenceDays: 28 },
        birthDate: addDays(today, -Math.round(365.25 * (20 + uniform() * 40))),
      })),
    )
    await db.insert(heights).values(
      batch.map(({ id, sex }) => ({
        ...{ id: randomUUID(), clientId: id, takenOn: '2020-01-01' },
        ...{ typedUnit: 'cm' as const, typedText: '170' },
        valueCm: (sex === 'male' ? 180 : 167) + 6 * normal(),
      })),
    )
    const ids = JSON.stringify(batch)
    await db.execute(sql`
      insert into check_ins (id, client_id, tester_id, caliper_id, scale_id, protocol_id, conversion, measured_on,
        started_at, closed_at)
      select gen_random_uuid(), c.id, ${testerId}::uuid, ${caliperId}::uuid, ${scaleId}::uuid, 'seven-fold', 'siri', d.day,
        d.day + time '08:00', d.day + time '08:15'
      from jsonb_to_recordset(${ids}::jsonb) as c(id uuid, "lastDaysAgo" int)
      cross join generate_series(0, ${visits - 1}::int) v
      cross join lateral (select (${today}::date - c."lastDaysAgo" - 7 * v)::date as day) d`)
    await db.execute(sql`
      insert into readings (id, check_in_id, kind, site, standard, trial, value_canonical, typed_unit, typed_text, tester_id, instrument_id, taken_at)
      select gen_random_uuid(), k.id, r.kind, r.site, r.standard, r.trial, r.value, r.unit, r.value::text, k.tester_id,
        case r.kind when 'mass' then k.scale_id else k.caliper_id end, k.started_at + r.place * interval '20 seconds'
      from check_ins k
      join jsonb_to_recordset(${ids}::jsonb) as c(id uuid) on c.id = k.client_id
      cross join lateral (
        select 'skinfold' as kind, s.site, 'us' as standard, p as trial, 'mm' as unit,
          round((8 + 3 * s.place + 4 * random() + (k.measured_on - ${today}::date) / -100.0)::numeric * 2) / 2 as value,
          (p - 1) * 7 + s.place as place
        from jsonb_array_elements_text(${JSON.stringify(SEVEN_FOLDS)}::jsonb) with ordinality s(site, place)
        cross join generate_series(1, 2) p
        union all select 'mass', null, null, 1, 'kg', round((60 + 15 * random())::numeric, 1), 15) r
      order by k.client_id, k.measured_on, r.place`)
    say(done + batch.length)
  }
  await db.execute(sql`analyze`)
}

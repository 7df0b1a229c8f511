/**
 * `npm run bench -- roster`: 200 and 2,000 clients with 100 check-ins each. The list, a search and a client's page as
 * the server answers them, against the bare SQL of the same rows; and ten times the clients against a tenth.
 */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { isoDateOf } from '../core/index'
import { fillWithMany } from '../demo/many'
import { openDatabase } from '../server/database/driver'
import { listCheckIns } from '../server/check-ins/queries'
import { ensureGym } from '../server/equipment/commands'
import { findRoster } from '../server/clients/roster'
import { medianTime } from './timing'

const VISITS = 100
const migrations = fileURLToPath(new URL('../server/database/migrations', import.meta.url))
const today = isoDateOf(new Date())

async function measure(count: number) {
  const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-roster-'))
  const { db, engine, close } = await openDatabase(join(folder, 'data'), migrations)
  try {
    await ensureGym(db)
    const from = performance.now()
    await fillWithMany(db, count, VISITS, today, (done) => {
      if (done % 500 === 0) console.log(`  ${done} clients in`)
    })
    console.log(`${count} clients loaded in ${((performance.now() - from) / 1000).toFixed(0)} s`)
    const asked = { search: '', sort: 'name', descending: false, page: 1 } as const
    const { entries, total } = await findRoster(db, asked, today)
    if (total !== count || entries.length !== 50) throw new Error('The roster is not whole.')
    const { id } = entries[7]!.client
    const list = await medianTime(() => findRoster(db, asked, today))
    const search = await medianTime(() => findRoster(db, { ...asked, search: 'ashby' }, today))
    // The same columns of the same rows, by the shortest statements that give them.
    const bareOf = (where: string) =>
      `select c.id, c.name, c.sex, c.birth_date, c.cadence_days, l.on_day, (select count(*) from clients ${where}) as total,
        exists (select 1 from check_ins o where o.client_id = c.id and o.closed_at is null) as open,
        (select count(*) from check_ins n where n.client_id = c.id and n.closed_at is not null and n.voided_at is null) as n
      from (select * from clients ${where} order by name limit 50) c
      left join lateral (select k.measured_on as on_day from check_ins k where k.client_id = c.id
        and k.closed_at is not null and k.voided_at is null order by k.measured_on desc limit 1) l on true`
    const bareList = await medianTime(() => engine.query(bareOf('where archived_at is null')))
    const bareSearch = await medianTime(() =>
      engine.query(bareOf("where archived_at is null and name ilike '%ashby%'")),
    )
    const page = await medianTime(() => listCheckIns(db, id))
    const barePage = await medianTime(async () => {
      await engine.query('select * from check_ins where client_id = $1 order by measured_on desc', [
        id,
      ])
      await engine.query(
        `select r.* from readings r join check_ins k on k.id = r.check_in_id where k.client_id = $1
        order by r.position`,
        [id],
      )
    })
    return { list, search, bareList, bareSearch, page, barePage }
  } finally {
    await close()
    rmSync(folder, { recursive: true, force: true })
  }
}

const small = await measure(200)
const large = await measure(2000)
const say = (what: string, ratio: number, asked: string) =>
  console.log(`${what}: ${ratio.toFixed(2)} times (${asked})`)
say('list of 2,000 against the bare SQL', large.list / large.bareList, 'at most 3 is asked for')
say('search in 2,000 against the bare SQL', large.search / large.bareSearch, 'at most 3')
say('a client of 100 check-ins against the bare SQL', large.page / large.barePage, 'at most 3')
say('list, ten times the clients', large.list / small.list, 'at most 10')
say('search, ten times the clients', large.search / small.search, 'at most 10')
say('client page, ten times the clients', large.page / small.page, 'at most 10')
console.log(
  Object.entries(large)
    .map(([name, ms]) => `${name} ${ms.toFixed(1)} ms`)
    .join(', '),
)

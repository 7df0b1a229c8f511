/**
 * `npm run bench -- today [CLIENTS] [postgres]`: 2,000 clients with 30 check-ins each, in a folder or on a PostgreSQL
 * server. Every record judged anew, and then Today as the server finds it, against the bare SQL of the same rows; and once
 * more after one client's record was changed.
 */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { isoDateOf } from '../core/index'
import { fillWithMany } from '../demo/many'
import { openDatabase } from '../server/database/driver'
import { openPostgres } from '../server/database/postgres'
import { ensureGym } from '../server/equipment/commands'
import { findToday } from '../server/today/queries'
import { keepJudging, rebuildVerdicts } from '../server/verdicts/keep'
import { startPostgres } from '../tests/support/postgres'
import { medianTime } from './timing'

const what = process.argv.slice(2)
const CLIENTS = Number(what.find((one) => /^\d+$/.test(one)) ?? 2000)
const VISITS = 30
const migrations = fileURLToPath(new URL('../server/database/migrations', import.meta.url))
const today = isoDateOf(new Date())

/** The rows that Today is made of, by the shortest statement that gives them: everybody's standing, and what is kept. */
const BARE = `select json_agg(t)::text from (
  select c.id, c.name, c.sex, c.birth_date, c.birth_year, c.cadence_days, s.last_on, s.due_on, o.id as open_id, o.started_at,
    v.kind, v.item, v.rank, v.about,
    case when v.kind is not null then v.said end as said
  from clients c join client_standings s on s.client_id = c.id
  left join check_ins o on o.client_id = c.id and o.closed_at is null and o.voided_at is null and not o.from_paper
  left join client_verdicts v on v.client_id = c.id and v.seen = v.changes
  left join lateral (select max(w.position) from weigh_ins w where w.client_id = c.id and w.stored_at > now() - interval '7 days') w on true
  where c.archived_at is null) t`

const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-today-'))
const server = what.includes('postgres') ? await startPostgres() : undefined
const { db, engine, close, analyze } = server
  ? await openPostgres(await server.create('oak'), migrations, undefined)
  : await openDatabase(join(folder, 'data'), migrations)
try {
  await ensureGym(db)
  await fillWithMany(db, CLIENTS, VISITS, today)
  await analyze()
  const from = performance.now()
  const judged = await rebuildVerdicts(db)
  const seconds = (performance.now() - from) / 1000
  console.log(
    `${judged} records of ${VISITS} check-ins judged anew in ${seconds.toFixed(0)} s, ${((1000 * seconds) / judged).toFixed(1)} ms each`,
  )
  await analyze()
  const { look, tell, measure, pending } = await findToday(db, today)
  if (pending > 0) throw new Error('Not everybody is judged.')
  console.log(`${look.all} to look at, ${tell.all} to tell, ${measure.all} to measure`)
  const ours = await medianTime(() => findToday(db, today))
  const bare = await medianTime(() => engine.query(BARE))
  console.log(
    `Today against bare SQL: ${(ours / bare).toFixed(2)} times (at most 1.5), ${ours.toFixed(0)} ms`,
  )
  const { rows } = await engine.query<{ id: string }>('select id from clients limit 1')
  const change = 'update clients set cadence_days = 60 - cadence_days where id = $1'
  const dropped: number[] = []
  for (let round = 0; round < 5; round++) {
    await engine.query(change, [rows[0]!.id])
    const asked = performance.now()
    await findToday(db, today)
    dropped.push(performance.now() - asked)
    await keepJudging(db)
  }
  const once = dropped.sort((a, b) => a - b)[2]!
  console.log(
    `with one record to judge first: ${(once / ours).toFixed(1)} times as long, ${once.toFixed(0)} ms`,
  )
} finally {
  await close()
  await server?.stop()
  rmSync(folder, { recursive: true, force: true })
}

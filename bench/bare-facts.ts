/**
 * A bare HTTP handler that answers with the facts of four routes, each read by one statement that gives them as one
 * text of JSON: the best known way to read rows from PGlite. For `pages` to hold the application against.
 */
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { fileURLToPath } from 'node:url'
import { openDatabase } from '../server/database/driver'

const CHECK_INS = `select c.*, (select json_agg(r order by r.position) from readings r where r.check_in_id = c.id) as readings,
  (select json_agg(s) from check_in_skips s where s.check_in_id = c.id) as skipped,
  (select json_agg(g order by g.position) from check_in_extra_girths g where g.check_in_id = c.id) as girths,
  (select json_object_agg(o.condition, o.value) from check_in_conditions o where o.check_in_id = c.id) as conditions
  from check_ins c`
const WEIGH_INS = `select distinct on (date) date, kg from weigh_ins where client_id = $1 order by date, position desc`
const GYM = `'testers', (select json_agg(p) from people p), 'instruments', (select json_agg(i) from instruments i),
  'pairs', (select json_agg(t) from (
    select a.tester_id, a.site, count(*), sqrt(sum((a.value_canonical - b.value_canonical) ^ 2) / (2 * count(*))) as tem
    from readings_in_force a join check_ins c on c.id = a.check_in_id and c.closed_at is not null and c.voided_at is null
    join readings_in_force b on b.check_in_id = a.check_in_id and b.site = a.site and b.kind = a.kind and b.trial = 2
      and b.tester_id = a.tester_id
    where a.trial = 1 group by 1, 2) t)`

/** One statement a route; $1 is the id in its path. */
const FACTS: [RegExp, string][] = [
  [
    /^\/api\/clients\/([\w-]+)\/record/,
    `select json_build_object('client', (select row_to_json(c) from clients c where c.id = $1),
      'checkIns', (select json_agg(k order by k.measured_on desc) from (${CHECK_INS} where c.client_id = $1 and c.voided_at is null) k),
      'heights', (select json_agg(h) from client_heights h where h.client_id = $1), ${GYM},
      'weighIns', (select json_agg(w) from (${WEIGH_INS}) w),
      'notes', (select json_agg(n) from client_notes n where n.client_id = $1 and n.removed_at is null),
      'plans', (select json_agg(p) from plans p where p.client_id = $1 and p.replaced_at is null))::text as json`,
  ],
  [
    /^\/api\/leaderboards\/([\w-]+)/,
    `select json_build_object('board', (select row_to_json(l) from leaderboards l where l.id = $1), ${GYM},
      'members', (select json_agg(json_build_object('client', x,
        'checkIns', (select json_agg(k) from (${CHECK_INS} join leaderboards l on l.id = $1 where c.client_id = m.client_id
          and c.closed_at is not null and c.voided_at is null and c.measured_on between l.starts_on - 14 and l.ends_on) k),
        'heights', (select json_agg(h) from client_heights h where h.client_id = m.client_id),
        'weighIns', (select json_agg(w) from (${WEIGH_INS.replace('$1', 'm.client_id')}) w)))
        from leaderboard_members m join clients x on x.id = m.client_id where m.leaderboard_id = $1))::text as json`,
  ],
  [
    /^\/api\/today()/,
    `select json_agg(t order by t.name)::text as json from (select c.*, s.*, o.id as open, o.started_at,
      (select count(*) from readings r where r.check_in_id = o.id) as readings
      from clients c join client_standings s on s.client_id = c.id
      left join check_ins o on o.client_id = c.id and o.closed_at is null and o.voided_at is null
      where c.archived_at is null) t`,
  ],
  [
    /^\/api\/clients()$/,
    `select json_agg(t order by t.name)::text as json from (select c.*, s.last_on, s.due_on,
      (select count(*) from check_ins n where n.client_id = c.id and n.closed_at is not null and n.voided_at is null) as n
      from (select * from clients where archived_at is null order by name limit 50) c
      join client_standings s on s.client_id = c.id) t`,
  ],
]

const migrations = fileURLToPath(new URL('../server/database/migrations', import.meta.url))
const { engine, close } = await openDatabase(process.argv[2]!, migrations)

const server = createServer(async (request, response) => {
  for (const [path, statement] of FACTS) {
    const found = path.exec(request.url!)
    if (!found) continue
    const { rows } = await engine.query<{ json: string }>(statement, found[1] ? [found[1]] : [])
    response.setHeader('content-type', 'application/json')
    return response.end(rows[0]!.json)
  }
  response.statusCode = 404
  response.end()
})
server.listen(0, '127.0.0.1', () => console.log((server.address() as AddressInfo).port))
process.on('SIGTERM', async () => {
  server.close()
  await close()
  process.exit(0)
})

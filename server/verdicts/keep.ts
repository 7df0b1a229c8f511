import { sql } from 'drizzle-orm'
import type { OwnErrors } from '#core'
import type { ClientRecord } from '#shared/contract/record'
import { findRecord } from '../clients/queries'
import { type Database, isOpen } from '../database/driver'
import { jsonOf, listOf } from '../database/json'
import { listOwnErrors } from '../equipment/queries'
import { refitGym } from './refit'
import { type Spoken, sayOf } from './say'
import { letOthersIn } from './slices'

/** Verdicts that are kept in one statement. */
const BATCH = 20

interface Waiting {
  clientId: string
  changes: number
}

/** Clients whose verdict has not seen the last change. */
const waiting = (db: Database, limit: number): Promise<Waiting[]> =>
  jsonOf(
    db,
    listOf(
      sql`json_build_object('clientId', w.client_id, 'changes', w.changes)`,
      sql`from (select v.client_id, v.changes from client_verdicts v
        where v.seen is distinct from v.changes limit ${limit}) w`,
      sql`w.client_id`,
    ),
  )

/** One record that cannot be judged holds up nobody else's. */
function spokenOr(clientId: string, record: ClientRecord): Spoken | undefined {
  try {
    return sayOf(record)
  } catch (error) {
    console.error(`Oak Pinch cannot judge the record of ${clientId}:`, error)
    return undefined
  }
}

/**
 * Judges records whose verdict has not seen the last change, and keeps what was said.
 *
 * @param budgetMs after which no other record is begun
 * @param known the testers' own errors, where they were asked for already: asking costs a walk through all readings
 * @returns how many are still to be judged
 */
export async function judgeWaiting(
  db: Database,
  budgetMs: number,
  known?: Record<string, OwnErrors>,
): Promise<number> {
  const until = performance.now() + budgetMs
  let ownErrors = known
  for (;;) {
    const batch = await waiting(db, BATCH)
    if (batch.length === 0) return 0
    ownErrors ??= await listOwnErrors(db)
    const rows: unknown[] = []
    for (const { clientId, changes } of batch) {
      if (rows.length > 0 && performance.now() > until) break
      const spoken = spokenOr(clientId, await findRecord(db, clientId, ownErrors))
      const { kind, item, rank, about } = spoken?.attention ?? {}
      rows.push({ clientId, seen: changes, said: spoken?.said, kind, item, rank, about })
    }
    // A verdict of what was changed meanwhile is not kept.
    await db.execute(sql`update client_verdicts v
      set seen = n.seen, said = n.said, kind = n.kind, item = n.item, rank = n.rank, about = n.about
      from json_to_recordset(${JSON.stringify(rows)}::json) as n("clientId" uuid, seen int, said jsonb, kind text, item text,
        rank smallint, about text)
      where v.client_id = n."clientId" and v.changes = n.seen`)
    if (performance.now() > until) return countWaiting(db)
  }
}

/** How many records are not judged as they are now. */
export const countWaiting = (db: Database): Promise<number> =>
  jsonOf(
    db,
    sql`select count(*)::int from client_verdicts v where v.seen is distinct from v.changes`,
  )

/** Two digits of each tester's own error: a smaller change drops nobody's verdict. */
const DIGITS = 2
/** From so many pairs on the tester's own error counts alone. */
const ENOUGH_PAIRS = 20
const roundedErrors = (errors: OwnErrors) =>
  Object.entries(errors)
    .map(
      ([site, own]) =>
        `${site} ${own!.tem.toPrecision(DIGITS)} ${Math.min(own!.pairs, ENOUGH_PAIRS)}`,
    )
    .sort()
    .join(', ')

/**
 * Drops the verdicts of everybody whose tester's own errors are others than when they were said.
 *
 * @returns the testers' own errors
 */
async function dropByErrors(db: Database): Promise<Record<string, OwnErrors>> {
  const seen = await jsonOf<Record<string, string>>(
    db,
    sql`select coalesce(json_object_agg(e.tester_id, e.errors), '{}') from verdict_errors e`,
  )
  const ownErrors = await listOwnErrors(db)
  const changed = Object.entries(ownErrors)
    .map(([testerId, errors]) => ({ testerId, errors: roundedErrors(errors) }))
    .filter(({ testerId, errors }) => seen[testerId] !== errors)
  if (changed.length === 0) return ownErrors
  await db.execute(sql`with changed as (
      insert into verdict_errors (tester_id, errors)
      select n."testerId", n.errors from json_to_recordset(${JSON.stringify(changed)}::json) as n("testerId" uuid, errors text)
      on conflict (tester_id) do update set errors = excluded.errors returning tester_id)
    update client_verdicts v set changes = v.changes + 1
    where exists (select from check_ins c join changed on changed.tester_id = c.tester_id
      where c.client_id = v.client_id and c.closed_at is not null)`)
  return ownErrors
}

/** The testers' own errors that the verdicts were last held against. */
const heldAgainst = new WeakMap<Database, Record<string, OwnErrors>>()

/** One walk through what is to be judged at a time. */
const walking = new WeakMap<Database, Promise<void>>()
const SLICE_MS = 60
const MANY_SLICES = 20

async function walk(db: Database) {
  const ownErrors = await dropByErrors(db)
  await refitGym(db, ownErrors)
  heldAgainst.set(db, ownErrors)
  // In slices, so that whoever asks for a page meanwhile is answered in between.
  let slices = 1
  while ((await judgeWaiting(db, SLICE_MS, ownErrors)) > 0) {
    slices++
    await letOthersIn()
  }
  // Nothing does it by itself in PGlite: what many verdicts were before would be walked through at every look.
  if (slices > MANY_SLICES) await db.execute(sql`vacuum (analyze) client_verdicts`)
}

/**
 * Judges what is still to be judged beside what the server does, where there is any: some wait, or a tester's own errors
 * may be others by now. What goes wrong is said once, and nothing of a database that was closed meanwhile.
 */
export async function judgeRest(db: Database, pending: number): Promise<void> {
  if (walking.has(db)) return
  try {
    if (pending > 0 || heldAgainst.get(db) !== (await listOwnErrors(db))) await keepJudging(db)
  } catch (error) {
    if (isOpen(db)) console.error('Oak Pinch cannot judge records:', error)
  }
}

/** Judges everything that is to be judged, beside what the server does; a walk under way is joined. */
export function keepJudging(db: Database): Promise<void> {
  const under = walking.get(db)
  if (under) return under
  const walk_ = walk(db).finally(() => walking.delete(db))
  walking.set(db, walk_)
  return walk_
}

/** Forgets the gym's own figures and every verdict, and judges all records anew. @returns how many clients there are */
export async function rebuildVerdicts(db: Database): Promise<number> {
  await db.execute(sql`delete from gym_figures`)
  await db.execute(sql`update client_verdicts
    set seen = null, said = null, kind = null, item = null, rank = null, about = null`)
  await keepJudging(db)
  return jsonOf(db, sql`select count(*)::int from client_verdicts`)
}

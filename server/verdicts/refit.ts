import { sql } from 'drizzle-orm'
import {
  GYM_FIGURES,
  REFIT_CHECK_INS,
  REFIT_MOST_PEOPLE,
  REFIT_PEOPLE,
  refitSeries,
  refitting,
  type GymFigures,
  type OwnErrors,
} from '#core'
import { findRecord } from '../clients/queries'
import type { Database } from '../database/driver'
import { jsonOf, listOf } from '../database/json'
import { partsOf } from './say'
import { letOthersIn } from './slices'

/** Only so many more check-ins tell enough more: whoever looks every day should not see other figures every day. */
const GROWN = 1.25
const SLICE_MS = 40

interface Counted {
  clientId: string
  checkIns: number
}

/** Everybody with enough check-ins, those measured last first, and as many as the refit takes. */
const everybody = (db: Database): Promise<Counted[]> =>
  jsonOf(
    db,
    listOf(
      sql`json_build_object('clientId', s.client_id, 'checkIns', s.check_ins)`,
      sql`from (select c.client_id, count(*)::int as check_ins, max(c.measured_on) as last_on from check_ins c
        where c.closed_at is not null and c.voided_at is null group by c.client_id
        having count(*) >= ${REFIT_CHECK_INS} order by last_on desc, c.client_id limit ${REFIT_MOST_PEOPLE}) s`,
      sql`s.last_on desc, s.client_id`,
    ),
  )

/**
 * Reads the gym's own figures off its records where these have become enough, or a quarter more than the last time, and
 * forgets them where they have become too few. Everybody's verdict is dropped where the figures change. In slices, so
 * that whoever asks for a page meanwhile is answered in between.
 */
export async function refitGym(db: Database, ownErrors: Record<string, OwnErrors>): Promise<void> {
  const people = await everybody(db)
  const checkIns = people.reduce((sum, one) => sum + one.checkIns, 0)
  const kept = await jsonOf<{ figures: GymFigures | null; checkIns: number } | null>(
    db,
    sql`(select json_build_object('figures', g.figures, 'checkIns', g.check_ins) from gym_figures g)`,
  )
  const enough = people.length >= REFIT_PEOPLE
  if (enough ? kept && checkIns < GROWN * kept.checkIns : !kept) return
  const series = []
  let from = performance.now()
  const breathe = async () => {
    if (performance.now() - from < SLICE_MS) return
    await letOthersIn()
    from = performance.now()
  }
  for (const { clientId } of enough ? people : []) {
    series.push(refitSeries(partsOf(await findRecord(db, clientId, ownErrors))))
    await breathe()
  }
  const read = series.filter((one) => one !== undefined)
  const work = refitting(read)
  let step = work.next()
  while (!step.done) {
    await breathe()
    step = work.next()
  }
  const figures = step.value
  const own = figures ? sql`${JSON.stringify(figures)}::jsonb` : sql`null`
  await db.execute(
    enough
      ? sql`insert into gym_figures (figures, people, check_ins) values (${own}, ${read.length}, ${checkIns})
          on conflict (id) do update set figures = excluded.figures, people = excluded.people,
            check_ins = excluded.check_ins, fitted_at = now()`
      : sql`delete from gym_figures`,
  )
  if (GYM_FIGURES.some((name) => figures?.[name] !== kept?.figures?.[name])) {
    await db.execute(sql`update client_verdicts set changes = changes + 1`)
  }
}

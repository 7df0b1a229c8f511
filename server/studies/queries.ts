import { sql } from 'drizzle-orm'
import {
  isoDateOf,
  revealedRows,
  say,
  type DatedPair,
  type StudyDesign,
  type StudyTrial,
} from '#core'
import type { StudyHead, StudyView, TesterView } from '#shared/contract/studies'
import type { Connection } from '../database/driver'
import { iso, jsonOf, listOf, rowsOf } from '../database/json'
import { notFound } from '../http/errors'
import { STUDY_TRIALS_IN_FORCE } from './in-force'

const HEAD = sql`json_build_object('id', s.id, 'testerId', s.tester_id, 'referenceId', s.reference_id,
  'begunOn', s.begun_on, 'endedAt', ${iso(sql`s.ended_at`)}, 'sites', s.sites, 'subjects', s.subjects,
  'taken', (select count(distinct (t.subject, t.site, t.tester_id, t.trial)) from study_trials t where t.study_id = s.id),
  'wanted', 2 * jsonb_array_length(s.sites) * jsonb_array_length(s.subjects)
    * (case when s.reference_id is null then 1 else 2 end))`

type Head = Omit<StudyHead, 'endedOn'> & { endedAt: string | null }

/** The day of the end is this computer's, as the days beside it are: the database may be in another zone. */
const headOf = <H extends Head>({ endedAt, ...head }: H) => ({
  ...head,
  endedOn: endedAt === null ? null : isoDateOf(new Date(endedAt)),
})

/** A study with all its readings, as nobody is shown it. */
export interface WholeStudy extends StudyHead, Pick<StudyView, 'standard' | 'order'> {
  /** Of the last reading; of its beginning where there is none. */
  lastOn: string
  /** The caliper that was in use when it began. */
  caliperId: string | null
  design: StudyDesign
  trials: StudyTrial[]
}

/** @throws Refusal 404 where there is none */
export async function wholeStudy(db: Connection, id: string): Promise<WholeStudy> {
  const found = await jsonOf<(Omit<WholeStudy, 'design' | 'endedOn'> & Head) | null>(
    db,
    sql`(select ${HEAD}::jsonb || jsonb_build_object('standard', s.standard, 'order', s.measured_order,
      'caliperId', s.caliper_id,
      'lastOn', coalesce((select max(t.taken_on) from study_trials t where t.study_id = s.id), s.begun_on), 'trials', ${rowsOf(
        sql`t.subject, t.site, t.tester_id as tester, t.trial, t.value_canonical as value`,
        sql`from ${STUDY_TRIALS_IN_FORCE} t where t.study_id = s.id`,
        sql`t.position`,
      )}) from studies s where s.id = ${id})`,
  )
  if (!found) throw notFound(say('api.suchStudy'))
  const { testerId, referenceId, sites, order } = found
  const testers = [testerId, ...(referenceId === null ? [] : [referenceId])]
  return { ...headOf(found), design: { testers, sites, order } }
}

/** A study as anybody may see it: the core says which readings are no longer hidden. */
function shownStudy({ design, trials, caliperId: _, lastOn: _l, ...head }: WholeStudy): StudyView {
  return {
    ...head,
    in: trials.map(({ subject, site, tester, trial }) => ({ subject, site, tester, trial })),
    rows: revealedRows(design, trials).map(({ subjectNumber, site, tester, trials: both }) => ({
      ...{ subject: subjectNumber, site, tester },
      trials: [...both],
    })),
  }
}

export const findStudy = async (db: Connection, id: string): Promise<StudyView> =>
  shownStudy(await wholeStudy(db, id))

/** The latest pairs of a tester that are looked at. */
const LATEST = 6000

/** First and second readings at check-ins, as own errors are made of them (server/equipment/queries.ts). */
const pairsOfCheckIns = (testerId: string) =>
  rowsOf(
    sql`*`,
    sql`from (
      select r.site, min(c.measured_on) as on, max(r.value_canonical) filter (where r.trial = 1) as first,
        max(r.value_canonical) filter (where r.trial = 2) as second, max(r.position) as position
      from readings_in_force r
      join check_ins c on c.id = r.check_in_id and c.closed_at is not null and c.voided_at is null
      where r.tester_id = ${testerId} and r.trial in (1, 2) and r.site is not null
      group by r.check_in_id, r.kind, r.site, r.standard, r.technique
      having count(*) = 2 order by position desc limit ${LATEST}) p`,
    sql`p.position`,
  )

/** How steady a tester is, by everything on record. @throws Refusal 404 */
export async function findTester(db: Connection, id: string): Promise<TesterView> {
  const heads = listOf(
    HEAD,
    sql`from studies s where s.tester_id = ${id} or s.reference_id = ${id}`,
    sql`s.begun_on desc, s.created_at desc`,
  )
  const found = await jsonOf<Omit<TesterView, 'fromStudies' | 'studies'> & { studies: Head[] }>(
    db,
    sql`json_build_object('tester', (select json_build_object('id', p.id, 'name', p.name, 'skill', p.skill,
      'retired', p.retired_at is not null) from people p where p.id = ${id}),
      'fromCheckIns', ${pairsOfCheckIns(id)}, 'studies', ${heads})`,
  )
  if (!found.tester) throw notFound(say('api.suchTester'))
  const studies = found.studies.map(headOf)
  return { ...found, studies, fromStudies: await pairsOfStudies(db, id, studies) }
}

/** First and second readings of a tester that studies no longer hide. */
async function pairsOfStudies(
  db: Connection,
  testerId: string,
  studies: readonly StudyHead[],
): Promise<DatedPair[]> {
  const pairs: DatedPair[] = []
  // The newest stands first.
  for (const { id } of [...studies].reverse()) {
    const { design, trials, begunOn } = await wholeStudy(db, id)
    for (const { tester, site, trials: both } of revealedRows(design, trials)) {
      if (tester === testerId) pairs.push({ site, on: begunOn, first: both[0]!, second: both[1]! })
    }
  }
  return pairs
}

import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import { PROTOCOLS, type IsoDate, type OwnErrors, type OwnProtocol } from '#core'
import type { Gym, Instrument, Settings, Tester } from '#shared/contract/equipment'
import type { Connection } from '../database/driver'
import { jsonOf, listOf } from '../database/json'
import { remembered } from '../database/remembered'
import { instruments, ownProtocols, people, settings } from '../database/schema'
import { STUDY_TRIALS_IN_FORCE } from '../studies/in-force'

/** The gym's defaults, and the people and instruments chosen last. */
export async function findSettings(db: Connection): Promise<Settings> {
  const [row] = await db.select().from(settings)
  if (!row) throw new Error('The settings row is missing.')
  // What coaches see is said with who gets in, reminders with themselves, and a picture is asked for by itself.
  const { id: _, coachesSee: _c, gymLogo: _l, reminders: _r, ...rest } = row
  return rest
}

/** Everybody who measures or has measured, in the order they were added, as JSON. */
export const TESTERS = listOf(
  sql`json_build_object('id', p.id, 'name', p.name, 'skill', p.skill, 'retired', p.retired_at is not null)`,
  sql`from people p`,
  sql`p.created_at, p.id`,
)

const CHECKS = listOf(
  sql`json_build_object('checkedOn', k.checked_on, 'closingForce', k.closing_force, 'points', (
    select coalesce(json_agg(json_build_object('known', o.known, 'read', o.read) order by o.place), '[]')
    from instrument_check_points o where o.check_id = k.id))`,
  sql`from instrument_checks k where k.instrument_id = i.id`,
  sql`k.checked_on desc, k.stored_at desc`,
)

const ZERO = sql`(select json_build_object('on', z.checked_on, 'read', z.read) from zero_checks z
  where z.instrument_id = i.id order by z.stored_at desc limit 1)`

/** Every instrument as JSON, with its checks, newest first, where they are wanted. */
export const instrumentsJson = (withChecks: boolean) =>
  listOf(
    sql`json_build_object('id', i.id, 'kind', i.kind, 'name', i.name, 'graduation', i.graduation, 'jaws', i.jaws,
      'checkEveryDays', i.check_every_days, 'retired', i.retired_at is not null
      ${withChecks ? sql`, 'checks', ${CHECKS}, 'isCorrected', i.is_corrected, 'zero', ${ZERO}` : sql``})`,
    sql`from instruments i`,
    sql`i.created_at, i.id`,
  )

/** Every instrument with its checks, newest first. */
export const listInstruments = (db: Connection): Promise<Instrument[]> =>
  jsonOf(db, instrumentsJson(true))

/** The gym's own figures as JSON, or null. */
export const GYM_FIGURES_JSON = sql`(select g.figures from gym_figures g)`

const OWN_PROTOCOLS = listOf(
  sql`o.definition`,
  sql`from own_protocols o where o.retired_at is null`,
  sql`o.created_at`,
)

/** Everything that is the gym's and not a client's. */
export async function findGym(db: Connection, today: IsoDate): Promise<Gym> {
  const found = await jsonOf<{
    testers: Tester[]
    instruments: Instrument[]
    ownProtocols: OwnProtocol[]
    figures: Gym['figures']
    hasLogo: boolean
  }>(
    db,
    sql`select json_build_object('testers', ${TESTERS}, 'instruments', ${instrumentsJson(true)},
      'ownProtocols', ${OWN_PROTOCOLS}, 'hasLogo', (select s.gym_logo is not null from settings s), 'figures', (select json_build_object('own', g.figures, 'people', g.people,
        'checkIns', g.check_ins, 'fittedOn', g.fitted_at::date) from gym_figures g where g.figures is not null))`,
  )
  return { today, ...found, settings: await findSettings(db) }
}

/** The latest duplicates of each tester that their own error is computed from. */
const LATEST_PAIRS = 3000

/**
 * The testers' own repeat error by site as JSON: TEM = sqrt(sum d² / 2n) of their latest duplicates, first and second
 * trial of one site by one tester in one closed check-in, and of one subject in one study. The core has the same rule
 * (measurement-error/own-errors.ts).
 * The pairs are made by grouping, never by a join of readings with readings, which costs seconds where the database
 * guesses wrongly how many there are.
 */
const OWN_ERRORS = sql`coalesce((
  select json_object_agg(tester_id, sites) from (
    select tester_id, json_object_agg(site, json_build_object('tem', tem, 'pairs', pairs)) as sites
    from (
      select tester_id, site, count(*)::int as pairs, sqrt(sum(d * d) / (2 * count(*)))::float8 as tem
      from (
        select t.tester_id, t.site, max(t.value_canonical) filter (where t.trial = 1)
          - max(t.value_canonical) filter (where t.trial = 2) as d
        from people p
        cross join (values (1), (2)) as n(trial)
        cross join lateral (
          select r.* from readings_in_force r
          join check_ins c on c.id = r.check_in_id and c.closed_at is not null and c.voided_at is null
          where r.tester_id = p.id and r.trial = n.trial and r.site is not null
          order by r.position desc
          limit ${LATEST_PAIRS}) t
        group by t.tester_id, t.check_in_id, t.kind, t.site, t.standard, t.technique
        having count(*) = 2
        union all
        select t.tester_id, t.site, max(t.value_canonical) filter (where t.trial = 1)
          - max(t.value_canonical) filter (where t.trial = 2) as d
        from ${STUDY_TRIALS_IN_FORCE} t
        group by t.tester_id, t.study_id, t.subject, t.site
        having count(*) = 2) duplicates
      group by tester_id, site) by_site
    group by tester_id) by_tester), '{}')`

export const listOwnErrors = (db: Connection): Promise<Record<string, OwnErrors>> =>
  remembered(db, 'own errors', () => jsonOf(db, OWN_ERRORS))

/**
 * A protocol by its id, as a check-in keeps it.
 *
 * @returns undefined where there is none; the definition is null for the named protocols
 */
export async function findProtocol(
  db: Connection,
  protocolId: string,
): Promise<{ protocolId: string; ownProtocol: OwnProtocol | null } | undefined> {
  if (PROTOCOLS.some(({ id }) => id === protocolId)) return { protocolId, ownProtocol: null }
  const [own] = await db
    .select()
    .from(ownProtocols)
    .where(and(eq(ownProtocols.id, protocolId), isNull(ownProtocols.retiredAt)))
    .orderBy(asc(ownProtocols.createdAt))
  return own && { protocolId, ownProtocol: own.definition }
}

/** Ids of who measures and with what. */
export interface EquipmentIds {
  testerId?: string | null
  caliperId?: string | null
  tapeId?: string | null
  boneCaliperId?: string | null
  scaleId?: string | null
}

/** True when everybody and everything named is on record, each instrument of its kind. */
export async function equipmentExists(db: Connection, ids: EquipmentIds): Promise<boolean> {
  const { testerId, caliperId, tapeId, boneCaliperId, scaleId } = ids
  const named = [
    ['caliper', caliperId],
    ['tape', tapeId],
    ['bone-caliper', boneCaliperId],
    ['scale', scaleId],
  ] as const
  for (const [kind, id] of named) {
    if (!id) continue
    const found = await db
      .select({ id: instruments.id })
      .from(instruments)
      .where(and(eq(instruments.id, id), eq(instruments.kind, kind)))
    if (found.length === 0) return false
  }
  if (!testerId) return true
  const found = await db.select({ id: people.id }).from(people).where(eq(people.id, testerId))
  return found.length > 0
}

import { randomUUID } from 'node:crypto'
import { and, asc, desc, eq, inArray, isNull, sql } from 'drizzle-orm'
import {
  PROTOCOLS,
  type MeasurementSetup,
  type IsoDate,
  type OwnErrors,
  type OwnProtocol,
  type SiteId,
} from '#core'
import {
  measurementSetupOf,
  type Tester,
  type TesterForm,
  type Gym,
  type Instrument,
  type InstrumentCheck,
  type InstrumentForm,
  type Settings,
  type SettingsChange,
} from '#shared/gym'
import type { Connection, Database } from '../database/open'
import { testers, instrumentChecks, instruments, ownProtocols, settings } from '../database/schema'

/** Ids of what every gym starts with, fixed so that starting twice adds nothing. */
const FIRST_TESTER = '0a4c0000-0000-4000-8000-000000000001'
const FIRST_CALIPER = '0a4c0000-0000-4000-8000-000000000002'
const FIRST_SCALE = '0a4c0000-0000-4000-8000-000000000003'
const FIRST_TAPE = '0a4c0000-0000-4000-8000-000000000004'
const ONE_ROW = 1

/** Puts in the coach, the instruments and the settings that an empty data folder needs before the first check-in. */
export async function ensureGym(db: Database): Promise<void> {
  await db.insert(testers).values({ id: FIRST_TESTER, name: 'Tester' }).onConflictDoNothing()
  await db
    .insert(instruments)
    .values([
      { id: FIRST_CALIPER, kind: 'caliper', name: 'Caliper', graduation: 0.5, jaws: 'spring' },
      { id: FIRST_SCALE, kind: 'scale', name: 'Scale', graduation: 0.1 },
      { id: FIRST_TAPE, kind: 'tape', name: 'Tape', graduation: 0.1, checkEveryDays: 365 },
    ])
    .onConflictDoNothing()
  await db
    .insert(settings)
    .values({
      id: ONE_ROW,
      testerId: FIRST_TESTER,
      caliperId: FIRST_CALIPER,
      tapeId: FIRST_TAPE,
      scaleId: FIRST_SCALE,
    })
    .onConflictDoNothing()
}

/** The gym's defaults, and the people and instruments chosen last. */
export async function findSettings(db: Connection): Promise<Settings> {
  const [row] = await db.select().from(settings)
  if (!row) throw new Error('The settings row is missing.')
  const { id: _, ...rest } = row
  return rest
}

/** Changes the gym's defaults or what is in use. */
export async function changeSettings(db: Database, change: SettingsChange): Promise<void> {
  if (Object.keys(change).length > 0) {
    await db.update(settings).set(change).where(eq(settings.id, ONE_ROW))
  }
}

/** Everybody who measures or has measured, in the order they were added. */
export async function listTesters(db: Database): Promise<Tester[]> {
  const rows = await db.select().from(testers).orderBy(asc(testers.createdAt), asc(testers.id))
  return rows.map(({ id, name, skill, retiredAt }) => ({
    id,
    name,
    skill,
    retired: retiredAt !== null,
  }))
}

/** Every instrument with its checks, newest first. */
export async function listInstruments(db: Database): Promise<Instrument[]> {
  const rows = await db
    .select()
    .from(instruments)
    .orderBy(asc(instruments.createdAt), asc(instruments.id))
  const checks = await db
    .select()
    .from(instrumentChecks)
    .orderBy(desc(instrumentChecks.checkedOn), desc(instrumentChecks.storedAt))
  return rows.map(({ id, kind, name, graduation, jaws, checkEveryDays, retiredAt }) => ({
    ...{ id, kind, name, graduation, jaws, checkEveryDays },
    retired: retiredAt !== null,
    checks: checks
      .filter(({ instrumentId }) => instrumentId === id)
      .map(({ checkedOn, points }) => ({ checkedOn, points })),
  }))
}

/** Everything that is the gym's and not a client's. */
export async function findGym(db: Database, today: IsoDate): Promise<Gym> {
  const own = await db
    .select()
    .from(ownProtocols)
    .where(isNull(ownProtocols.retiredAt))
    .orderBy(asc(ownProtocols.createdAt))
  return {
    today,
    testers: await listTesters(db),
    instruments: await listInstruments(db),
    ownProtocols: own.map(({ definition }) => definition),
    settings: await findSettings(db),
  }
}

const retiredAt = (retired: boolean) => (retired ? new Date() : null)

/** Adds somebody who measures, or changes them. @returns false where that id is not there */
export async function saveTester(db: Database, form: TesterForm, id?: string): Promise<boolean> {
  const { retired, ...rest } = form
  const row = { ...rest, retiredAt: retiredAt(retired) }
  if (id === undefined) {
    await db.insert(testers).values({ id: randomUUID(), ...row })
    return true
  }
  return (await db.update(testers).set(row).where(eq(testers.id, id)).returning()).length > 0
}

/** Adds an instrument, or changes it. @returns false where that id is not there */
export async function saveInstrument(
  db: Database,
  form: InstrumentForm,
  id?: string,
): Promise<boolean> {
  const { retired, ...rest } = form
  const row = { ...rest, retiredAt: retiredAt(retired) }
  if (id === undefined) {
    await db.insert(instruments).values({ id: randomUUID(), ...row })
    return true
  }
  const changed = await db.update(instruments).set(row).where(eq(instruments.id, id)).returning()
  return changed.length > 0
}

/** Keeps what an instrument read against something known. @returns false where there is no such instrument */
export async function addInstrumentCheck(
  db: Database,
  instrumentId: string,
  check: InstrumentCheck,
): Promise<boolean> {
  const [there] = await db.select().from(instruments).where(eq(instruments.id, instrumentId))
  if (!there) return false
  await db.insert(instrumentChecks).values({ id: randomUUID(), instrumentId, ...check })
  return true
}

/** Keeps a set of the coach's own; saving the same id again replaces it for check-ins to come. */
export async function saveOwnProtocol(db: Database, definition: OwnProtocol): Promise<void> {
  await db
    .insert(ownProtocols)
    .values({ id: definition.id, definition })
    .onConflictDoUpdate({ target: ownProtocols.id, set: { definition, retiredAt: null } })
}

/** Takes an own set off the list; check-ins taken by it keep their copy. */
export async function retireOwnProtocol(db: Database, id: string): Promise<void> {
  await db.update(ownProtocols).set({ retiredAt: new Date() }).where(eq(ownProtocols.id, id))
}

/**
 * A set by its id, as a check-in keeps it.
 *
 * @returns undefined where there is no such set; the definition is null for the named sets
 */
export async function findProtocol(
  db: Connection,
  protocolId: string,
): Promise<{ protocolId: string; ownProtocol: OwnProtocol | null } | undefined> {
  if (PROTOCOLS.some(({ id }) => id === protocolId)) return { protocolId, ownProtocol: null }
  const [own] = await db.select().from(ownProtocols).where(eq(ownProtocols.id, protocolId))
  return own && { protocolId, ownProtocol: own.definition }
}

/** The latest duplicates of each tester that their own error is computed from. */
const LATEST_PAIRS = 3000

/**
 * The testers' own repeat error by site: TEM = sqrt(sum d² / 2n) of their latest duplicates (first and second trial of
 * one site on one day).
 *
 * @param of one tester, or everybody
 * @param except a check-in whose duplicates are left out
 * @returns by tester
 */
export async function listOwnErrors(
  db: Database,
  { of, except }: { of?: string; except?: string } = {},
): Promise<Record<string, OwnErrors>> {
  const { rows } = await db.execute<{
    tester_id: string
    site: SiteId
    pairs: number
    tem: number
  }>(sql`
    select tester_id, site, count(*)::int as pairs, sqrt(sum(d * d) / (2 * count(*)))::float8 as tem
    from (
      select a.tester_id, a.site, a.value - b.value as d
      from testers t
      cross join lateral (
        select * from readings r
        where r.tester_id = t.id and r.trial = 1 and r.site is not null
          and not exists (select 1 from readings s where s.supersedes = r.id)
        order by r.position desc
        limit ${LATEST_PAIRS}) a
      join check_ins c on c.id = a.check_in_id and c.voided_at is null
      join readings b on b.check_in_id = a.check_in_id and b.site = a.site and b.trial = 2
        and b.kind = a.kind and b.standard is not distinct from a.standard
      where ${of ? sql`t.id = ${of}` : sql`true`}
        and ${except ? sql`a.check_in_id <> ${except}` : sql`true`}
        and not exists (select 1 from readings s where s.supersedes = b.id)) duplicates
    group by tester_id, site`)
  const byTester: Record<string, OwnErrors> = {}
  for (const { tester_id: tester, site, pairs, tem } of rows) {
    ;(byTester[tester] ??= {})[site] = { tem, pairs }
  }
  return byTester
}

/**
 * Who measures and with what, for the size of the error.
 *
 * @param checkIn its own duplicates are left out, so that a slip in it does not widen what is allowed to it
 */
export async function findMeasurementSetup(
  db: Database,
  checkIn: { id: string; testerId: string; caliperId: string | null; tapeId: string | null },
): Promise<MeasurementSetup> {
  const own = await listOwnErrors(db, { of: checkIn.testerId, except: checkIn.id })
  const ids = [checkIn.caliperId, checkIn.tapeId].filter((id) => id !== null)
  const parts = {
    testers: await db.select().from(testers).where(eq(testers.id, checkIn.testerId)),
    instruments: ids.length
      ? await db.select().from(instruments).where(inArray(instruments.id, ids))
      : [],
  }
  return measurementSetupOf(parts, checkIn, own[checkIn.testerId])
}

/** True when everybody and everything named is on record, each instrument of its kind. */
export async function equipmentExists(
  db: Database,
  tools: {
    testerId?: string
    caliperId?: string | null
    tapeId?: string | null
    scaleId?: string | null
  },
): Promise<boolean> {
  const { testerId, caliperId, tapeId, scaleId } = tools
  const named = [
    ['caliper', caliperId],
    ['tape', tapeId],
    ['scale', scaleId],
  ] as const
  for (const [kind, id] of named) {
    if (!id) continue
    const found = await db
      .select()
      .from(instruments)
      .where(and(eq(instruments.id, id), eq(instruments.kind, kind)))
    if (found.length === 0) return false
  }
  if (!testerId) return true
  return (await db.select().from(testers).where(eq(testers.id, testerId))).length > 0
}

/** Gives the first coach a name. */
export async function nameFirstTester(db: Database, name: string): Promise<void> {
  await db.update(testers).set({ name }).where(eq(testers.id, FIRST_TESTER))
}

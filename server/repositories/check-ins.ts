import { and, asc, desc, eq, inArray, isNull, sql } from 'drizzle-orm'
import type { OwnProtocol } from '#core'
import type {
  CheckIn,
  CheckInChange,
  CheckInWithReadings,
  NewCheckIn,
  ReadingRecord,
} from '#shared/check-ins'
import type { Database } from '../database/open'
import { checkIns, readings } from '../database/schema'
import { heightOn, listHeights, noteEvent, type HeightOnRecord } from './clients'
import { changeSettings, findProtocol, findSettings } from './gym'

type CheckInRow = typeof checkIns.$inferSelect
type ReadingRow = typeof readings.$inferSelect

function checkInOf(row: CheckInRow, heights: readonly HeightOnRecord[]): CheckIn {
  const { voidedAt, voidReason, skipped, ...rest } = row
  return {
    ...rest,
    skipped: skipped as CheckIn['skipped'],
    startedAt: row.startedAt.toISOString(),
    closedAt: row.closedAt?.toISOString() ?? null,
    voided: voidedAt && { at: voidedAt.toISOString(), reason: voidReason ?? '' },
    heightCm: heightOn(heights, row.measuredOn, row.id)?.cm ?? null,
  }
}

function readingOf(row: ReadingRow): ReadingRecord {
  return {
    id: row.id,
    checkInId: row.checkInId,
    kind: row.kind as ReadingRecord['kind'],
    site: row.site as ReadingRecord['site'],
    standard: row.standard as ReadingRecord['standard'],
    trial: row.trial,
    value: row.value,
    unit: row.unit as ReadingRecord['unit'],
    typed: row.typed,
    takenAt: row.takenAt.toISOString(),
    supersedes: row.supersedes,
    testerId: row.testerId,
  }
}

/** A client's check-ins with their readings, newest first, the voided ones among them. */
export async function listCheckIns(db: Database, clientId: string): Promise<CheckInWithReadings[]> {
  const rows = await db
    .select()
    .from(checkIns)
    .where(eq(checkIns.clientId, clientId))
    .orderBy(desc(checkIns.measuredOn), desc(checkIns.startedAt))
  return withReadings(db, rows)
}

async function withReadings(db: Database, rows: CheckInRow[]): Promise<CheckInWithReadings[]> {
  const [first] = rows
  if (!first) return []
  const heights = await listHeights(db, first.clientId)
  const taken = await db
    .select()
    .from(readings)
    .where(
      inArray(
        readings.checkInId,
        rows.map((row) => row.id),
      ),
    )
    .orderBy(asc(readings.position))
  const byCheckIn = new Map(rows.map((row): [string, ReadingRecord[]] => [row.id, []]))
  for (const row of taken) byCheckIn.get(row.checkInId)!.push(readingOf(row))
  return rows.map((row) => ({ ...checkInOf(row, heights), readings: byCheckIn.get(row.id)! }))
}

/** Whose check-in it is, or undefined where there is no such check-in. */
export async function clientOf(db: Database, id: string): Promise<string | undefined> {
  const [row] = await db
    .select({ clientId: checkIns.clientId })
    .from(checkIns)
    .where(eq(checkIns.id, id))
  return row?.clientId
}

/** One check-in with its readings, or undefined. */
export async function findCheckIn(
  db: Database,
  id: string,
): Promise<CheckInWithReadings | undefined> {
  const rows = await db.select().from(checkIns).where(eq(checkIns.id, id))
  return (await withReadings(db, rows))[0]
}

/**
 * Starts a check-in by the protocol and conversion of the last one, unless another is asked for, with the people and
 * instruments in use. Starting the same id twice starts it once; where one is under way already, that one is given
 * back, except for a paper sheet that is entered beside it.
 *
 * @returns undefined where the protocol asked for is not there
 */
export async function startCheckIn(db: Database, start: NewCheckIn): Promise<string | undefined> {
  return db.transaction(async (tx) => {
    const paper = start.fromPaper ?? false
    const mine = and(eq(checkIns.clientId, start.clientId), isNull(checkIns.voidedAt))
    const [open] = await tx
      .select()
      .from(checkIns)
      .where(and(mine, isNull(checkIns.closedAt), eq(checkIns.fromPaper, false)))
      .limit(1)
    if (open && !paper) return open.id
    const [last] = await tx
      .select()
      .from(checkIns)
      .where(mine)
      .orderBy(desc(checkIns.measuredOn), desc(checkIns.startedAt))
      .limit(1)
    const { defaultProtocolId, testerId, standard: _, ...inUse } = await findSettings(tx)
    const asked =
      start.protocolId === undefined
        ? last && { protocolId: last.protocolId, ownProtocol: last.ownProtocol }
        : undefined
    const protocol = asked ?? (await findProtocol(tx, start.protocolId ?? defaultProtocolId))
    if (!protocol) return undefined
    await tx
      .insert(checkIns)
      .values({
        ...inUse,
        ...protocol,
        id: start.id,
        clientId: start.clientId,
        testerId: testerId!,
        conversion: last?.conversion ?? 'siri',
        extraGirths: last?.extraGirths ?? [],
        measuredOn: start.measuredOn,
        startedAt: new Date(start.startedAt),
        fromPaper: paper,
      })
      .onConflictDoNothing()
    return start.id
  })
}

/**
 * Changes what a check-in says of itself. People and instruments are remembered for the next one.
 *
 * @param ownProtocol the definition that goes with a new protocol id; null for the named sets
 */
export async function changeCheckIn(
  db: Database,
  id: string,
  change: CheckInChange,
  ownProtocol?: OwnProtocol | null,
): Promise<void> {
  if (Object.keys(change).length === 0) return
  const set = change.protocolId === undefined ? change : { ...change, ownProtocol }
  await db
    .update(checkIns)
    .set({ ...set, revision: sql`${checkIns.revision} + 1` })
    .where(eq(checkIns.id, id))
  const { testerId, caliperId, tapeId, scaleId } = change
  const chosen = Object.entries({ testerId, caliperId, tapeId, scaleId })
  await changeSettings(
    db,
    Object.fromEntries(chosen.filter(([, value]) => value !== undefined)) as Partial<CheckInRow>,
  )
}

/** Closes a check-in; closing twice keeps the first time. */
export async function closeCheckIn(db: Database, id: string, at: Date): Promise<void> {
  await db
    .update(checkIns)
    .set({ closedAt: at })
    .where(and(eq(checkIns.id, id), isNull(checkIns.closedAt)))
}

/** Sets a check-in aside with the reason, or takes it back. Nothing of it is deleted. */
export async function voidCheckIn(
  db: Database,
  checkIn: CheckIn,
  reason: string | null,
  testerId: string | null,
): Promise<void> {
  await db
    .update(checkIns)
    .set({ voidedAt: reason === null ? null : new Date(), voidReason: reason })
    .where(eq(checkIns.id, checkIn.id))
  await noteEvent(db, {
    clientId: checkIn.clientId,
    checkInId: checkIn.id,
    testerId,
    words:
      reason === null
        ? `Check-in of ${checkIn.measuredOn} taken back`
        : `Check-in of ${checkIn.measuredOn} voided: ${reason}`,
  })
}

/** Moves a check-in to another client; both histories say so. */
export async function moveCheckIn(
  db: Database,
  checkIn: CheckIn,
  to: { clientId: string; reason: string },
  testerId: string | null,
): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.update(checkIns).set({ clientId: to.clientId }).where(eq(checkIns.id, checkIn.id))
    const note = (clientId: string, words: string) =>
      noteEvent(tx, { clientId, checkInId: checkIn.id, testerId, words })
    const day = `Check-in of ${checkIn.measuredOn}`
    await note(checkIn.clientId, `${day} moved to another client: ${to.reason}`)
    await note(to.clientId, `${day} moved here from another client: ${to.reason}`)
  })
}

/**
 * Appends readings in their order, all or none, each with the tester and the instrument of its check-in. Sending one
 * twice stores it once. One statement, since somebody waits for it with a fold between the fingers.
 *
 * @returns false where there is no such check-in
 */
export async function appendReadings(
  db: Database,
  checkInId: string,
  taken: readonly ReadingRecord[],
): Promise<boolean> {
  if (taken.length > 0) {
    const { rows } = await db.execute(sql`
      insert into readings (id, check_in_id, kind, site, standard, trial, value, unit, typed, taken_at, supersedes,
        tester_id, instrument_id)
      select r.id, c.id, r.kind, r.site, r.standard, r.trial, r.value, r.unit, r.typed, r."takenAt", r.supersedes,
        c.tester_id, case r.kind when 'skinfold' then c.caliper_id when 'girth' then c.tape_id
          when 'mass' then c.scale_id end
      from rows from (jsonb_to_recordset(${JSON.stringify(taken)}::jsonb) as (id uuid, kind text, site text,
        standard text, trial int, value float8, unit text, typed text, "takenAt" timestamptz, supersedes uuid))
        with ordinality r(id, kind, site, standard, trial, value, unit, typed, "takenAt", supersedes, place)
      join check_ins c on c.id = ${checkInId}
      order by r.place
      on conflict (id) do nothing
      returning id`)
    if (rows.length > 0) return true
  }
  return (await clientOf(db, checkInId)) !== undefined
}

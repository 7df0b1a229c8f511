import { and, asc, desc, eq, inArray, isNull } from 'drizzle-orm'
import type {
  CheckIn,
  CheckInChange,
  CheckInWithReadings,
  NewCheckIn,
  ReadingRecord,
} from '#shared/check-ins'
import type { Database } from '../database/open'
import { checkIns, readings } from '../database/schema'

const DEFAULT_PROTOCOL = 'seven-fold'

type CheckInRow = typeof checkIns.$inferSelect
type ReadingRow = typeof readings.$inferSelect

function checkInOf(row: CheckInRow): CheckIn {
  return {
    id: row.id,
    clientId: row.clientId,
    coachId: row.coachId,
    protocolId: row.protocolId,
    conversion: row.conversion,
    measuredOn: row.measuredOn,
    startedAt: row.startedAt.toISOString(),
    closedAt: row.closedAt?.toISOString() ?? null,
    skipped: row.skipped as CheckIn['skipped'],
  }
}

function readingOf(row: ReadingRow): ReadingRecord {
  return {
    id: row.id,
    checkInId: row.checkInId,
    kind: row.kind as ReadingRecord['kind'],
    site: row.site as ReadingRecord['site'],
    school: row.school as ReadingRecord['school'],
    pass: row.pass,
    value: row.value,
    unit: row.unit as ReadingRecord['unit'],
    typed: row.typed,
    takenAt: row.takenAt.toISOString(),
    supersedes: row.supersedes,
  }
}

/** A client's check-ins with their readings, newest first. */
export async function listCheckIns(db: Database, clientId: string): Promise<CheckInWithReadings[]> {
  const rows = await db
    .select()
    .from(checkIns)
    .where(eq(checkIns.clientId, clientId))
    .orderBy(desc(checkIns.measuredOn), desc(checkIns.startedAt))
  return withReadings(db, rows)
}

async function withReadings(db: Database, rows: CheckInRow[]): Promise<CheckInWithReadings[]> {
  if (rows.length === 0) return []
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
  return rows.map((row) => ({ ...checkInOf(row), readings: byCheckIn.get(row.id)! }))
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
 * Starts a check-in by the protocol and conversion of the last one, unless another is asked for. Starting the same id
 * twice starts it once; where one is under way already, that one is given back.
 *
 * @param tools coach and instruments in use
 */
export async function startCheckIn(
  db: Database,
  start: NewCheckIn,
  tools: { coachId: string; caliperId: string; scaleId: string },
): Promise<CheckIn> {
  return db.transaction(async (tx) => {
    const mine = eq(checkIns.clientId, start.clientId)
    const [open] = await tx
      .select()
      .from(checkIns)
      .where(and(mine, isNull(checkIns.closedAt)))
      .limit(1)
    if (open) return checkInOf(open)
    const [last] = await tx
      .select()
      .from(checkIns)
      .where(mine)
      .orderBy(desc(checkIns.measuredOn), desc(checkIns.startedAt))
      .limit(1)
    await tx
      .insert(checkIns)
      .values({
        id: start.id,
        clientId: start.clientId,
        ...tools,
        protocolId: start.protocolId ?? last?.protocolId ?? DEFAULT_PROTOCOL,
        conversion: last?.conversion ?? 'siri',
        measuredOn: start.measuredOn,
        startedAt: new Date(start.startedAt),
      })
      .onConflictDoNothing()
    const [row] = await tx.select().from(checkIns).where(eq(checkIns.id, start.id))
    return checkInOf(row!)
  })
}

/** Changes the protocol or conversion of a check-in. */
export async function changeCheckIn(
  db: Database,
  id: string,
  change: CheckInChange,
): Promise<void> {
  if (Object.keys(change).length > 0)
    await db.update(checkIns).set(change).where(eq(checkIns.id, id))
}

/** Closes a check-in; closing twice keeps the first time. */
export async function closeCheckIn(db: Database, id: string, at: Date): Promise<void> {
  await db
    .update(checkIns)
    .set({ closedAt: at })
    .where(and(eq(checkIns.id, id), isNull(checkIns.closedAt)))
}

/**
 * Appends a reading. Sending it twice stores it once.
 *
 * @param tools who measured and with what
 */
export async function appendReading(
  db: Database,
  reading: ReadingRecord,
  tools: { coachId: string; instrumentId: string | null },
): Promise<void> {
  await db
    .insert(readings)
    .values({ ...reading, ...tools, takenAt: new Date(reading.takenAt) })
    .onConflictDoNothing({ target: readings.id })
}

/** The tester and instruments of a check-in. */
export async function toolsOf(db: Database, checkInId: string) {
  const [row] = await db
    .select({ coachId: checkIns.coachId, caliperId: checkIns.caliperId, scaleId: checkIns.scaleId })
    .from(checkIns)
    .where(eq(checkIns.id, checkInId))
  return row
}

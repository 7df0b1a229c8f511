import { randomUUID } from 'node:crypto'
import { and, asc, desc, eq, isNull, sql, type SQL } from 'drizzle-orm'
import { formatDate, type IsoDate } from '#core'
import type {
  Client,
  ClientChange,
  ClientSummary,
  SiteNote,
  NewClient,
  RecordEvent,
  Screening,
} from '#shared/clients'
import type { Connection, Database } from '../database/open'
import {
  checkIns,
  clients,
  testers,
  heights,
  siteNotes,
  readings,
  recordEvents,
  screenings,
} from '../database/schema'

/** A body height with the day it counts from; measured in a check-in, or put on record by hand. */
export interface HeightOnRecord {
  cm: number
  unit: string
  takenOn: IsoDate
  checkInId: string | null
}

/** Every height of a client, oldest first: those on record, and the mean of each check-in's height readings. */
export async function listHeights(db: Database, clientId: string): Promise<HeightOnRecord[]> {
  const { rows } = await db.execute<{
    cm: number
    unit: string
    taken_on: string
    check_in_id: string | null
  }>(sql`
    select avg(r.value)::float8 as cm, min(r.unit) as unit,
      to_char(c.measured_on, 'YYYY-MM-DD') as taken_on, c.id as check_in_id, max(r.stored_at) as at
    from readings r
    join check_ins c on c.id = r.check_in_id
    where c.client_id = ${clientId} and c.voided_at is null and r.kind = 'height'
      and not exists (select 1 from readings s where s.supersedes = r.id)
    group by c.id
    union all
    select value_cm, unit, to_char(taken_on, 'YYYY-MM-DD'), null, stored_at
    from heights where client_id = ${clientId}
    order by taken_on, at`)
  return rows.map((row) => ({
    cm: row.cm,
    unit: row.unit,
    takenOn: row.taken_on,
    checkInId: row.check_in_id,
  }))
}

/**
 * The height in force on a day: the latest that is not after it, else the first there is.
 *
 * @param heights oldest first
 * @param except a check-in whose own measured height is left out
 */
export function heightOn(
  heights: readonly HeightOnRecord[],
  day: IsoDate,
  except?: string,
): HeightOnRecord | undefined {
  const others = heights.filter(({ checkInId }) => !checkInId || checkInId !== except)
  return others.findLast(({ takenOn }) => takenOn <= day) ?? others[0]
}

/** One client, or undefined. */
export async function findClient(db: Database, id: string): Promise<Client | undefined> {
  const [row] = await db.select().from(clients).where(eq(clients.id, id))
  if (!row) return undefined
  const latest = (await listHeights(db, id)).at(-1)
  const { createdAt: _, archivedAt, ...rest } = row
  return {
    ...rest,
    archived: archivedAt !== null,
    heightCm: latest?.cm ?? null,
    heightUnit: latest?.unit ?? null,
  }
}

/** Adds a client with the height given. */
export async function addClient(db: Database, client: NewClient, today: IsoDate): Promise<Client> {
  const id = randomUUID()
  await db.transaction(async (tx) => {
    const { height, ...rest } = client
    await tx.insert(clients).values({ id, ...rest })
    await addHeight(tx, id, height, today)
  })
  return (await findClient(db, id))!
}

async function addHeight(
  tx: Connection,
  clientId: string,
  height: NewClient['height'],
  takenOn: IsoDate,
) {
  await tx.insert(heights).values({
    id: randomUUID(),
    clientId,
    valueCm: height.value,
    unit: height.unit,
    typed: height.text,
    takenOn,
  })
}

/** Writes down what was done to the record by hand. */
export async function noteEvent(
  db: Connection,
  event: { clientId: string; checkInId?: string; testerId: string | null; words: string },
): Promise<void> {
  await db.insert(recordEvents).values({ id: randomUUID(), ...event })
}

const FIELDS = {
  name: 'Name',
  sex: 'Sex used by the equations',
  birthDate: 'Birth date',
  cadenceDays: 'Days between check-ins',
  showPercentages: 'Percentages shown',
  cycleWanted: 'Cycle kept',
  hiddenOnLeaderboards: 'Name hidden on boards',
  nextDueOn: 'Next check-in',
} as const

function wordFor(value: unknown): string {
  if (value === null) return 'by the usual days'
  return typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value)
}

/** Changes a client. Every field that becomes another is written into the history with what it was. */
export async function changeClient(
  db: Database,
  id: string,
  change: ClientChange,
  { testerId, today }: { testerId: string | null; today: IsoDate },
): Promise<void> {
  await db.transaction(async (tx) => {
    const [before] = await tx.select().from(clients).where(eq(clients.id, id))
    const note = (words: string) => noteEvent(tx, { clientId: id, testerId, words })
    const set: Partial<typeof clients.$inferInsert> = {}
    for (const field of Object.keys(FIELDS) as (keyof typeof FIELDS)[]) {
      const value = change[field]
      if (value === undefined || value === before![field]) continue
      Object.assign(set, { [field]: value })
      await note(`${FIELDS[field]}: ${wordFor(value)}, was ${wordFor(before![field])}`)
    }
    if (change.archived !== undefined && change.archived !== (before!.archivedAt !== null)) {
      set.archivedAt = change.archived ? new Date() : null
      await note(change.archived ? 'Archived' : 'Taken back from the archive')
    }
    if (Object.keys(set).length) await tx.update(clients).set(set).where(eq(clients.id, id))
    if (change.height) {
      const on = change.heightTakenOn ?? today
      await addHeight(tx, id, change.height, on)
      await note(`Height: ${change.height.text}, from ${formatDate(on, true)}`)
    }
  })
}

/** Erases a client and everything that hangs on them, for good. */
export async function eraseClient(db: Database, id: string): Promise<void> {
  await db.delete(clients).where(eq(clients.id, id))
}

/** What was done to a client's record by hand, newest first. */
export async function listAuditLog(db: Database, clientId: string): Promise<RecordEvent[]> {
  const rows = await db
    .select({ at: recordEvents.at, words: recordEvents.words, coach: testers.name })
    .from(recordEvents)
    .leftJoin(testers, eq(testers.id, recordEvents.testerId))
    .where(eq(recordEvents.clientId, clientId))
    .orderBy(desc(recordEvents.at))
  return rows.map((row) => ({ ...row, at: row.at.toISOString() }))
}

/** The screening in force, or null where nothing was asked. */
export async function findScreening(db: Database, clientId: string): Promise<Screening | null> {
  const [row] = await db
    .select()
    .from(screenings)
    .where(eq(screenings.clientId, clientId))
    .orderBy(desc(screenings.storedAt))
    .limit(1)
  return row ? { answers: row.answers, reviewedOn: row.reviewedOn } : null
}

/** Keeps a screening; the ones before it stay as its history. */
export async function addScreening(
  db: Database,
  clientId: string,
  screening: Screening,
): Promise<void> {
  await db.insert(screenings).values({ id: randomUUID(), clientId, ...screening })
}

/** The client's own site notes in force, one a site and standard. */
export async function listSiteNotes(db: Database, clientId: string): Promise<SiteNote[]> {
  const rows = await db
    .selectDistinctOn([siteNotes.site, siteNotes.standard], {
      site: siteNotes.site,
      standard: siteNotes.standard,
      text: siteNotes.text,
      side: siteNotes.side,
    })
    .from(siteNotes)
    .where(eq(siteNotes.clientId, clientId))
    .orderBy(siteNotes.site, siteNotes.standard, desc(siteNotes.position))
  return rows as SiteNote[]
}

/** Keeps a mark in place of the one before. */
export async function addSiteNote(db: Database, clientId: string, mark: SiteNote): Promise<void> {
  await db.insert(siteNotes).values({ id: randomUUID(), clientId, ...mark })
}

export interface ClientStanding {
  client: ClientSummary
  /** Moved to by hand. */
  nextDueOn: IsoDate | null
  lastMeasuredOn: IsoDate | null
  open: { id: string; readings: number; startedAt: string } | null
}

/** When the next check-in is due: the day it was moved to, while nothing was taken since, else by the usual days. */
export const dueOnOf = (last: SQL) =>
  sql`case when c.next_due_on > ${last} then c.next_due_on else ${last} + c.cadence_days end`

/** The day of the latest closed check-in, as l.on_day, of the clients that a query calls c. */
export const LAST_OF_EACH = sql`
  left join lateral (select k.measured_on as on_day from check_ins k
    where k.client_id = c.id and k.closed_at is not null and k.voided_at is null
    order by k.measured_on desc limit 1) l on true`
export const LAST = sql`l.on_day`

/** Clients who are due between two days, the earliest first; somebody never measured is due when that was arranged. */
export async function listDue(
  db: Database,
  { from, to }: { from: IsoDate; to: IsoDate },
): Promise<{ clientId: string; name: string; dueOn: IsoDate; moved: boolean }[]> {
  const { rows } = await db.execute<{
    id: string
    name: string
    due_on: string
    moved: boolean
  }>(sql`
    select id, name, to_char(due_on, 'YYYY-MM-DD') as due_on, coalesce(due_on = next_due_on, false) as moved
    from (
      select c.id, c.name, c.next_due_on,
        coalesce(${dueOnOf(LAST)}, c.next_due_on) as due_on
      from clients c ${LAST_OF_EACH}
      where c.archived_at is null) d
    where due_on between ${from}::date and ${to}::date
    order by due_on, name`)
  return rows.map((row) => ({
    clientId: row.id,
    name: row.name,
    dueOn: row.due_on,
    moved: row.moved,
  }))
}

/** Every client who is not archived, with the date of the latest closed check-in and the one under way, by name. */
export async function listStandings(db: Database): Promise<ClientStanding[]> {
  const closed = await db
    .select({ clientId: checkIns.clientId, on: sql<string>`max(${checkIns.measuredOn})` })
    .from(checkIns)
    .where(sql`${checkIns.closedAt} is not null and ${checkIns.voidedAt} is null`)
    .groupBy(checkIns.clientId)
  const open = await db
    .select({
      id: checkIns.id,
      clientId: checkIns.clientId,
      startedAt: checkIns.startedAt,
      readings: sql<number>`count(${readings.id})::int`,
    })
    .from(checkIns)
    .leftJoin(readings, eq(readings.checkInId, checkIns.id))
    .where(and(isNull(checkIns.closedAt), isNull(checkIns.voidedAt), eq(checkIns.fromPaper, false)))
    .groupBy(checkIns.id)
    .orderBy(asc(checkIns.startedAt))
  const lastBy = new Map(closed.map((row) => [row.clientId, row.on]))
  const openBy = new Map(open.map((row) => [row.clientId, row]))
  const rows = await db
    .select({
      id: clients.id,
      name: clients.name,
      sex: clients.sex,
      birthDate: clients.birthDate,
      cadenceDays: clients.cadenceDays,
      nextDueOn: clients.nextDueOn,
    })
    .from(clients)
    .where(isNull(clients.archivedAt))
    .orderBy(asc(clients.name))
  return rows.map(({ nextDueOn, ...client }) => {
    const under = openBy.get(client.id)
    return {
      client,
      nextDueOn,
      lastMeasuredOn: lastBy.get(client.id) ?? null,
      open: under
        ? { id: under.id, readings: under.readings, startedAt: under.startedAt.toISOString() }
        : null,
    }
  })
}

/** Archived clients by name. */
export async function listArchived(db: Database): Promise<{ id: string; name: string }[]> {
  return db
    .select({ id: clients.id, name: clients.name })
    .from(clients)
    .where(sql`${clients.archivedAt} is not null`)
    .orderBy(asc(clients.name))
}

import { randomUUID } from 'node:crypto'
import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm'
import type { IsoDate } from '#core'
import type { Client, NewClient } from '#shared/clients'
import type { Database } from '../database/open'
import { checkIns, clients, heights, readings } from '../database/schema'

/** The latest height of each client, as a row to join. */
function latestHeights(db: Database) {
  return db
    .selectDistinctOn([heights.clientId], {
      clientId: heights.clientId,
      valueCm: heights.valueCm,
      unit: heights.unit,
    })
    .from(heights)
    .orderBy(heights.clientId, desc(heights.takenOn), desc(heights.storedAt))
    .as('latest_heights')
}

function selectClients(db: Database) {
  const latest = latestHeights(db)
  return db
    .select({
      id: clients.id,
      name: clients.name,
      sex: clients.sex,
      birthDate: clients.birthDate,
      cadenceDays: clients.cadenceDays,
      heightCm: latest.valueCm,
      heightUnit: latest.unit,
    })
    .from(clients)
    .leftJoin(latest, eq(latest.clientId, clients.id))
}

/** One client, or undefined. */
export async function findClient(db: Database, id: string): Promise<Client | undefined> {
  const [client] = await selectClients(db).where(eq(clients.id, id))
  return client
}

/** Adds a client with the height given. */
export async function addClient(db: Database, client: NewClient, today: IsoDate): Promise<Client> {
  const id = randomUUID()
  await db.transaction(async (tx) => {
    const { height, ...rest } = client
    await tx.insert(clients).values({ id, ...rest })
    await tx.insert(heights).values({
      id: randomUUID(),
      clientId: id,
      valueCm: height.value,
      unit: height.unit,
      typed: height.text,
      takenOn: today,
    })
  })
  return (await findClient(db, id))!
}

export interface ClientStanding {
  client: Client
  lastMeasuredOn: IsoDate | null
  open: { id: string; readings: number; startedAt: string } | null
}

/** Every client with the date of the latest closed check-in and the one under way, by name. */
export async function listStandings(db: Database): Promise<ClientStanding[]> {
  const closed = await db
    .select({ clientId: checkIns.clientId, on: sql<string>`max(${checkIns.measuredOn})` })
    .from(checkIns)
    .where(sql`${checkIns.closedAt} is not null`)
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
    .where(and(isNull(checkIns.closedAt)))
    .groupBy(checkIns.id)
    .orderBy(asc(checkIns.startedAt))
  const lastBy = new Map(closed.map((row) => [row.clientId, row.on]))
  const openBy = new Map(open.map((row) => [row.clientId, row]))
  const rows = await selectClients(db).orderBy(asc(clients.name))
  return rows.map((client) => {
    const under = openBy.get(client.id)
    return {
      client,
      lastMeasuredOn: lastBy.get(client.id) ?? null,
      open: under
        ? { id: under.id, readings: under.readings, startedAt: under.startedAt.toISOString() }
        : null,
    }
  })
}

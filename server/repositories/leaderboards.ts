import { randomUUID } from 'node:crypto'
import { asc, desc, eq, sql } from 'drizzle-orm'
import type { Leaderboard, LeaderboardForm } from '#shared/tracking'
import type { Database } from '../database/open'
import { clients, leaderboardMembers, leaderboards } from '../database/schema'

const columns = {
  id: leaderboards.id,
  name: leaderboards.name,
  startsOn: leaderboards.startsOn,
  endsOn: leaderboards.endsOn,
  measure: leaderboards.measure,
  members: sql<number>`(select count(*)::int from leaderboard_members m where m.leaderboard_id = leaderboards.id)`,
}

/** Every group, the latest first. */
export async function listLeaderboards(db: Database): Promise<Leaderboard[]> {
  return db.select(columns).from(leaderboards).orderBy(desc(leaderboards.endsOn), asc(leaderboards.name))
}

export async function findLeaderboard(db: Database, id: string): Promise<Leaderboard | undefined> {
  return (await db.select(columns).from(leaderboards).where(eq(leaderboards.id, id)))[0]
}

/** The clients of a group who are not archived, by name. */
export async function listMembers(db: Database, leaderboardId: string): Promise<string[]> {
  const rows = await db
    .select({ id: clients.id })
    .from(leaderboardMembers)
    .innerJoin(clients, eq(clients.id, leaderboardMembers.clientId))
    .where(sql`${leaderboardMembers.leaderboardId} = ${leaderboardId} and ${clients.archivedAt} is null`)
    .orderBy(asc(clients.name))
  return rows.map(({ id }) => id)
}

/** Makes a group, or changes the one of that id. @returns its id; undefined where there is none of that id */
export async function saveLeaderboard(
  db: Database,
  { clientIds, ...form }: LeaderboardForm,
  id?: string,
): Promise<string | undefined> {
  return db.transaction(async (tx) => {
    const leaderboardId = id ?? randomUUID()
    if (id === undefined) await tx.insert(leaderboards).values({ id: leaderboardId, ...form })
    else {
      const changed = await tx.update(leaderboards).set(form).where(eq(leaderboards.id, id)).returning()
      if (changed.length === 0) return undefined
      await tx.delete(leaderboardMembers).where(eq(leaderboardMembers.leaderboardId, id))
    }
    const members = [...new Set(clientIds)].map((clientId) => ({ leaderboardId, clientId }))
    if (members.length > 0) await tx.insert(leaderboardMembers).values(members)
    return leaderboardId
  })
}

export async function removeLeaderboard(db: Database, id: string): Promise<void> {
  await db.delete(leaderboards).where(eq(leaderboards.id, id))
}

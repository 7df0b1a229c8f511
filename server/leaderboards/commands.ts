import { say } from '#core'
import { eq, inArray } from 'drizzle-orm'
import type { LeaderboardForm, NewLeaderboard } from '#shared/contract/leaderboards'
import type { Connection, Database } from '../database/driver'
import { clients, leaderboardMembers, leaderboards } from '../database/schema'
import { notFound, Refusal } from '../http/errors'

/** Puts the members in; each is a client on record. */
async function keepMembers(tx: Connection, leaderboardId: string, clientIds: readonly string[]) {
  const wanted = [...new Set(clientIds)]
  if (wanted.length === 0) return
  const there = await tx.select({ id: clients.id }).from(clients).where(inArray(clients.id, wanted))
  if (there.length < wanted.length) {
    throw new Refusal(422, say('api.membersOneThemRecordAccepted'), {
      field: 'clientIds',
      code: 'refused',
    })
  }
  await tx
    .insert(leaderboardMembers)
    .values(wanted.map((clientId) => ({ leaderboardId, clientId })))
}

/** Makes a leaderboard; making the same id again makes it once. */
export async function addLeaderboard(
  db: Database,
  { clientIds, ...form }: NewLeaderboard,
): Promise<void> {
  await db.transaction(async (tx) => {
    const added = await tx.insert(leaderboards).values(form).onConflictDoNothing().returning()
    if (added.length > 0) await keepMembers(tx, form.id, clientIds)
  })
}

export async function changeLeaderboard(
  db: Database,
  id: string,
  { clientIds, ...form }: LeaderboardForm,
): Promise<void> {
  await db.transaction(async (tx) => {
    const changed = await tx
      .update(leaderboards)
      .set(form)
      .where(eq(leaderboards.id, id))
      .returning()
    if (changed.length === 0) throw notFound(say('api.suchLeaderboard'))
    await tx.delete(leaderboardMembers).where(eq(leaderboardMembers.leaderboardId, id))
    await keepMembers(tx, id, clientIds)
  })
}

/** Removes a leaderboard; its clients and their check-ins stay. */
export async function removeLeaderboard(db: Database, id: string): Promise<void> {
  const removed = await db.delete(leaderboards).where(eq(leaderboards.id, id)).returning()
  if (removed.length === 0) throw notFound(say('api.suchLeaderboard'))
}

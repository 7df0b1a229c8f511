import { and, eq, inArray, isNull } from 'drizzle-orm'
import { dayValue, say, type IsoDate, type Message } from '#core'
import type { LeaderboardForm, NewLeaderboard } from '#shared/contract/leaderboards'
import type { Connection, Database } from '../database/driver'
import {
  clients,
  leaderboardMembers,
  leaderboardResults,
  leaderboards,
  wallLinks,
} from '../database/schema'
import { conflict, notFound, Refusal } from '../http/errors'
import { leaderboardOr404, rankMembers } from './queries'

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
      .where(and(eq(leaderboards.id, id), isNull(leaderboards.closedAt)))
      .returning()
    if (changed.length === 0) await mustBeThere(tx, id, say('api.leaderboardClosed'))
    await tx.delete(leaderboardMembers).where(eq(leaderboardMembers.leaderboardId, id))
    await keepMembers(tx, id, clientIds)
  })
}

/** @throws Refusal 404 where there is none, else 409 in these words */
async function mustBeThere(db: Connection, id: string, words: Message): Promise<never> {
  await leaderboardOr404(db, id)
  throw conflict(words, 'closed')
}

/**
 * Closes a leaderboard on or after its last day: its result is kept as it stands. Closing it twice is closing it once.
 *
 * @throws Refusal 404, or 409 before its last day
 */
export async function closeLeaderboard(
  db: Database,
  id: string,
  { today, closedBy }: { today: IsoDate; closedBy: string },
): Promise<void> {
  const leaderboard = await leaderboardOr404(db, id)
  if (today < leaderboard.endsOn)
    throw conflict(
      say('api.leaderboardStillRuns', { day: dayValue(leaderboard.endsOn, true) }),
      'still-runs',
    )
  const rows = await rankMembers(db, leaderboard)
  await db.transaction(async (tx) => {
    const closed = await tx
      .update(leaderboards)
      .set({ closedAt: new Date(), closedBy })
      .where(and(eq(leaderboards.id, id), isNull(leaderboards.closedAt)))
      .returning({ id: leaderboards.id })
    if (closed.length === 0 || rows.length === 0) return
    await tx.insert(leaderboardResults).values(
      rows.map(({ clientId, ranked, why }, line) => ({
        ...{ leaderboardId: id, clientId, line, why },
        ...{ place: ranked?.place, tie: ranked?.tie, change: ranked?.change },
        ...{ standardError: ranked?.standardError, fromDay: ranked?.from, toDay: ranked?.to },
      })),
    )
  })
}

/** Opens a closed leaderboard again, which gives its kept result up. @throws Refusal 404 */
export async function reopenLeaderboard(db: Database, id: string): Promise<void> {
  await db.transaction(async (tx) => {
    const opened = await tx
      .update(leaderboards)
      .set({ closedAt: null, closedBy: null })
      .where(eq(leaderboards.id, id))
      .returning({ id: leaderboards.id })
    if (opened.length === 0) throw notFound(say('api.suchLeaderboard'))
    await tx.delete(leaderboardResults).where(eq(leaderboardResults.leaderboardId, id))
  })
}

/** Removes a leaderboard; its clients and their check-ins stay. */
export async function removeLeaderboard(db: Database, id: string): Promise<void> {
  await db.delete(wallLinks).where(eq(wallLinks.leaderboardId, id))
  const removed = await db.delete(leaderboards).where(eq(leaderboards.id, id)).returning()
  if (removed.length === 0) throw notFound(say('api.suchLeaderboard'))
}

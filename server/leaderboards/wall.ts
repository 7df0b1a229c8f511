import { eq } from 'drizzle-orm'
import type { H3Event } from 'h3'
import { firstName, say } from '#core'
import type { Wall } from '#shared/contract/leaderboards'
import { addressesFrom } from '../access/addresses'
import { hashOfKey, newKey } from '../access/secret-keys'
import { counted } from '../access/sign-in'
import type { Database } from '../database/driver'
import { wallLinks } from '../database/schema'
import { Refusal } from '../http/errors'
import { boardRows, leaderboardOr404 } from './queries'

/* A screen on the wall has no session: its link shows one leaderboard to everybody in the room, and nothing else. */

/** Makes the link; the one before it shows nothing from now on. @returns its addresses, this once */
export async function hangOnWall(
  db: Database,
  event: H3Event,
  { leaderboardId, showsFigures }: { leaderboardId: string; showsFigures: boolean },
): Promise<string[]> {
  await leaderboardOr404(db, leaderboardId)
  const key = newKey()
  const made = { hash: hashOfKey(key), showsFigures, createdAt: new Date(), usedAt: null }
  await db
    .insert(wallLinks)
    .values({ leaderboardId, ...made })
    .onConflictDoUpdate({ target: wallLinks.leaderboardId, set: made })
  return addressesFrom(event).map((address) => `${address}/wall#${key}`)
}

/** Ends the link at once. */
export async function takeFromWall(db: Database, leaderboardId: string): Promise<void> {
  await db.delete(wallLinks).where(eq(wallLinks.leaderboardId, leaderboardId))
}

/** As people in one room know each other: a first name, and a letter to tell two apart. */
function shortName(name: string): string {
  const last = name.trim().split(/\s+/).slice(1).at(-1)
  return last ? `${firstName(name)} ${[...last][0]}.` : firstName(name)
}

/** What a screen with this key shows. @throws Refusal 401 for one that opens nothing; 429 after too many */
export const findWall = (db: Database, event: H3Event, key: string): Promise<Wall> =>
  counted(event, undefined, async () => {
    const [link] = await db
      .update(wallLinks)
      .set({ usedAt: new Date() })
      .where(eq(wallLinks.hash, hashOfKey(key)))
      .returning()
    if (!link) throw new Refusal(401, say('api.wallOver'), { code: 'key', field: 'key' })
    const leaderboard = await leaderboardOr404(db, link.leaderboardId)
    const { name, startsOn, endsOn, measure, closedAt } = leaderboard
    const rows = await boardRows(db, leaderboard)
    const ranked = rows.filter((row) => row.ranked !== null)
    const longest = Math.max(1e-9, ...ranked.map((row) => Math.abs(row.ranked!.change)))
    return {
      ...{ name, startsOn, endsOn, measure, closedAt },
      unranked: rows.length - ranked.length,
      lines: ranked.map((row) => {
        const { place, tie, change } = row.ranked!
        return {
          name: row.hidden ? null : shortName(row.name),
          ...{ place, tie: tie && { count: tie.count }, share: change / longest },
          change: link.showsFigures ? change : null,
        }
      }),
    }
  })

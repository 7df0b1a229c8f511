import { eq } from 'drizzle-orm'
import type { H3Event } from 'h3'
import { isoDateOf, say } from '#core'
import { may, seenBy, type Actor } from '#shared/access'
import type { Reminders } from '#shared/contract/reminders'
import { shippedVoice } from '#shared/words/voices'
import { actorOf } from '../access/actor'
import { addressesFrom } from '../access/addresses'
import { hashOfKey, newKey } from '../access/secret-keys'
import { counted } from '../access/sign-in'
import { dueCalendar } from '../clients/due-calendar'
import type { Connection, Database } from '../database/driver'
import { calendarFeeds, users } from '../database/schema'
import { Refusal } from '../http/errors'

/*
 * A calendar has no session: its address is the secret. One each, renewed by asking for it again, and it shows what its
 * owner may see at the time.
 */

/** Whose a calendar is: a client's, one's who signs in, or of who sits at this computer. */
const ownerOf = ({ userId, clientId }: Actor): string =>
  clientId ? `client ${clientId}` : userId ? `user ${userId}` : 'computer'

export async function feedOf(db: Connection, actor: Actor): Promise<Reminders['feed']> {
  const [feed] = await db
    .select()
    .from(calendarFeeds)
    .where(eq(calendarFeeds.owner, ownerOf(actor)))
  return feed
    ? { createdAt: feed.createdAt.toISOString(), usedAt: feed.usedAt?.toISOString() ?? null }
    : null
}

/** Makes the address of a calendar; the one before it shows nothing from now on. @returns it, this once */
export async function renewFeed(
  db: Database,
  event: H3Event,
  actor: Actor,
): Promise<{ addresses: string[] }> {
  const key = newKey()
  const [owner, hash] = [ownerOf(actor), hashOfKey(key)]
  const { userId, clientId } = actor
  await db
    .insert(calendarFeeds)
    .values({ owner, userId, clientId, hash })
    .onConflictDoUpdate({
      target: calendarFeeds.owner,
      set: { hash, createdAt: new Date(), usedAt: null },
    })
  return { addresses: addressesFrom(event).map((address) => `${address}/api/calendars/${key}`) }
}

export async function endFeed(db: Database, actor: Actor): Promise<void> {
  await db.delete(calendarFeeds).where(eq(calendarFeeds.owner, ownerOf(actor)))
}

/**
 * What is due, for a calendar that has the key.
 *
 * @throws Refusal 401 for a key that opens nothing, or whose owner may see no clients any more; 429 after too many
 */
export const subscribedCalendar = (db: Database, event: H3Event, key: string): Promise<string> =>
  counted(event, undefined, async () => {
    const [feed] = await db
      .update(calendarFeeds)
      .set({ usedAt: new Date() })
      .where(eq(calendarFeeds.hash, hashOfKey(key)))
      .returning()
    const shown = feed && (await shownBy(db, feed))
    if (!shown) throw new Refusal(401, say('api.keyNoMore'), { code: 'key', field: 'key' })
    return dueCalendar(db, {
      today: isoDateOf(new Date()),
      voice: shippedVoice(),
      followed: true,
      ...shown,
    })
  })

/** Whose days a calendar has; undefined where its owner may see none. */
async function shownBy(
  db: Database,
  { userId, clientId }: typeof calendarFeeds.$inferSelect,
): Promise<{ clientId: string; own: true } | { coach?: string } | undefined> {
  if (clientId) return { clientId, own: true }
  if (!userId) return {}
  const [user] = await db.select().from(users).where(eq(users.id, userId))
  const actor = user && (await actorOf(db, user))
  if (!actor || may(actor, 'clients.list') !== 'yes') return undefined
  return { coach: seenBy(actor) }
}

import { randomUUID } from 'node:crypto'
import { and, eq, gt, isNull } from 'drizzle-orm'
import type { H3Event } from 'h3'
import { bornFrom, say } from '#core'
import type { Actor } from '#shared/access'
import type { MadeLink } from '#shared/contract/client-side'
import { accountsOf, passCookies } from './accounts'
import { actorOf, isSignInNeeded } from './actor'
import { addressesOfGym } from './addresses'
import { hashOfKey, newKey } from './secret-keys'
import { counted, endSessions } from './sign-in'
import { clientOr404 } from '../clients/queries'
import type { Connection, Database } from '../database/driver'
import { sessions, shareLinks, users } from '../database/schema'
import { conflict, notFound, Refusal } from '../http/errors'

/*
 * A client comes to their own page by a link: its key is shown once, what is kept of it opens nothing, and it ends when
 * it is over or when the coach says so, with every browser that came by it.
 */

const DAY_MS = 86_400_000

/** The account that a client's browsers are signed in with: without a password, so that nothing but a link opens it. */
async function accountOf(db: Connection, clientId: string, name: string): Promise<string> {
  const [there] = await db
    .select({ id: users.id })
    .from(users)
    .where(and(eq(users.clientId, clientId), eq(users.role, 'client')))
  if (there) return there.id
  const id = randomUUID()
  await db
    .insert(users)
    .values({ id, name, clientId, role: 'client', email: `${id}@clients.invalid` })
  return id
}

/**
 * Makes a link for a client.
 *
 * @param days that it lasts
 * @throws Refusal 409 where nobody outside can come in, or the year of birth is not known, which a new phone is asked for
 */
export async function addLink(
  db: Database,
  clientId: string,
  { id, days }: { id: string; days: number },
  createdBy: string,
): Promise<MadeLink> {
  const client = await clientOr404(db, clientId)
  const addresses = addressesOfGym()
  if (!addresses.length || !(await isSignInNeeded(db)))
    throw conflict(say('api.linkDoorShut'), 'door-shut')
  if (!bornFrom(client)) throw conflict(say('api.linkNeedsBirthYear'), 'birth-year')
  const key = newKey()
  const expiresAt = new Date(Date.now() + days * DAY_MS)
  const hash = hashOfKey(key)
  await db.transaction(async (tx) => {
    await accountOf(tx, clientId, client.name)
    // Asked for again after an answer that got lost: the first key was seen by nobody.
    const kept = await tx
      .insert(shareLinks)
      .values({ id, clientId, hash, createdBy, expiresAt })
      .onConflictDoUpdate({
        target: shareLinks.id,
        set: { hash, expiresAt },
        setWhere: and(eq(shareLinks.clientId, clientId), isNull(shareLinks.usedAt))!,
      })
      .returning({ id: shareLinks.id })
    if (kept.length === 0) throw conflict(say('api.idTaken'), 'id-taken', 'id')
  })
  // Behind the sign that browsers keep to themselves: it stands in no log of any server.
  return {
    addresses: addresses.map((address) => `${address}/my#${key}`),
    expiresAt: expiresAt.toISOString(),
  }
}

/** Ends a link at once, with every browser that came by it. @throws Refusal 404 */
export async function endLink(db: Database, clientId: string, id: string): Promise<void> {
  const ended = await db
    .update(shareLinks)
    .set({ endedAt: new Date() })
    .where(
      and(eq(shareLinks.id, id), eq(shareLinks.clientId, clientId), isNull(shareLinks.endedAt)),
    )
    .returning({ id: shareLinks.id })
  if (ended.length === 0) throw notFound(say('api.noSuchLink'))
  await endSessions(db, eq(sessions.linkId, id))
}

/**
 * Lets a client's browser in by a link. A new one says the client's year of birth, so that a link which went astray opens
 * nothing by itself.
 *
 * @throws Refusal 401 for a link that is over or made up, or another year; 422 without a year; 429 after too many
 */
export function openLink(
  db: Database,
  event: H3Event,
  { key, birthYear }: { key: string; birthYear: number | null },
): Promise<{ actor: Actor; device: string }> {
  return counted(event, undefined, async () => {
    const [link] = await db
      .select()
      .from(shareLinks)
      .where(
        and(
          eq(shareLinks.hash, hashOfKey(key)),
          isNull(shareLinks.endedAt),
          gt(shareLinks.expiresAt, new Date()),
        ),
      )
    if (!link) throw new Refusal(401, say('api.linkOver'), { code: 'link', field: 'key' })
    if (birthYear === null)
      throw new Refusal(422, say('api.birthYearFirst'), { code: 'birth-year', field: 'birthYear' })
    const client = await clientOr404(db, link.clientId)
    if (Number(bornFrom(client)?.slice(0, 4)) !== birthYear)
      throw new Refusal(401, say('api.otherBirthYear'), { code: 'birth-year', field: 'birthYear' })
    const userId = await accountOf(db, client.id, client.name)
    const { api } = await accountsOf(db)
    const response = await api.pairDevice({
      ...{ body: { userId, device: client.name, linkId: link.id }, headers: event.headers },
      asResponse: true,
    })
    passCookies(response.headers, event)
    await db.update(shareLinks).set({ usedAt: new Date() }).where(eq(shareLinks.id, link.id))
    const [user] = await db.select().from(users).where(eq(users.id, userId))
    return { actor: await actorOf(db, user!), device: client.name }
  })
}

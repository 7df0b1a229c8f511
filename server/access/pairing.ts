import { randomBytes, randomUUID } from 'node:crypto'
import { and, eq, gt, lt, or, sql } from 'drizzle-orm'
import type { H3Event } from 'h3'
import { say } from '#core'
import { may, type Actor } from '#shared/access'
import type { Pairing } from '#shared/contract/access'
import type { Database } from '../database/driver'
import { users, verifications } from '../database/schema'
import { conflict, notFound, Refusal } from '../http/errors'
import { accountsOf, passCookies } from './accounts'
import { actorOf } from './actor'
import { addressesOfGym } from './addresses'
import { hashOfKey } from './secret-keys'
import { counted } from './sign-in'

/** What is kept with a code. */
interface Kept {
  userId: string
  device: string
}

/** How long a code is good for, ms. */
const GOOD_MS = 5 * 60_000

/** What is kept of a code: who reads the database could not use it. */
const keptOf = (code: string) => `pairing-${hashOfKey(code)}`

/**
 * Makes a code with which a device is let in as somebody, once. A code that was made for them before is good no more.
 *
 * @throws Refusal 404 for somebody else's account, but for the owner's; 409 while no phone is let in
 */
export async function offerPairing(
  db: Database,
  actor: Actor,
  { userId, device }: { userId: string; device: string },
): Promise<Pairing> {
  const [user] = await db.select({ id: users.id }).from(users).where(eq(users.id, userId))
  if (!user || (userId !== actor.userId && may(actor, 'gym.govern') !== 'yes'))
    throw notFound(say('api.noSuchAccount'))
  const addresses = addressesOfGym()
  if (!addresses.length) throw conflict(say('api.doorShut'), 'door-shut')
  const code = randomBytes(16).toString('base64url')
  const until = new Date(Date.now() + GOOD_MS)
  await db.transaction(async (tx) => {
    await tx
      .delete(verifications)
      .where(
        or(
          sql`${verifications.value}::json->>'userId' = ${userId}`,
          lt(verifications.expiresAt, new Date()),
        ),
      )
    await tx.insert(verifications).values({
      ...{ id: randomUUID(), identifier: keptOf(code), expiresAt: until },
      value: JSON.stringify({ userId, device } satisfies Kept),
    })
  })
  // Behind the sign that browsers keep to themselves: it stands in no log of any server.
  const pages = addresses.map((address) => `${address}/pair#${code}`)
  return { code, addresses: pages, until: until.toISOString() }
}

/**
 * Lets in the device that a code was shown to.
 *
 * @throws Refusal 401 for a code that is used, too old or made up; 429 after too many of those
 */
export function pair(
  db: Database,
  event: H3Event,
  code: string,
): Promise<{ actor: Actor; device: string }> {
  return counted(event, undefined, async () => {
    const [good] = await db
      .delete(verifications)
      .where(
        and(eq(verifications.identifier, keptOf(code)), gt(verifications.expiresAt, new Date())),
      )
      .returning({ kept: verifications.value })
    const { userId, device } = JSON.parse(good?.kept ?? '{}') as Partial<Kept>
    const [user] = userId ? await db.select().from(users).where(eq(users.id, userId)) : []
    if (!user || !device)
      throw new Refusal(401, say('api.codeNoMore'), { code: 'pairing', field: 'code' })
    const { api } = await accountsOf(db)
    const response = await api.pairDevice({
      ...{ body: { userId: user.id, device }, headers: event.headers, asResponse: true },
    })
    passCookies(response.headers, event)
    return { actor: await actorOf(db, user), device }
  })
}

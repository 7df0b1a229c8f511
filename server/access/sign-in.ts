import { eq, type SQL } from 'drizzle-orm'
import { getRequestIP, type H3Event } from 'h3'
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible'
import { refusal, say } from '#core'
import type { Actor } from '#shared/access'
import type { Database } from '../database/driver'
import { sessions, users } from '../database/schema'
import { endStreamsOf } from '../events/live'
import { Refusal } from '../http/errors'
import { accountsOf, accountToolsOf, passCookies, signInName } from './accounts'
import { actorOf } from './actor'
import { isLocal, isProxyTrusted } from './local'

/*
 * Wrong passwords are counted by account and by address, apart for this computer and for all others: somebody who tries
 * from outside holds up nobody who sits here.
 */
const counting = (points: number, blockDuration: number) =>
  new RateLimiterMemory({ points, duration: 15 * 60, blockDuration })
const LIMITS = {
  here: { account: counting(10, 30), address: counting(100, 30) },
  outside: { account: counting(10, 300), address: counting(50, 300) },
}

/** @throws Refusal 429 with how long to wait */
function tooMany(ms: number): never {
  const seconds = Math.ceil(ms / 1000)
  throw new Refusal(429, say('api.waitFirst', { seconds }), { code: 'wait' })
}

/**
 * Lets somebody in by name and password: the answer to the event sets the cookie of their session.
 *
 * @throws Refusal 401 in the same words for a name that there is not and a wrong password; 429 after too many
 */
export async function signIn(
  db: Database,
  event: H3Event,
  { name, password }: { name: string; password: string },
): Promise<{ actor: Actor; device: null }> {
  return counted(event, signInName(name), async () => {
    const { api } = await accountsOf(db)
    const response = await api.signInUsername({
      ...{ body: { username: name, password }, headers: event.headers, asResponse: true },
    })
    if (!response.ok)
      throw new Refusal(401, say('api.wrongPassword'), { code: 'password', field: 'password' })
    passCookies(response.headers, event)
    const [user] = await db
      .select()
      .from(users)
      .where(eq(users.username, signInName(name)))
    return { actor: await actorOf(db, user!), device: null }
  })
}

/**
 * Lets somebody try to get in, as often as is allowed.
 *
 * @param name whose account it is tried for; undefined where that is not known
 * @param attempt throws a Refusal of 401 where it fails
 * @throws Refusal 429 where it has failed too often
 */
export async function counted<T>(
  event: H3Event,
  name: string | undefined,
  attempt: () => Promise<T>,
): Promise<T> {
  const where = isLocal(event) ? LIMITS.here : LIMITS.outside
  const address = getRequestIP(event, { xForwardedFor: isProxyTrusted() }) ?? 'here'
  const keys = [
    ...(name === undefined ? [] : [[where.account, name] as const]),
    [where.address, address] as const,
  ]
  for (const [limit, key] of keys) {
    const so = await limit.get(key)
    if (so && so.remainingPoints <= 0) tooMany(so.msBeforeNext)
  }
  try {
    const got = await attempt()
    if (name !== undefined) await where.account.delete(name)
    return got
  } catch (error) {
    if (!(error instanceof Refusal) || error.status !== 401) throw error
    for (const [limit, key] of keys)
      await limit.consume(key).catch((too: unknown) => {
        if (too instanceof RateLimiterRes) tooMany(too.msBeforeNext)
        throw too
      })
    throw error
  }
}

/** Ends the session that asks. */
export async function signOut(db: Database, event: H3Event, sessionId: string): Promise<void> {
  const { api } = await accountsOf(db)
  const { headers } = await api.signOut({ headers: event.headers, asResponse: true })
  endStreamsOf(db, sessionId)
  passCookies(headers, event)
}

let common: Set<string> | undefined
/** @throws Refusal for a password that everybody who tries passwords tries first */
export async function refuseCommon(password: string, name: string): Promise<void> {
  common ??= new Set((await import('@zxcvbn-ts/language-common')).dictionary['passwords-common'])
  const plain = password.toLowerCase()
  if (!common.has(plain) && plain !== signInName(name)) return
  throw new Refusal(
    422,
    refusal(say('fields.password'), say('api.commonPassword'), say('api.anotherPassword')),
    { field: 'password', code: 'common' },
  )
}

/** Ends every session of a user. @param but one that stays */
export const endSessionsOf = (db: Database, userId: string, but?: string): Promise<number> =>
  endSessions(db, eq(sessions.userId, userId), but)

/** Ends sessions, with the streams that were opened in them. @returns how many there were */
export async function endSessions(db: Database, which: SQL, but?: string): Promise<number> {
  const { internalAdapter } = await accountToolsOf(db)
  const found = await db
    .select({ id: sessions.id, token: sessions.token })
    .from(sessions)
    .where(which)
  const open = found.filter(({ id }) => id !== but)
  for (const { id, token } of open) {
    await internalAdapter.deleteSession(token)
    endStreamsOf(db, id)
  }
  return open.length
}

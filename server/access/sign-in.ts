import { eq } from 'drizzle-orm'
import { appendResponseHeader, getRequestIP, type H3Event } from 'h3'
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible'
import { dictionary } from '@zxcvbn-ts/language-common'
import { refusal, say } from '#core'
import type { Database } from '../database/driver'
import { sessions, users } from '../database/schema'
import { endStreamsOf } from '../events/live'
import { Refusal } from '../http/errors'
import { accountsOf, signInName } from './accounts'
import { isLocal } from './local'

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
): Promise<{ userId: string; name: string }> {
  const where = isLocal(event) ? LIMITS.here : LIMITS.outside
  const keys = [
    [where.account, signInName(name)],
    [where.address, getRequestIP(event) ?? 'here'],
  ] as const
  for (const [limit, key] of keys) {
    const so = await limit.get(key)
    if (so && so.remainingPoints <= 0) tooMany(so.msBeforeNext)
  }
  const response = await accountsOf(db).api.signInUsername({
    ...{ body: { username: name, password }, headers: event.headers, asResponse: true },
  })
  if (!response.ok) {
    for (const [limit, key] of keys)
      await limit.consume(key).catch((error: unknown) => {
        if (error instanceof RateLimiterRes) tooMany(error.msBeforeNext)
        throw error
      })
    throw new Refusal(401, say('api.wrongPassword'), { code: 'password', field: 'password' })
  }
  await where.account.delete(signInName(name))
  for (const cookie of response.headers.getSetCookie())
    appendResponseHeader(event, 'set-cookie', cookie)
  const [user] = await db
    .select({ userId: users.id, name: users.name })
    .from(users)
    .where(eq(users.username, signInName(name)))
  return user!
}

/** Ends the session that asks. */
export async function signOut(db: Database, event: H3Event, sessionId: string): Promise<void> {
  const response = await accountsOf(db).api.signOut({ headers: event.headers, asResponse: true })
  endStreamsOf(sessionId)
  for (const cookie of response.headers.getSetCookie())
    appendResponseHeader(event, 'set-cookie', cookie)
}

let common: Set<string> | undefined
/** @throws Refusal for a password that everybody who tries passwords tries first */
export function refuseCommon(password: string, name: string): void {
  common ??= new Set(dictionary['passwords-common'])
  const plain = password.toLowerCase()
  if (!common.has(plain) && plain !== signInName(name)) return
  throw new Refusal(
    422,
    refusal(say('fields.password'), say('api.commonPassword'), say('api.anotherPassword')),
    { field: 'password', code: 'common' },
  )
}

/** Ends sessions of a user. @param but one that stays */
export async function endSessionsOf(db: Database, userId: string, but?: string): Promise<void> {
  const { internalAdapter } = await accountsOf(db).$context
  const open = await db
    .select({ id: sessions.id, token: sessions.token })
    .from(sessions)
    .where(eq(sessions.userId, userId))
  for (const { id, token } of open) {
    if (id === but) continue
    await internalAdapter.deleteSession(token)
    endStreamsOf(id)
  }
}

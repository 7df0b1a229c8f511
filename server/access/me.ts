import { eq } from 'drizzle-orm'
import { say } from '#core'
import type { Actor } from '#shared/access'
import type { Me } from '#shared/contract/access'
import type { Database } from '../database/driver'
import { sessions, users } from '../database/schema'
import { conflict, notFound } from '../http/errors'
import { coachesSeeOwn, isSignInNeeded, type Asking } from './actor'

/** What a page has to know of who sits before it. */
export async function meOf(db: Database, asking: Asking | undefined): Promise<Me> {
  const signIn = await isSignInNeeded(db)
  if (!asking) return { signIn, me: null }
  const { name, role, userId, personId, ownOnly } = asking.actor
  return { signIn, me: { name, role, userId, personId, ownOnly } }
}

/** Whose account it is, as somebody who asks. */
export async function whoIs(db: Database, id: string): Promise<Actor> {
  const [user] = await db.select().from(users).where(eq(users.id, id))
  if (!user) throw notFound(say('api.noSuchAccount'))
  const { name, role, personId, clientId } = user
  const ownOnly = role === 'coach' && (await coachesSeeOwn(db))
  return { userId: id, name, role, personId, clientId, ownOnly }
}

/** @throws Refusal 409 where nobody signs in */
export function signedIn(asking: Asking | undefined): { userId: string; sessionId: string } {
  const { actor, session } = asking ?? {}
  if (!actor?.userId || !session) throw conflict(say('api.ownerFirst'), 'owner-first')
  return { userId: actor.userId, sessionId: session.id }
}

/** Gives the browser that asks a name, by which it stands in the list of devices. */
export async function nameDevice(db: Database, sessionId: string, device: string): Promise<void> {
  await db.update(sessions).set({ device }).where(eq(sessions.id, sessionId))
}

import { eq } from 'drizzle-orm'
import { say } from '#core'
import type { Actor } from '#shared/access'
import type { Me } from '#shared/contract/access'
import type { Database } from '../database/driver'
import { sessions } from '../database/schema'
import { conflict } from '../http/errors'
import { isSignInNeeded, type Asking } from './actor'
import { noteEvent } from './events'

/** What a page has to know of who sits before it. */
export async function meOf(db: Database, asking: Asking | undefined): Promise<Me> {
  const signIn = await isSignInNeeded(db)
  if (!asking) return { signIn, me: null }
  const { name, role, userId, personId, ownOnly } = asking.actor
  return { signIn, me: { name, role, userId, personId, ownOnly } }
}

/** Lets somebody in, and writes it down. @param what by which name */
export async function enter(
  db: Database,
  letIn: () => Promise<{ actor: Actor; device: string | null }>,
  what: 'access.signIn' | 'access.begin' | 'access.pair' | 'sharing.open',
): Promise<Me> {
  const { actor, device } = await letIn()
  await noteEvent(db, { actor, session: { device } }, what)
  return meOf(db, { actor, session: null })
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

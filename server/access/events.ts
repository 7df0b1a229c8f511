import { sql } from 'drizzle-orm'
import type { Actor } from '#shared/access'
import type { Route } from '#shared/contract/define'
import { routesOf } from '#shared/contract'
import { LOOKS } from '#shared/contract/looks'
import type { Connection, Database } from '../database/driver'
import { auditEvents } from '../database/schema'
import type { Asking } from './actor'

/** Each route by its name, as `clients.file`. */
const NAMES = new Map<Route, string>(routesOf().map(([name, route]) => [route, name]))

/** Each reading says by itself who took it. What somebody does with their own account is noted by its own words. */
const LEFT_OUT = new Set([
  'checkIns.addReadings',
  'access.signIn',
  'access.begin',
  'access.pair',
  'sharing.open',
])

/** Looking at the same client's things again so soon is one look, ms. */
const ONE_LOOK_MS = 10 * 60_000
const looks = new Map<string, number>()

/** Whether a look is a new one, and not one of the many requests that one look makes. */
function isNewLook(key: string): boolean {
  const now = Date.now()
  const last = looks.get(key)
  if (last !== undefined && now - last < ONE_LOOK_MS) return false
  if (looks.size > 10_000) looks.clear()
  looks.set(key, now)
  return true
}

/** Writes down what somebody did. */
export async function noteEvent(
  db: Connection,
  { actor, session }: { actor: Actor; session: { device: string | null } | null },
  what: string,
  clientId: string | null = null,
): Promise<void> {
  const { userId, name: who } = actor
  // Who was deleted meanwhile is named no more.
  const client = clientId && sql`(select c.id from clients c where c.id = ${clientId})`
  await db
    .insert(auditEvents)
    .values({ userId, who, device: session?.device ?? null, what, clientId: client })
}

/**
 * Whether a call is written down where it is answered: where people sign in, since while nobody does there is nobody to
 * tell apart.
 */
export function isNoted({ actor }: Asking, route: Route): boolean {
  const what = NAMES.get(route)
  if (actor.userId === null || what === undefined || LEFT_OUT.has(what)) return false
  return route.method !== 'GET' || LOOKS.has(what)
}

/** Writes down what was asked for and given. @param about whom it is about */
export async function noteCall(
  db: Database,
  asking: Asking,
  route: Route,
  about: string | null,
): Promise<void> {
  const what = NAMES.get(route)!
  if (route.method === 'GET' && !isNewLook(`${asking.actor.userId} ${what} ${about}`)) return
  await noteEvent(db, asking, what, about)
}

import { eq, sql } from 'drizzle-orm'
import type { H3Event } from 'h3'
import { say, type Words } from '#core'
import {
  dependsOnWhom,
  may,
  type Action,
  type Actor,
  type Role,
  type Subject,
} from '#shared/access'
import type { Route } from '#shared/contract/define'
import { isShared, type Database } from '../database/driver'
import { settings, users } from '../database/schema'
import { Refusal } from '../http/errors'
import { accountsOf, passCookies } from './accounts'
import { isLinkOver } from './link-over'
import { isLocal } from './local'

/** Who sits at this computer, as long as nobody has set a password. */
const WITHOUT_SIGN_IN: Actor = {
  ...{ role: 'owner', name: 'this computer', ownOnly: false },
  ...{ userId: null, personId: null, clientId: null },
}

/** Whoever asks, with the session that they ask in. */
export interface Asking {
  actor: Actor
  session: { id: string; device: string | null } | null
}

const signInNeeded = new WeakMap<Database, boolean>()

/** Whether people sign in here: from the moment that there is an owner with a password. */
export async function isSignInNeeded(db: Database): Promise<boolean> {
  const known = signInNeeded.get(db)
  if (known !== undefined) return known
  const [owner] = await db
    .select({ id: users.id })
    .from(users)
    .where(eq(users.role, 'owner'))
    .limit(1)
  // It stays so: the last owner can be neither removed nor made something else. Until then another process may make one.
  if (owner || !isShared(db)) signInNeeded.set(db, owner !== undefined)
  return owner !== undefined
}
/** An account was made: it is looked at again. */
export const forgetWhetherSignInIsNeeded = (db: Database) => signInNeeded.delete(db)

/** Who asks; undefined for nobody. */
export async function whoAsks(db: Database, event: H3Event): Promise<Asking | undefined> {
  if (!(await isSignInNeeded(db)))
    return isLocal(event) ? { actor: WITHOUT_SIGN_IN, session: null } : undefined
  const { response: found, headers } = await (
    await accountsOf(db)
  ).api.getSession({ headers: event.headers, returnHeaders: true })
  if (!found) return undefined
  // A session that is used is lengthened, and the browser has to keep its cookie as long.
  passCookies(headers, event)
  const { user, session } = found
  // It ends by itself with the link that it came by, and not with its last use.
  if (session.linkId && (await isLinkOver(db, session.linkId))) return undefined
  return {
    actor: await actorOf(db, { ...user, role: user.role as Role }),
    session: { id: session.id, device: session.device ?? null },
  }
}

/** An account, as somebody who asks. */
export async function actorOf(
  db: Database,
  {
    id: userId,
    name,
    role,
    personId = null,
    clientId = null,
  }: {
    id: string
    name: string
    role: Role
    personId?: string | null
    clientId?: string | null
  },
): Promise<Actor> {
  const ownOnly = role === 'coach' && (await coachesSeeOwn(db))
  return { userId, name, role, personId, clientId, ownOnly }
}

/**
 * Who looks around in the made-up club: everybody who may look at the record, as its owner.
 *
 * @param record the gym's own; undefined where it cannot be opened
 */
export async function whoLooksAround(
  record: Database | undefined,
  event: H3Event,
): Promise<Asking | undefined> {
  if (record ? !(await whoAsks(record, event)) : !isLocal(event)) return undefined
  return { actor: WITHOUT_SIGN_IN, session: null }
}

async function coachesSeeOwn(db: Database): Promise<boolean> {
  const [gym] = await db.select({ coachesSee: settings.coachesSee }).from(settings)
  return gym?.coachesSee === 'own'
}

const ROLE_NAMES: Record<Role, Words> = {
  owner: say('api.owner'),
  coach: say('api.coach'),
  assistant: say('api.assistant'),
  client: say('api.client'),
}

/** @throws Refusal 401 for nobody, 403 for who may not, in words */
export function mustMay(asking: Asking | undefined, action: Action | 'anybody'): void {
  if (action === 'anybody') return
  if (!asking) throw new Refusal(401, say('api.signInFirst'), { code: 'sign-in' })
  if (may(asking.actor, action) === 'no')
    throw new Refusal(403, say('api.mayNot', { role: ROLE_NAMES[asking.actor.role] }), {
      code: 'may-not',
    })
}

/** @throws Refusal 404 where it is about somebody whom the one who asks may not know to be there */
export function mustMayAbout({ actor }: Asking, route: Route, subjects: readonly Subject[]): void {
  if (route.action === 'anybody') return
  for (const about of subjects)
    if (may(actor, route.action, about) !== 'yes')
      throw new Refusal(404, say('api.thereNothingAddress'), { code: 'not-found' })
}

/** Whether it has to be known whom a request is about before it is answered. */
export const asksAboutWhom = ({ actor }: Asking, { action }: Route): boolean =>
  action !== 'anybody' && dependsOnWhom(actor, action)

const SUBJECT = sql`c.id as "clientId", c.coach_id as "coachId"`
const HAS_OPEN = sql`exists (select from check_ins o where o.client_id = c.id and o.closed_at is null
  and o.voided_at is null)`

/** How the thing that an address names leads to a client. */
const WHOSE = [
  [
    '/api/clients/:id',
    (id: string) => sql`select ${SUBJECT}, ${HAS_OPEN} as open from clients c where c.id = ${id}`,
  ],
  [
    '/api/check-ins/:id',
    (id: string) => sql`select ${SUBJECT}, k.closed_at is null and k.voided_at is null as open
      from check_ins k join clients c on c.id = k.client_id where k.id = ${id}`,
  ],
  [
    '/api/photos/:id',
    (id: string) => sql`select ${SUBJECT}, false as open
      from photos p join clients c on c.id = p.client_id where p.id = ${id}`,
  ],
] as const

/** Whom a request is about: who its address names, and who its body does. */
export async function subjectsOf(
  db: Database,
  { path }: Route,
  { params, body }: { params: unknown; body: unknown },
): Promise<Subject[]> {
  const found: Subject[] = []
  const add = async (query: ReturnType<typeof sql>) => {
    const { rows } = await db.execute<Subject & Record<string, unknown>>(query)
    found.push(...rows)
  }
  const { id } = params as { id?: string }
  const whose = WHOSE.find(([prefix]) => path === prefix || path.startsWith(`${prefix}/`))
  if (whose && id !== undefined) await add(whose[1](id))
  const named = (body as { clientId?: unknown } | undefined)?.clientId
  if (typeof named === 'string') await add(WHOSE[0][1](named))
  return found
}

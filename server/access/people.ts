import { randomUUID } from 'node:crypto'
import { and, count, desc, eq, sql } from 'drizzle-orm'
import { say } from '#core'
import type { Role } from '#shared/access'
import {
  newPasswordSchema,
  type Access,
  type AccountChange,
  type Events,
  type EventsQuery,
  type NewAccount,
} from '#shared/contract/access'
import { EVENTS_PAGE } from '#shared/contract/choices'
import { problemsOf } from '#shared/contract/problems'
import type { Connection, Database } from '../database/driver'
import { iso, jsonOf, listOf } from '../database/json'
import { accounts, auditEvents, people, sessions, settings, users } from '../database/schema'
import { conflict, notFound, Refusal } from '../http/errors'
import { accountToolsOf, signInName } from './accounts'
import { forgetWhetherSignInIsNeeded, isSignInNeeded } from './actor'
import { endSessions, endSessionsOf, refuseCommon } from './sign-in'

/** Accounts with their sessions, and what coaches see. */
export async function findAccess(db: Connection, here: string | undefined): Promise<Access> {
  const found = await jsonOf<Omit<Access, 'coachesSee'>>(
    db,
    sql`select json_build_object('accounts', ${listOf(
      sql`json_build_object('id', u.id, 'name', u.name, 'role', u.role, 'personId', u.person_id, 'sessions', ${listOf(
        sql`json_build_object('id', s.id, 'device', s.device, 'browser', s.user_agent, 'address', s.ip_address,
          'since', ${iso(sql`s.created_at`)}, 'seenAt', ${iso(sql`s.updated_at`)}, 'here', s.id = ${here ?? ''})`,
        sql`from access.sessions s where s.user_id = u.id and s.expires_at > now()`,
        sql`s.updated_at desc`,
      )})`,
      sql`from access.users u where u.role <> 'client'`,
      sql`u.role = 'owner' desc, u.name`,
    )})`,
  )
  const [gym] = await db.select({ coachesSee: settings.coachesSee }).from(settings)
  return { ...found, coachesSee: gym?.coachesSee ?? 'all' }
}

export async function changeAccess(
  db: Database,
  { coachesSee }: { coachesSee?: Access['coachesSee'] },
): Promise<void> {
  if (coachesSee) await db.update(settings).set({ coachesSee })
}

interface Account {
  id: string
  name: string
  role: Role
  personId: string | null
  password: string
}

async function add(db: Database, { id, name, role, personId, password }: Account): Promise<void> {
  await refuseCommon(password, name)
  await personOr404(db, personId)
  const [same] = await db
    .select({ id: users.id })
    .from(users)
    .where(eq(users.username, signInName(name)))
  if (same) throw conflict(say('api.nameTaken', { name }), 'name-taken', 'name')
  const auth = await accountToolsOf(db)
  const hashed = await auth.password.hash(password)
  await db.transaction(async (tx) => {
    await tx.insert(users).values({
      ...{ id, name, role, personId, username: signInName(name), displayUsername: name },
      email: `${id}@people.invalid`,
    })
    await tx.insert(accounts).values({
      ...{ id: randomUUID(), userId: id, accountId: id },
      ...{ providerId: 'credential', password: hashed },
    })
  })
  forgetWhetherSignInIsNeeded(db)
}

async function personOr404(db: Database, id: string | null): Promise<void> {
  if (id === null) return
  const [person] = await db.select({ id: people.id }).from(people).where(eq(people.id, id))
  if (!person) throw notFound(say('api.noSuchPerson'))
}

/**
 * Makes the owner's account, with which signing in begins.
 *
 * @throws Refusal 409 where there is one
 */
export async function addOwner(
  db: Database,
  { name, password }: { name: string; password: string },
): Promise<void> {
  if (await isSignInNeeded(db)) throw conflict(say('api.ownerThere'), 'owner-there')
  // Alone they are who measures as well.
  const [gym] = await db.select({ testerId: settings.testerId }).from(settings)
  const personId = gym?.testerId ?? null
  await add(db, { id: randomUUID(), role: 'owner', name, password, personId })
}

/** Gives somebody an account. Sent twice it is made once. */
export async function addAccount(db: Database, account: NewAccount): Promise<void> {
  if (!(await isSignInNeeded(db))) throw conflict(say('api.ownerFirst'), 'owner-first')
  const [there] = await db.select({ name: users.name }).from(users).where(eq(users.id, account.id))
  if (there?.name === account.name) return
  if (there) throw conflict(say('api.idTaken'), 'id-taken', 'id')
  await add(db, account)
}

async function accountOr404(db: Database, id: string) {
  const [account] = await db.select().from(users).where(eq(users.id, id))
  if (!account) throw notFound(say('api.noSuchAccount'))
  return account
}

/** @throws Refusal 409 where it is the last owner: nobody could let anybody in any more */
async function refuseLastOwner(db: Database, id: string): Promise<void> {
  const [others] = await db
    .select({ count: count() })
    .from(users)
    .where(and(eq(users.role, 'owner'), sql`${users.id} <> ${id}`))
  if (others!.count === 0) throw conflict(say('api.lastOwner'), 'last-owner')
}

/** Changes what somebody may do, who they are, or their password; what they had open ends. */
export async function changeAccount(
  db: Database,
  id: string,
  { role, personId, password }: AccountChange,
): Promise<void> {
  const account = await accountOr404(db, id)
  if (account.role === 'client') throw notFound(say('api.noSuchAccount'))
  if (role && role !== 'owner' && account.role === 'owner') await refuseLastOwner(db, id)
  if (personId) await personOr404(db, personId)
  if (password !== undefined) await refuseCommon(password, account.name)
  if (role !== undefined || personId !== undefined)
    await db
      .update(users)
      .set({ ...(role && { role }), ...(personId !== undefined && { personId }) })
      .where(eq(users.id, id))
  if (password !== undefined) await setPassword(db, id, password)
  if (password !== undefined || (role && role !== account.role)) await endSessionsOf(db, id)
}

/** Sets somebody's password. */
async function setPassword(db: Database, userId: string, password: string): Promise<void> {
  const auth = await accountToolsOf(db)
  await auth.internalAdapter.updatePassword(userId, await auth.password.hash(password))
}

/**
 * Sets the password of who signs in by a name, from the computer itself.
 *
 * @throws Refusal where nobody does, or the password is too short or too common
 */
export async function setPasswordByName(
  db: Database,
  signsInAs: string,
  password: string,
): Promise<{ name: string }> {
  const [user] = await db
    .select()
    .from(users)
    .where(eq(users.username, signInName(signsInAs)))
  if (!user) throw notFound(say('api.noSuchAccount'))
  const given = newPasswordSchema.safeParse(password)
  if (!given.success)
    throw new Refusal(422, problemsOf(given.error)[0]!.message, { field: 'password' })
  await refuseCommon(password, user.name)
  await setPassword(db, user.id, password)
  await endSessionsOf(db, user.id)
  return { name: user.name }
}

/** Changes one's own password. @throws Refusal 422 where the present one is another */
export async function changeOwnPassword(
  db: Database,
  userId: string,
  { current, password }: { current: string; password: string },
  here: string,
): Promise<void> {
  const auth = await accountToolsOf(db)
  const { name } = await accountOr404(db, userId)
  const account = await auth.internalAdapter.findCredentialAccount(userId)
  const right =
    account?.password && (await auth.password.verify({ hash: account.password, password: current }))
  if (!right)
    throw new Refusal(422, say('api.wrongPresent'), { field: 'current', code: 'password' })
  await refuseCommon(password, name)
  await setPassword(db, userId, password)
  await endSessionsOf(db, userId, here)
}

export async function removeAccount(db: Database, id: string): Promise<void> {
  const { role } = await accountOr404(db, id)
  if (role === 'owner') await refuseLastOwner(db, id)
  await endSessionsOf(db, id)
  await db.delete(users).where(eq(users.id, id))
}

/** Signs a browser out, from another one. */
export async function endSession(db: Database, id: string): Promise<void> {
  const ended = await endSessions(db, eq(sessions.id, id))
  if (ended === 0) throw notFound(say('api.noSuchSession'))
}

/** Who did what, the latest first. */
export async function findEvents(
  db: Connection,
  { client, user, page }: EventsQuery,
): Promise<Events> {
  const where = and(
    client === undefined ? undefined : eq(auditEvents.clientId, client),
    user === undefined ? undefined : eq(auditEvents.userId, user),
  )
  const [all] = await db.select({ count: count() }).from(auditEvents).where(where)
  const rows = await db
    .select()
    .from(auditEvents)
    .where(where)
    .orderBy(desc(auditEvents.id))
    .limit(EVENTS_PAGE)
    .offset((page - 1) * EVENTS_PAGE)
  const names = await namesOf(
    db,
    rows.flatMap(({ clientId }) => clientId ?? []),
  )
  const events = rows.map(({ at, who, device, what, clientId }) => ({
    ...{ at: at.toISOString(), who, device, what },
    client: clientId === null ? null : { id: clientId, name: names.get(clientId) ?? '' },
  }))
  return { page, total: all!.count, events }
}

async function namesOf(db: Connection, ids: string[]): Promise<Map<string, string>> {
  const found = await jsonOf<{ id: string; name: string }[]>(
    db,
    listOf(
      sql`json_build_object('id', c.id, 'name', c.name)`,
      sql`from clients c where c.id = any(array(select jsonb_array_elements_text(${JSON.stringify(ids)}::jsonb)::uuid))`,
      sql`c.name`,
    ),
  )
  return new Map(found.map(({ id, name }) => [id, name]))
}

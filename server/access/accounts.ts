import { randomBytes, randomUUID } from 'node:crypto'
import { existsSync, linkSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { BetterAuthPlugin } from 'better-auth'
import { appendResponseHeader, type H3Event } from 'h3'
import { z } from 'zod'
import { folderOf, type Database } from '../database/driver'
import { makeFolder, PRIVATE, syncPath } from '../database/durable-fs'
import { PARTS } from '../database/record-folder'
import { isThroughDoor } from '../network/door'
import { accounts, sessions, users, verifications } from '../database/schema'
import { publicOrigin } from './local'

/* Accounts, passwords and sessions are kept by a library made for it; this is how it is set up. */

/** A session that nobody uses ends by itself. */
const SESSION_S = 30 * 86_400
/** How often a session that is used is lengthened, and with it when it was last seen. */
const LENGTHENED_AFTER_S = 600

/** What cookies are signed with: made once for a folder, and for its owner alone. */
function secretOf(folder: string | undefined): string {
  if (!folder) return randomBytes(32).toString('base64url')
  const path = join(folder, PARTS.secret)
  if (!existsSync(path)) {
    makeFolder(folder)
    const making = `${path}.${randomUUID()}`
    writeFileSync(making, randomBytes(32).toString('base64url'), { mode: PRIVATE.file })
    syncPath(making)
    try {
      linkSync(making, path)
    } catch (error) {
      // Another process that shares the folder was first.
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error
    } finally {
      rmSync(making)
    }
  }
  return readFileSync(path, 'utf8')
}

/** Names are the same however they are written: capitals, spaces around, and the ways to put an accent. */
export const signInName = (name: string): string => name.trim().normalize('NFC').toLowerCase()

/** Lets in a device that its owner held a code for, as if they had signed in on it. */
async function pairing() {
  const [{ createAuthEndpoint }, { setSessionCookie }] = await Promise.all([
    import('better-auth/api'),
    import('better-auth/cookies'),
  ])
  const options = {
    ...({ method: 'POST', metadata: { SERVER_ONLY: true } } as const),
    body: z.object({ userId: z.string(), device: z.string(), linkId: z.string().optional() }),
  }
  return {
    id: 'pairing',
    endpoints: {
      pairDevice: createAuthEndpoint('/pair-device', options, async (ctx) => {
        const { internalAdapter } = ctx.context
        const user = await internalAdapter.findUserById(ctx.body.userId)
        if (!user) throw ctx.error('NOT_FOUND')
        const session = await internalAdapter.createSession(user.id, false, {
          ...{ device: ctx.body.device, linkId: ctx.body.linkId },
        })
        await setSessionCookie(ctx, { session, user })
        return ctx.json({})
      }),
    },
  } satisfies BetterAuthPlugin
}

/** It is read when somebody signs in: a computer on which nobody does is spared it at every start. */
async function setUp(db: Database) {
  const [{ betterAuth }, { drizzleAdapter }, { username }, paired] = await Promise.all([
    import('better-auth'),
    import('better-auth/adapters/drizzle'),
    import('better-auth/plugins/username'),
    pairing(),
  ])
  return betterAuth({
    baseURL: publicOrigin() ?? 'http://127.0.0.1',
    secret: secretOf(folderOf(db)),
    database: drizzleAdapter(db, {
      ...{ provider: 'pg', transaction: true },
      schema: { user: users, session: sessions, account: accounts, verification: verifications },
    }),
    emailAndPassword: { enabled: true, disableSignUp: true },
    plugins: [
      username({
        ...{ minUsernameLength: 1, maxUsernameLength: 80, usernameValidator: () => true },
        usernameNormalization: signInName,
      }),
      paired,
    ],
    user: {
      additionalFields: {
        role: { type: 'string', input: false },
        personId: { type: 'string', required: false, input: false },
        clientId: { type: 'string', required: false, input: false },
      },
    },
    session: {
      ...{ expiresIn: SESSION_S, updateAge: LENGTHENED_AFTER_S },
      additionalFields: {
        device: { type: 'string', required: false, input: false },
        linkId: { type: 'string', required: false, input: false },
      },
    },
    advanced: {
      cookiePrefix: 'oak-pinch',
      useSecureCookies: publicOrigin()?.startsWith('https:') ?? false,
      database: { generateId: () => randomUUID() },
    },
    // Its own limits are for its own routes, which are not served.
    rateLimit: { enabled: false },
    telemetry: { enabled: false },
    logger: { disabled: true },
  })
}

const kept = new WeakMap<Database, ReturnType<typeof setUp>>()
/** The accounts of a record. */
export function accountsOf(db: Database): ReturnType<typeof setUp> {
  const auth = kept.get(db) ?? setUp(db)
  kept.set(db, auth)
  return auth
}

/** What the library checks and stores passwords and sessions with. */
export const accountToolsOf = async (db: Database) => (await accountsOf(db)).$context

/** Gives a browser the cookies that the library set; by the door for phones they are for HTTPS alone. */
export function passCookies(headers: Headers, event: H3Event): void {
  const secured = isThroughDoor(event.node.req.socket)
  for (const cookie of headers.getSetCookie())
    appendResponseHeader(event, 'set-cookie', secured ? `${cookie}; Secure` : cookie)
}

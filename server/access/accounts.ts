import { randomBytes, randomUUID } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { appendResponseHeader, type H3Event } from 'h3'
import { folderOf, type Database } from '../database/driver'
import { PRIVATE, syncPath } from '../database/durable-fs'
import { PARTS } from '../database/record-folder'
import { accounts, sessions, users, verifications } from '../database/schema'

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
    writeFileSync(path, randomBytes(32).toString('base64url'), { mode: PRIVATE.file })
    syncPath(path)
  }
  return readFileSync(path, 'utf8')
}

/** Names are the same however they are written: capitals, spaces around, and the ways to put an accent. */
export const signInName = (name: string): string => name.trim().normalize('NFC').toLowerCase()

/** It is read when somebody signs in: a computer on which nobody does is spared it at every start. */
async function setUp(db: Database) {
  const [{ betterAuth }, { drizzleAdapter }, { username }] = await Promise.all([
    import('better-auth'),
    import('better-auth/adapters/drizzle'),
    import('better-auth/plugins/username'),
  ])
  return betterAuth({
    baseURL: process.env.OAK_PINCH_ORIGIN || 'http://127.0.0.1',
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
      additionalFields: { device: { type: 'string', required: false, input: false } },
    },
    advanced: {
      cookiePrefix: 'oak-pinch',
      useSecureCookies: process.env.NITRO_SSL_CERT !== undefined || isHttps(),
      database: { generateId: () => randomUUID() },
    },
    // Its own limits are for its own routes, which are not served.
    rateLimit: { enabled: false },
    telemetry: { enabled: false },
    logger: { disabled: true },
  })
}
const isHttps = () => process.env.OAK_PINCH_ORIGIN?.startsWith('https:') ?? false

const kept = new WeakMap<Database, ReturnType<typeof setUp>>()
/** The accounts of a record. */
export function accountsOf(db: Database): ReturnType<typeof setUp> {
  const auth = kept.get(db) ?? setUp(db)
  kept.set(db, auth)
  return auth
}

/** What the library checks and stores passwords and sessions with. */
export const accountToolsOf = async (db: Database) => (await accountsOf(db)).$context

/** Gives a browser the cookies that the library set. */
export function passCookies(headers: Headers, event: H3Event): void {
  for (const cookie of headers.getSetCookie()) appendResponseHeader(event, 'set-cookie', cookie)
}

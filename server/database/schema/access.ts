import * as pg from 'drizzle-orm/pg-core'
import { ROLES } from '../../../shared/access'
import { instant, oneOf } from './columns'

/*
 * Who gets in: in a schema of its own, since it is no part of the record. A backup holds no password, and a restored
 * record lets in whoever was let in before. The tables of the library that keeps accounts have the columns it asks for.
 */
export const access = pg.pgSchema('access')

const times = {
  createdAt: instant('created_at').notNull().defaultNow(),
  updatedAt: instant('updated_at').notNull().defaultNow(),
}

/** Whoever can sign in. */
export const users = access.table(
  'users',
  {
    id: pg.text('id').primaryKey(),
    /** As they wrote it. */
    name: pg.text('name').notNull(),
    /** The library wants one; nobody is asked for theirs, and nothing is sent to it. */
    email: pg.text('email').notNull().unique(),
    emailVerified: pg.boolean('email_verified').notNull().default(false),
    image: pg.text('image'),
    /** The name that they sign in with, in small letters. */
    username: pg.text('username').unique(),
    displayUsername: pg.text('display_username'),
    role: pg.text('role', { enum: ROLES }).notNull(),
    /** Who they are among the people who measure. */
    personId: pg.uuid('person_id'),
    /** Who they are among the clients; goes with the client. */
    clientId: pg.uuid('client_id'),
    ...times,
  },
  (t) => [pg.check('users_role', oneOf(t.role, ROLES))],
)

/** Every browser that somebody is signed in with; a row that is gone is signed out. */
export const sessions = access.table(
  'sessions',
  {
    id: pg.text('id').primaryKey(),
    token: pg.text('token').notNull().unique(),
    userId: pg
      .text('user_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    expiresAt: instant('expires_at').notNull(),
    ipAddress: pg.text('ip_address'),
    userAgent: pg.text('user_agent'),
    /** What its owner calls it. */
    device: pg.text('device'),
    ...times,
  },
  (t) => [pg.index('sessions_user').on(t.userId)],
)

/** The password of each user, hashed. */
export const accounts = access.table(
  'accounts',
  {
    id: pg.text('id').primaryKey(),
    accountId: pg.text('account_id').notNull(),
    providerId: pg.text('provider_id').notNull(),
    userId: pg
      .text('user_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    accessToken: pg.text('access_token'),
    refreshToken: pg.text('refresh_token'),
    idToken: pg.text('id_token'),
    accessTokenExpiresAt: instant('access_token_expires_at'),
    refreshTokenExpiresAt: instant('refresh_token_expires_at'),
    scope: pg.text('scope'),
    password: pg.text('password'),
    ...times,
  },
  (t) => [pg.index('accounts_user').on(t.userId)],
)

export const verifications = access.table('verifications', {
  id: pg.text('id').primaryKey(),
  identifier: pg.text('identifier').notNull(),
  value: pg.text('value').notNull(),
  expiresAt: instant('expires_at').notNull(),
  ...times,
})

/** Who looked at what and did what. Append-only; ids and names of actions, and no measured value. */
export const auditEvents = access.table(
  'audit_events',
  {
    id: pg.bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
    at: instant('at').notNull().defaultNow(),
    /** Whose account, as long as there is one. */
    userId: pg.text('user_id'),
    /** By the name that they had then. */
    who: pg.text('who').notNull(),
    device: pg.text('device'),
    /** The name of a route, as `clients.file`, or what was done to an account. */
    what: pg.text('what').notNull(),
    /** About whom; goes with the client. */
    clientId: pg.uuid('client_id'),
  },
  (t) => [
    pg.index('audit_events_client').on(t.clientId, t.id),
    pg.index('audit_events_user').on(t.userId, t.id),
  ],
)

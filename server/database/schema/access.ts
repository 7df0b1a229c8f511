import { sql } from 'drizzle-orm'
import * as pg from 'drizzle-orm/pg-core'
import { REMINDER_STATES } from '../../../shared/contract/choices'
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
    /** The link that a client came by: it ends with it. */
    linkId: pg.uuid('link_id'),
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

/** Keys with which a spreadsheet reads the record as values between commas, and nothing else. */
export const sheetKeys = access.table('sheet_keys', {
  id: pg.uuid('id').primaryKey(),
  /** What it is for, as its owner calls it. */
  name: pg.text('name').notNull(),
  /** Of the key: who reads the database could not use it. */
  hash: pg.text('hash').notNull().unique(),
  createdAt: instant('created_at').notNull().defaultNow(),
  usedAt: instant('used_at'),
})

/** Links with which a client comes to their own page: the key itself is shown once, what is kept opens nothing. */
export const shareLinks = access.table(
  'share_links',
  {
    id: pg.uuid('id').primaryKey(),
    /** Goes with the client. */
    clientId: pg.uuid('client_id').notNull(),
    hash: pg.text('hash').notNull().unique(),
    createdAt: instant('created_at').notNull().defaultNow(),
    createdBy: pg.text('created_by').notNull(),
    expiresAt: instant('expires_at').notNull(),
    endedAt: instant('ended_at'),
    usedAt: instant('used_at'),
  },
  (t) => [pg.index('share_links_client').on(t.clientId)],
)

/**
 * What clients were reminded of, one row a thing whoever finds it due: what makes a reminder go out once. Not part of the
 * record, so that a restored one reminds of nothing again.
 */
export const reminders = access.table(
  'reminders',
  {
    id: pg.uuid('id').primaryKey(),
    /** Goes with the client. */
    clientId: pg.uuid('client_id').notNull(),
    kind: pg.text('kind').notNull(),
    remindedOf: pg.text('reminded_of').notNull(),
    dueOn: pg.date('due_on', { mode: 'string' }).notNull(),
    state: pg.text('state', { enum: REMINDER_STATES }).notNull(),
    madeAt: instant('made_at').notNull().defaultNow(),
    tries: pg.integer('tries').notNull().default(0),
    /** When it is tried, or tried again. */
    tryAt: instant('try_at').notNull().defaultNow(),
    /** When one process took it to send. */
    claimedAt: instant('claimed_at'),
    endedAt: instant('ended_at'),
    /** What the mail server said, where it took nothing. */
    trouble: pg.text('trouble'),
  },
  (t) => [
    pg.unique('reminders_once').on(t.clientId, t.kind, t.remindedOf, t.dueOn),
    pg
      .index('reminders_waiting')
      .on(t.tryAt)
      .where(sql`state in ('waiting', 'sending')`),
    pg.index('reminders_made').on(t.madeAt),
    pg.check('reminders_state', oneOf(t.state, REMINDER_STATES)),
  ],
)

/** Who wants no more reminders by mail. In the record too: a backup knows it, and none brings them back. */
export const mailStops = access.table('mail_stops', {
  /** Goes with the client. */
  clientId: pg.uuid('client_id').primaryKey(),
  stoppedAt: instant('stopped_at').notNull().defaultNow(),
})

/** Of the keys in mails with which their readers stop them, a key a mail. */
export const mailKeys = access.table(
  'mail_keys',
  {
    hash: pg.text('hash').primaryKey(),
    /** Goes with the client. */
    clientId: pg.uuid('client_id').notNull(),
    madeAt: instant('made_at').notNull().defaultNow(),
  },
  (t) => [pg.index('mail_keys_client').on(t.clientId)],
)

/** Secret addresses of calendars: of one who works here, of whoever sits at this computer, or of a client. */
export const calendarFeeds = access.table('calendar_feeds', {
  /** `user`, `client` or `computer`, and whose: one each. */
  owner: pg.text('owner').primaryKey(),
  userId: pg.text('user_id').references(() => users.id, { onDelete: 'cascade' }),
  /** Goes with the client. */
  clientId: pg.uuid('client_id'),
  hash: pg.text('hash').notNull().unique(),
  createdAt: instant('created_at').notNull().defaultNow(),
  usedAt: instant('used_at'),
})

/** When something that is done again and again was done last: of several processes the one that writes it does it. */
export const jobs = access.table('jobs', {
  name: pg.text('name').primaryKey(),
  claimedAt: instant('claimed_at').notNull(),
})

/** Links with which a screen on the wall shows a leaderboard and nothing else. */
export const wallLinks = access.table('wall_links', {
  leaderboardId: pg.uuid('leaderboard_id').primaryKey(),
  hash: pg.text('hash').notNull().unique(),
  /** Whether how much each changed stands beside the names. */
  showsFigures: pg.boolean('shows_figures').notNull(),
  createdAt: instant('created_at').notNull().defaultNow(),
  usedAt: instant('used_at'),
})

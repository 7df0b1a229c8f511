import { randomUUID } from 'node:crypto'
import { and, eq, inArray, sql } from 'drizzle-orm'
import { say, type DueReminder, type IsoDate } from '#core'
import type { Reminders } from '#shared/contract/reminders'
import type { Voice } from '#shared/words/voice'
import type { Actor } from '#shared/access'
import { clientOr404, ofCoach } from '../clients/queries'
import type { Connection, Database } from '../database/driver'
import { iso, jsonOf, listOf } from '../database/json'
import { reminders } from '../database/schema'
import { conflict, notFound } from '../http/errors'
import { feedOf } from './calendar-feeds'
import { listReminded, nameOf, remindersOf, wayOf } from './due'
import { mailSender, mailServer } from './mail'
import { outboxFolder } from './outbox'
import { findReminderSettings, usualWords, wordsOf } from './settings'

const SHOWN = 100

/** What there is to remind of and what was, of a coach's clients or of all. */
export async function findReminders(
  db: Connection,
  { today, coach, actor, voice }: { today: IsoDate; coach?: string; actor: Actor; voice: Voice },
): Promise<Reminders> {
  const settings = await findReminderSettings(db)
  const now = new Date()
  const due = (await listReminded(db, { coach })).flatMap((client) =>
    remindersOf(client, settings, today)
      .filter((one) => !client.had.includes(nameOf(one)))
      .map((one) => ({
        ...{ ...one, clientId: client.id, name: client.name },
        ...wordsOf(one, settings, client),
        way: wayOf(client, settings, now),
      })),
  )
  const log = await jsonOf<Reminders['log']>(
    db,
    listOf(
      sql`json_build_object('id', t.id, 'clientId', t.client_id, 'name', t.name, 'kind', t.kind, 'of', t.reminded_of,
        'dueOn', t.due_on, 'state', t.state, 'at', ${iso(sql`t.at`)}, 'tries', t.tries,
        'nextTryAt', case when t.state = 'waiting' then ${iso(sql`t.try_at`)} end, 'trouble', t.trouble)`,
      sql`from (select r.*, c.name, coalesce(r.ended_at, r.made_at) as at from access.reminders r join clients c on c.id = r.client_id
        where ${ofCoach(coach)} order by coalesce(r.ended_at, r.made_at) desc limit ${SHOWN}) t`,
      sql`t.at desc, t.name, t.id`,
    ),
  )
  return {
    ...{ settings, usual: usualWords(voice), due, log },
    mail: {
      server: mailServer() !== undefined,
      from: mailSender() ?? null,
      standIn: outboxFolder() !== undefined,
    },
    feed: await feedOf(db, actor),
  }
}

/** Writes down that the coach gave a reminder themselves, so that no mail goes out for it. Twice is once. */
export async function noteSaid(
  db: Database,
  clientId: string,
  { kind, of: remindedOf, dueOn }: DueReminder,
): Promise<void> {
  await clientOr404(db, clientId)
  const row = { id: randomUUID(), clientId, kind, remindedOf, dueOn, endedAt: new Date() }
  await db
    .insert(reminders)
    .values({ ...row, state: 'copied' })
    .onConflictDoUpdate({
      target: [reminders.clientId, reminders.kind, reminders.remindedOf, reminders.dueOn],
      set: { state: 'copied', endedAt: row.endedAt },
      setWhere: inArray(reminders.state, ['waiting', 'failed', 'unclear', 'over']),
    })
}

/** Lets a mail that failed, or may have, be tried once more. @throws Refusal 404, or 409 for one in any other state */
export async function tryAgain(db: Database, clientId: string, id: string): Promise<void> {
  const again = { state: 'waiting' as const, tries: 0, tryAt: new Date(), endedAt: null }
  const one = and(eq(reminders.id, id), eq(reminders.clientId, clientId))
  const changed = await db
    .update(reminders)
    .set(again)
    .where(and(one, inArray(reminders.state, ['failed', 'unclear'])))
    .returning({ id: reminders.id })
  if (changed.length > 0) return
  const [there] = await db.select({ state: reminders.state }).from(reminders).where(one)
  if (!there) throw notFound(say('api.noSuchReminder'))
  throw conflict(say('api.reminderNotFailed'), 'state')
}

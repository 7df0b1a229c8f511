import { randomUUID } from 'node:crypto'
import { and, eq, sql } from 'drizzle-orm'
import { isoDateOf, say, type DueReminder } from '#core'
import { tell } from '#shared/words/tell'
import { shippedVoice } from '#shared/words/voices'
import type { ReminderSettings } from '#shared/contract/reminders'
import { addressesOfGym } from '../access/addresses'
import { hashOfKey, newKey } from '../access/secret-keys'
import type { Database } from '../database/driver'
import { mailKeys, reminders } from '../database/schema'
import { listReminded, nameOf, remindersOf, wayOf, type Reminded } from './due'
import { mailSender, mailServer, sendMail, type MailOutcome } from './mail'
import { findReminderSettings, wordsOf } from './settings'

/*
 * A reminder goes out once. What is due becomes a row that can be there only once; a row is taken by one process, which
 * writes that down before it sends; and what was taken and never ended is not sent again by itself, since nobody knows
 * whether it went out.
 */

/** Longer than any mail takes, minutes. */
const CLAIM_MINUTES = 10
/** Mails of one round: what is left comes with the next one. */
const MOST_A_ROUND = 50

/** Puts down what is due and goes by mail; what is there already stays, but for what was given up and is due again. */
async function putDown(db: Database, settings: ReminderSettings, now: Date): Promise<void> {
  const today = isoDateOf(now)
  const rows = (await listReminded(db)).flatMap((client) =>
    wayOf(client, settings, now) === 'goes'
      ? remindersOf(client, settings, today)
          .filter((due) => !client.had.includes(nameOf(due)))
          .map(({ kind, of: remindedOf, dueOn }) => ({
            ...{ id: randomUUID(), clientId: client.id, kind, remindedOf, dueOn },
            ...{ state: 'waiting' as const, madeAt: now, tryAt: now },
          }))
      : [],
  )
  if (rows.length === 0) return
  await db
    .insert(reminders)
    .values(rows)
    .onConflictDoUpdate({
      target: [reminders.clientId, reminders.kind, reminders.remindedOf, reminders.dueOn],
      set: { state: 'waiting', tries: 0, tryAt: now, endedAt: null, trouble: null },
      setWhere: eq(reminders.state, 'over'),
    })
}

type Taken = typeof reminders.$inferSelect

/** Takes the next one to send, so that nobody else does. */
async function take(db: Database, now: Date): Promise<Taken | undefined> {
  const next = sql`(select r.id from ${reminders} r where r.state = 'waiting' and r.try_at <= ${now.toISOString()}::timestamptz
    order by r.try_at, r.id limit 1 for update skip locked)`
  const [taken] = await db
    .update(reminders)
    .set({ state: 'sending', claimedAt: now, tries: sql`${reminders.tries} + 1` })
    // Asked again in the row itself, which is locked by now.
    .where(and(eq(reminders.id, next), eq(reminders.state, 'waiting')))
    .returning()
  return taken
}

/** What was taken so long ago that whoever took it is no more. */
const setAdrift = (db: Database, now: Date) =>
  db
    .update(reminders)
    .set({ state: 'unclear', endedAt: now })
    .where(
      and(
        eq(reminders.state, 'sending'),
        sql`${reminders.claimedAt} < ${now.toISOString()}::timestamptz - make_interval(mins => ${CLAIM_MINUTES})`,
      ),
    )

/** The mail of a reminder, with how to get no more of them. @param key of this one mail */
function mailOf(
  due: DueReminder & { id: string },
  client: Reminded & { email: string },
  { settings, key }: { settings: ReminderSettings; key: string },
) {
  const voice = shippedVoice()
  const { subject, text } = wordsOf(due, settings, client)
  const from = mailSender()!
  const [outside] = addressesOfGym()
  const foot = outside
    ? [
        ...(due.of === 'report'
          ? [tell(say('reminding.yourPage', { address: `${outside}/my` }), voice)]
          : []),
        tell(say('reminding.stopByLink', { address: `${outside}/stop#${key}` }), voice),
      ]
    : [tell(say('reminding.stopByAnswer'), voice)]
  return {
    from: { name: client.gym || client.coach || 'Oak Pinch', address: from },
    ...{ to: client.email, subject, text: [text, '', '-- ', ...foot].join('\n') },
    messageId: `<${due.id}@${from.split('@')[1]}>`,
    stopAddress: outside ? `${outside}/api/mail-stops/${key}` : null,
  }
}

/**
 * Sends one that was taken, where it is still due.
 *
 * @returns whether the mail server answers: where it does not, the next one need not be tried either
 */
async function send(
  db: Database,
  taken: Taken,
  settings: ReminderSettings,
  now: Date,
): Promise<boolean> {
  const end = async (state: Taken['state'], more: Partial<Taken> = {}, answers = true) => {
    await db
      .update(reminders)
      .set({ state, endedAt: now, ...more })
      .where(and(eq(reminders.id, taken.id), eq(reminders.state, 'sending')))
    return answers
  }
  const [client] = await listReminded(db, { clientId: taken.clientId })
  const due = client && remindersOf(client, settings, isoDateOf(now))
  const still = due?.find(
    ({ kind, of, dueOn }) =>
      kind === taken.kind && of === taken.remindedOf && dueOn === taken.dueOn,
  )
  const way = client && wayOf(client, settings, now)
  // What waits for a morning, or for the mail server to be set up again, goes on waiting as long as it is due.
  if (still && (way === 'quiet' || way === 'no-server' || way === 'no-sender'))
    return end('waiting', { endedAt: null, tries: taken.tries - 1, tryAt: later(now, 1) })
  if (!client || !still || way !== 'goes') return end('over')
  const key = newKey()
  await db.insert(mailKeys).values({ hash: hashOfKey(key), clientId: client.id })
  const mail = mailOf(
    { ...still, id: taken.id },
    { ...client, email: client.email! },
    { settings, key },
  )
  const outcome: MailOutcome = await sendMail(mailServer()!, mail, taken.tries)
  if (outcome.state === 'sent') return end('sent', { trouble: null })
  if (outcome.state === 'waiting')
    return end(
      'waiting',
      {
        ...{ endedAt: null, trouble: outcome.trouble },
        tryAt: later(now, outcome.inMinutes),
      },
      outcome.answered,
    )
  return end(outcome.state, { trouble: outcome.trouble })
}

const later = (at: Date, minutes: number) => new Date(at.getTime() + minutes * 60_000)

/**
 * Sends every reminder whose turn has come.
 *
 * @param now the time by the clock of this machine
 * @returns how many were taken
 */
export async function sendReminders(db: Database, now: Date): Promise<number> {
  const settings = await findReminderSettings(db)
  await setAdrift(db, now)
  if (settings.byMail) await putDown(db, settings, now)
  let taken = 0
  for (; taken < MOST_A_ROUND; taken++) {
    const one = await take(db, now)
    if (!one || !(await send(db, one, settings, now))) break
  }
  return taken
}

import { sql } from 'drizzle-orm'
import {
  dueReminders,
  isoDateOf,
  isQuiet,
  type DueReminder,
  type IsoDate,
  type RemindedClient,
} from '#core'
import type { MailWay, ReminderSettings } from '#shared/contract/reminders'
import { ofCoach } from '../clients/queries'
import type { Connection } from '../database/driver'
import { iso, jsonOf, listOf } from '../database/json'
import { mailSender, mailServer } from './mail'

/** A client with what reminders are made of. */
export interface Reminded extends RemindedClient {
  id: string
  name: string
  coach: string
  gym: string
  email: string | null
  stopped: boolean
  /** What they were reminded of, or are to be: `kind of day`. */
  had: string[]
}

/** As a row of the log is told from others. */
export const nameOf = ({ kind, of, dueOn }: DueReminder): string => `${kind} ${of} ${dueOn}`

/** Everybody who is not archived, or of one coach, or the one. */
export async function listReminded(
  db: Connection,
  { coach, clientId }: { coach?: string; clientId?: string } = {},
): Promise<Reminded[]> {
  const found = await jsonOf<Reminded[]>(
    db,
    listOf(
      sql`json_build_object('id', c.id, 'name', c.name, 'email', d.email, 'checkInDueOn', s.due_on,
        'coach', coalesce(p.name, ''), 'gym', (select g.gym_name from settings g),
        'stopped', d.mail_stopped_at is not null or exists (select from access.mail_stops m where m.client_id = c.id),
        'report', case when d.asks is null then null else json_build_object('weekday', (d.asks->>'weekday')::int,
          'since', ${iso(sql`d.updated_at`)}, 'lastEndsOn', (
            select max(w.ends_on) from weekly_reports w where w.client_id = c.id and w.state <> 'set aside')) end,
        'had', (select coalesce(json_agg(r.kind || ' ' || r.reminded_of || ' ' || r.due_on), '[]') from access.reminders r
          where r.client_id = c.id and r.state <> 'over'))`,
      sql`from clients c join client_standings s on s.client_id = c.id
        left join client_details d on d.client_id = c.id left join people p on p.id = c.coach_id
        where c.archived_at is null and ${ofCoach(coach)} and ${clientId ? sql`c.id = ${clientId}` : sql`true`}`,
      sql`c.name, c.id`,
    ),
  )
  // The day by this computer's clock, as the others are: the database may be in another zone.
  return found.map(({ report, ...one }) => ({
    ...one,
    report: report && { ...report, since: isoDateOf(new Date(report.since)) },
  }))
}

/** What a client is due to be reminded of on a day. */
export const remindersOf = (
  client: Reminded,
  { rules }: ReminderSettings,
  today: IsoDate,
): DueReminder[] => dueReminders(client, rules, today)

/** Whether a reminder goes by mail now, or why not. */
export function wayOf(
  { email, stopped }: Pick<Reminded, 'email' | 'stopped'>,
  { byMail, quiet }: ReminderSettings,
  now: Date,
): MailWay {
  if (!byMail) return 'off'
  if (!mailServer()) return 'no-server'
  if (!mailSender()) return 'no-sender'
  if (stopped) return 'stopped'
  if (email === null) return 'no-address'
  return isQuiet(now.getHours(), quiet) ? 'quiet' : 'goes'
}

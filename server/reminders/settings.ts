import { eq } from 'drizzle-orm'
import {
  USUAL_REMINDERS,
  fillFields,
  firstName,
  PREPARATION,
  REMINDER_FIELDS,
  say,
  type DueReminder,
  type ReminderKind,
} from '#core'
import type { ReminderSettings } from '#shared/contract/reminders'
import { dayAs } from '#shared/words/formats'
import { tell, told } from '#shared/words/tell'
import { shippedVoice } from '#shared/words/voices'
import type { Voice } from '#shared/words/voice'
import type { Connection, Database } from '../database/driver'
import { settings } from '../database/schema'

const ONE_ROW = 1

/** Nothing by mail until somebody wants it, and nothing at night. */
const AT_FIRST: ReminderSettings = {
  byMail: false,
  quiet: { from: 20, until: 8 },
  rules: {
    'check-in-due': { ...USUAL_REMINDERS['check-in-due'], subject: '', text: '' },
    'report-due': { ...USUAL_REMINDERS['report-due'], subject: '', text: '' },
    overdue: { ...USUAL_REMINDERS.overdue, subject: '', text: '' },
  },
}

export async function findReminderSettings(db: Connection): Promise<ReminderSettings> {
  const [row] = await db.select({ reminders: settings.reminders }).from(settings)
  return row?.reminders ?? AT_FIRST
}

export async function changeReminderSettings(
  db: Database,
  reminders: ReminderSettings,
): Promise<void> {
  await db.update(settings).set({ reminders }).where(eq(settings.id, ONE_ROW))
}

/** Fields as somebody writes them. */
const FIELDS = Object.fromEntries(REMINDER_FIELDS.map((field) => [field, `{${field}}`])) as Record<
  (typeof REMINDER_FIELDS)[number],
  string
>

interface ReminderWords {
  subject: string
  text: string
}

/** What is sent where a coach wrote nothing of their own, with its fields. */
export function usualWords(voice: Voice): Record<ReminderKind, ReminderWords> {
  const line = (key: Parameters<typeof tell>[0]) => tell(key, voice)
  const letter = (...lines: string[]) =>
    [
      ...[line(say('reminding.hello', FIELDS)), '', ...lines, ''],
      ...[FIELDS.coach, FIELDS.gym],
    ].join('\n')
  return {
    'check-in-due': {
      subject: line(say('reminding.checkInSubject', FIELDS)),
      text: letter(
        line(say('reminding.checkInText', FIELDS)),
        '',
        ...told(PREPARATION, voice).map((each) => `- ${each}`),
      ),
    },
    'report-due': {
      subject: line(say('reminding.reportSubject', FIELDS)),
      text: letter(line(say('reminding.reportText', FIELDS))),
    },
    overdue: {
      subject: line(say('reminding.overdueSubject', FIELDS)),
      text: letter(line(say('reminding.overdueText', FIELDS))),
    },
  }
}

const WITH_WEEKDAY = dayAs({ weekday: 'long', month: 'long', day: 'numeric' })

/** A reminder in the words of the gym, its fields filled in. */
export function wordsOf(
  { kind, of, dueOn }: DueReminder,
  { rules }: ReminderSettings,
  who: { name: string; coach: string; gym: string },
): ReminderWords {
  const voice = shippedVoice()
  const usual = usualWords(voice)[kind]
  const { subject, text } = rules[kind]
  const values = {
    ...{ name: firstName(who.name), coach: who.coach, gym: who.gym },
    day: WITH_WEEKDAY(voice.language, dueOn),
    what: tell(of === 'check-in' ? say('reminding.checkIn') : say('reminding.report'), voice),
  }
  return {
    subject: fillFields(subject || usual.subject, values),
    text: fillFields(text || usual.text, values)
      // What nobody named leaves no empty lines at the foot.
      .replaceAll(/\n{3,}/g, '\n\n')
      .trim(),
  }
}

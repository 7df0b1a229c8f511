import { z } from './zod'
import {
  REMINDED_OF,
  REMINDER_DAYS,
  REMINDER_FIELDS,
  REMINDER_KINDS,
  say,
  unknownFields,
  type ReminderKind,
} from '../../core/index'
import { REMINDER_STATES } from './choices'
import { choice, freeText, idSchema, integerBetween, isoDateSchema, yesOrNo } from './fields'
import { errorText } from './problems'

const FIELDS = REMINDER_FIELDS.map((field) => `{${field}}`).join(', ')

/** Words of the coach's own, with fields in braces; none for the usual ones. */
function ownWords(longest: number, lines: boolean) {
  const label = lines ? say('fields.reminderText') : say('fields.reminderSubject')
  return freeText(label, longest, lines).refine(
    (text) => unknownFields(text).length === 0,
    errorText(label, say('fields.reminderFields', { fields: FIELDS }), (text) =>
      unknownFields(String(text)).join(', '),
    ),
  )
}

const ruleOf = (kind: ReminderKind) =>
  z.strictObject({
    on: yesOrNo(say('fields.reminderOn')),
    days: integerBetween(say('fields.days'), REMINDER_DAYS[kind].least, REMINDER_DAYS[kind].most),
    subject: ownWords(150, false),
    text: ownWords(2000, true),
  })

const hour = integerBetween(say('fields.hour'), 0, 23)

/** How a gym reminds its clients. */
export const reminderSettingsSchema = z.strictObject({
  byMail: yesOrNo(say('fields.byMail')),
  quiet: z.strictObject({ from: hour, until: hour }),
  rules: z.strictObject({
    'check-in-due': ruleOf('check-in-due'),
    'report-due': ruleOf('report-due'),
    overdue: ruleOf('overdue'),
  }),
})
export type ReminderSettings = z.output<typeof reminderSettingsSchema>

/** Which reminder. */
const whichSchema = z.object({
  kind: choice(say('fields.reminder'), REMINDER_KINDS),
  of: choice(say('fields.reminder'), REMINDED_OF),
  dueOn: isoDateSchema,
})
/** A reminder that the coach gave themselves. */
export const saidReminderSchema = whichSchema

/** Why a reminder goes by mail, or does not. */
export const MAIL_WAYS = [
  'goes',
  'quiet',
  'no-address',
  'stopped',
  'off',
  'no-server',
  'no-sender',
] as const
export type MailWay = (typeof MAIL_WAYS)[number]

const wordsSchema = z.object({ subject: z.string(), text: z.string() })

export const remindersSchema = z.object({
  settings: reminderSettingsSchema,
  /** What stands where nobody wrote their own. */
  usual: z.object({ 'check-in-due': wordsSchema, 'report-due': wordsSchema, overdue: wordsSchema }),
  mail: z.object({
    /** Whether there is a mail server, and who mail is from. */
    server: z.boolean(),
    from: z.string().nullable(),
    /** Whether the server is the demo's stand-in, whose outbox is a page. */
    standIn: z.boolean(),
  }),
  /** What there is to remind of today, and has not been. */
  due: z.array(
    whichSchema.extend({
      ...{ clientId: idSchema, name: z.string() },
      ...wordsSchema.shape,
      way: z.enum(MAIL_WAYS),
    }),
  ),
  /** What was reminded of, the latest first. */
  log: z.array(
    whichSchema.extend({
      ...{ id: idSchema, clientId: idSchema, name: z.string() },
      state: z.enum(REMINDER_STATES),
      at: z.string(),
      tries: z.number(),
      nextTryAt: z.string().nullable(),
      trouble: z.string().nullable(),
    }),
  ),
  feed: z.object({ createdAt: z.string(), usedAt: z.string().nullable() }).nullable(),
})
export type Reminders = z.output<typeof remindersSchema>

/** The secret address of a calendar, this once, by each name that the installation has. */
export const madeFeedSchema = z.object({ addresses: z.array(z.string()) })

/** A mail in the demo's outbox. */
export const outboxSchema = z.array(
  z.object({
    at: z.string(),
    from: z.string(),
    to: z.string(),
    subject: z.string(),
    text: z.string(),
  }),
)

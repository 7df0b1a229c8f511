import { type IsoDate, addDays, weekdayOf } from '../units/dates'

/*
 * Which reminders a client is due, and what stands in them. How they are sent, and that each is sent once, is for who
 * sends them. What is written here is common practice, no source.
 */

export const REMINDER_KINDS = ['check-in-due', 'report-due', 'overdue'] as const
export type ReminderKind = (typeof REMINDER_KINDS)[number]

/** What a reminder is about. */
export const REMINDED_OF = ['check-in', 'report'] as const
export type RemindedOf = (typeof REMINDED_OF)[number]

/** How a gym reminds of one kind. */
export interface ReminderRule {
  on: boolean
  /** Days before the day, or, of what is overdue, after it. */
  days: number
}
export type ReminderRules = Record<ReminderKind, ReminderRule>

/** The usual: a day before a check-in, on the day of a report, three days after either. */
export const USUAL_REMINDERS: ReminderRules = {
  'check-in-due': { on: true, days: 1 },
  'report-due': { on: true, days: 0 },
  overdue: { on: true, days: 3 },
}

/** Days before and after which are asked for at most. */
export const REMINDER_DAYS: Record<ReminderKind, { least: number; most: number }> = {
  'check-in-due': { least: 0, most: 14 },
  'report-due': { least: 0, most: 3 },
  overdue: { least: 1, most: 14 },
}

/** Days for which what is overdue is reminded of; after them it is for the coach to ask. */
export const OVERDUE_FOR_DAYS = 7
const WEEK = 7
/** A report that ends so many days before its day or after it is the one of that day. */
const REPORT_NEAR_DAYS = 3

/** What is known of a client. */
export interface RemindedClient {
  /** When the next check-in is due; null where none is. */
  checkInDueOn: IsoDate | null
  /** The day on which a weekly report is asked for, and since when; null where none is. */
  report: { weekday: number; since: IsoDate; lastEndsOn: IsoDate | null } | null
}

/** One reminder that is due. */
export interface DueReminder {
  kind: ReminderKind
  of: RemindedOf
  dueOn: IsoDate
}

/** The day of the week's report that is nearest to a day, not more than a week before it. */
function reportDay(weekday: number, lastDay: IsoDate): IsoDate {
  return addDays(lastDay, -((weekdayOf(lastDay) - weekday + WEEK) % WEEK))
}

function checkInReminders(dueOn: IsoDate, rules: ReminderRules, today: IsoDate): DueReminder[] {
  const of = 'check-in' as const
  const { 'check-in-due': before, overdue: after } = rules
  const first = addDays(dueOn, after.days)
  if (before.on && today <= dueOn && today >= addDays(dueOn, -before.days))
    return [{ kind: 'check-in-due', of, dueOn }]
  if (after.on && today >= first && today < addDays(first, OVERDUE_FOR_DAYS))
    return [{ kind: 'overdue', of, dueOn }]
  return []
}

function reportReminders(
  { weekday, since, lastEndsOn }: NonNullable<RemindedClient['report']>,
  rules: ReminderRules,
  today: IsoDate,
): DueReminder[] {
  const of = 'report' as const
  const there = (dueOn: IsoDate) =>
    lastEndsOn !== null && lastEndsOn >= addDays(dueOn, -REPORT_NEAR_DAYS)
  const { 'report-due': before, overdue: after } = rules
  const next = reportDay(weekday, addDays(today, before.days))
  if (before.on && today <= next && next >= since && !there(next))
    return [{ kind: 'report-due', of, dueOn: next }]
  // As long as the next one is not near: a report that comes then would be that one.
  const late = Math.min(after.days, WEEK - REPORT_NEAR_DAYS)
  const last = reportDay(weekday, addDays(today, -late))
  const over = addDays(last, WEEK - REPORT_NEAR_DAYS)
  if (after.on && last >= since && !there(last) && today <= over)
    return [{ kind: 'overdue', of, dueOn: last }]
  return []
}

/**
 * The reminders that a client is due on a day: at most one of the check-in and one of the report.
 *
 * @param today the day it is asked for
 */
export function dueReminders(
  { checkInDueOn, report }: RemindedClient,
  rules: ReminderRules,
  today: IsoDate,
): DueReminder[] {
  return [
    ...(checkInDueOn === null ? [] : checkInReminders(checkInDueOn, rules, today)),
    ...(report === null ? [] : reportReminders(report, rules, today)),
  ]
}

/** What stands in place of these words, in braces, in a coach's own text. */
export const REMINDER_FIELDS = ['name', 'day', 'what', 'coach', 'gym'] as const
export type ReminderField = (typeof REMINDER_FIELDS)[number]

const FIELD = /\{([^{}]*)\}/g

/** Puts what is meant in place of the fields of a text. */
export const fillFields = (text: string, values: Record<ReminderField, string>): string =>
  text.replaceAll(FIELD, (whole, name: string) => values[name.trim() as ReminderField] ?? whole)

/** Fields of a text that there are none of. */
export const unknownFields = (text: string): string[] =>
  [...text.matchAll(FIELD)]
    .filter(([, name]) => !REMINDER_FIELDS.includes(name!.trim() as ReminderField))
    .map(([whole]) => whole)

/** Hours of the day between which nothing is sent; the same twice for none. */
export interface QuietHours {
  from: number
  until: number
}

/** Whether an hour of the day, 0 to 23, is a quiet one. */
export const isQuiet = (hour: number, { from, until }: QuietHours): boolean =>
  from <= until ? hour >= from && hour < until : hour >= from || hour < until

/** Tries of one mail, after which it has failed. */
export const MOST_TRIES = 6
const FIRST_WAIT_MINUTES = 5
const WAIT_GROWS = 3

/**
 * Minutes until the next try of what a mail server did not take: 5, 15, 45 and so on.
 *
 * @param tries how many there were
 * @returns null after the last one
 */
export const nextTryMinutes = (tries: number): number | null =>
  tries >= MOST_TRIES ? null : FIRST_WAIT_MINUTES * WAIT_GROWS ** (tries - 1)

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  addDays,
  daysBetween,
  dueReminders,
  fillFields,
  isQuiet,
  MOST_TRIES,
  nextTryMinutes,
  OVERDUE_FOR_DAYS,
  REMINDER_DAYS,
  unknownFields,
  USUAL_REMINDERS,
  weekdayOf,
  type RemindedClient,
  type ReminderRules,
} from '#core'

/* When a client is reminded. What is usual is common practice, no source. */

const DUE = '2026-11-26'
const nobody: RemindedClient = { checkInDueOn: null, report: null }
const of = (client: Partial<RemindedClient>, today: string, rules = USUAL_REMINDERS) =>
  dueReminders({ ...nobody, ...client }, rules, today).map(
    ({ kind, of: what, dueOn }) => `${kind} ${what} ${dueOn}`,
  )

describe('a check-in', () => {
  test('is reminded of from the day before, and again three days after, for a week', () => {
    const days = Array.from({ length: 20 }, (_, i) => addDays(DUE, i - 5))
    const said = days.map((today) => [
      daysBetween(DUE, today),
      of({ checkInDueOn: DUE }, today)[0]?.split(' ')[0],
    ])
    expect(said.filter(([, kind]) => kind)).toEqual([
      ...[-1, 0].map((day) => [day, 'check-in-due']),
      ...Array.from({ length: OVERDUE_FOR_DAYS }, (_, i) => [3 + i, 'overdue']),
    ])
  })

  test('that is not due, or of a kind that is off, is not', () => {
    expect(of({}, DUE)).toEqual([])
    const off: ReminderRules = {
      ...USUAL_REMINDERS,
      'check-in-due': { ...USUAL_REMINDERS['check-in-due'], on: false },
      overdue: { ...USUAL_REMINDERS.overdue, on: false },
    }
    for (let day = -5; day < 15; day++)
      expect(of({ checkInDueOn: DUE }, addDays(DUE, day), off)).toEqual([])
  })
})

describe('a weekly report', () => {
  // Sunday.
  const SUNDAY = '2026-11-22'
  const report = { weekday: 6, since: '2026-01-01', lastEndsOn: '2026-11-15' }

  test('is reminded of on its day, and once more when it is three days late', () => {
    const said = Array.from({ length: 8 }, (_, i) => of({ report }, addDays(SUNDAY, i)))
    expect(said).toEqual([
      [`report-due report ${SUNDAY}`],
      [],
      [],
      [`overdue report ${SUNDAY}`],
      [`overdue report ${SUNDAY}`],
      [],
      [],
      [`report-due report ${addDays(SUNDAY, 7)}`],
    ])
  })

  test('that came, up to three days early or late, is the one of that day', () => {
    for (const early of [-3, -1, 0, 2, 3]) {
      const came = { ...report, lastEndsOn: addDays(SUNDAY, early) }
      for (let day = Math.max(0, early); day < 7; day++)
        expect(of({ report: came }, addDays(SUNDAY, day))).toEqual([])
    }
    const before = { ...report, lastEndsOn: addDays(SUNDAY, -4) }
    expect(of({ report: before }, SUNDAY)).toHaveLength(1)
  })

  test('that was not asked for yet is not', () => {
    const since = addDays(SUNDAY, 2)
    for (let day = 0; day < 7; day++)
      expect(of({ report: { ...report, since, lastEndsOn: null } }, addDays(SUNDAY, day))).toEqual(
        [],
      )
  })
})

test('whatever the rules, one day has at most one reminder of each, and one due day one of a kind', () => {
  const day = fc.integer({ min: -40, max: 40 }).map((n) => addDays(DUE, n))
  const rule = (kind: keyof ReminderRules) =>
    fc.record({
      on: fc.boolean(),
      days: fc.integer({ min: REMINDER_DAYS[kind].least, max: REMINDER_DAYS[kind].most }),
    })
  const rules = fc.record({
    'check-in-due': rule('check-in-due'),
    'report-due': rule('report-due'),
    overdue: rule('overdue'),
  })
  const client = fc.record({
    checkInDueOn: fc.option(day),
    report: fc.option(
      fc.record({
        weekday: fc.integer({ min: 0, max: 6 }),
        since: day,
        lastEndsOn: fc.option(day),
      }),
    ),
  })
  fc.assert(
    fc.property(client, rules, day, (who, how, today) => {
      const due = dueReminders(who, how, today)
      expect(new Set(due.map(({ of: what }) => what)).size).toBe(due.length)
      for (const { kind, of: what, dueOn } of due) {
        expect(how[kind].on).toBe(true)
        // What is due is ahead, what is overdue behind.
        expect(Math.sign(daysBetween(today, dueOn)) || 0).toBe(
          kind === 'overdue' ? -1 : Math.sign(daysBetween(today, dueOn)) && 1,
        )
        if (what === 'report') expect(weekdayOf(dueOn)).toBe(who.report!.weekday)
      }
    }),
  )
})

test('quiet hours may reach over midnight, and the same hour twice is none', () => {
  const quiet = (from: number, until: number) =>
    Array.from({ length: 24 }, (_, hour) => hour).filter((hour) => isQuiet(hour, { from, until }))
  expect(quiet(20, 8)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 20, 21, 22, 23])
  expect(quiet(12, 14)).toEqual([12, 13])
  expect(quiet(9, 9)).toEqual([])
})

test('what a server did not take is tried again, each time later, and not for ever', () => {
  const waits = Array.from({ length: MOST_TRIES }, (_, i) => nextTryMinutes(i + 1))
  expect(waits).toEqual([5, 15, 45, 135, 405, null])
})

test('fields are filled in, whatever stands in them, and others are named', () => {
  const values = { name: 'Ann {day}', day: 'Monday', what: 'check-in', coach: '$&', gym: '' }
  expect(fillFields('{name}: { day } {coach}{gym} {other}', values)).toBe(
    'Ann {day}: Monday $& {other}',
  )
  expect(unknownFields('{name} {nam} { day } {} {x y}')).toEqual(['{nam}', '{}', '{x y}'])
})

import { afterEach, expect, test } from 'vitest'
import { calendarOf, type IsoDate } from '#core'

const before = process.env.TZ
afterEach(() => {
  if (before === undefined) delete process.env.TZ
  else process.env.TZ = before
})

// Of the tests' processes this kind alone has a zone of its own to change.
test.each(['UTC', 'Europe/Berlin', 'America/Los_Angeles', 'Pacific/Kiritimati', 'Asia/Dubai'])(
  'a day of the calendar file is that day in %s, on the days of the changes of the clock too',
  (zone) => {
    process.env.TZ = zone
    expect(new Intl.DateTimeFormat().resolvedOptions().timeZone).toBe(zone)
    for (const date of ['2026-12-01', '2026-03-29', '2026-10-25', '2027-01-01'] as IsoDate[]) {
      const visit = { uid: 'one', date, summary: 'Check-in', description: '' }
      expect(calendarOf([visit], 'Check-ins', new Date(0))).toContain(
        `DTSTART;VALUE=DATE:${date.replaceAll('-', '')}`,
      )
    }
  },
)

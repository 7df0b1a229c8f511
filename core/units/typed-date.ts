import { addYears, isValid, lightFormat, parse, parseISO, subDays } from 'date-fns'
import type { IsoDate } from './dates'

/** Which comes first where day and month are figures between strokes: 14/3 or 3/14. */
export type DateOrder = 'day' | 'month'

/** Ways of writing a day, with and without a year. */
const FIGURES: Record<DateOrder, string> = { day: 'd/M', month: 'M/d' }
const WITH_YEAR = ['yyyy-M-d', 'd.M.yyyy', 'd.M.yy', 'd MMM yyyy', 'MMM d yyyy', 'MMM d, yyyy']
const WITHOUT_YEAR = ['d.M.', 'd MMM', 'MMM d']
/** Before it a year is a slip or has two figures. */
const FIRST_YEAR = 1900
const WEEKDAYS = ['EEEE', 'EEE', 'EEEEEE']

/**
 * Reads a day as people write it: 2026-03-14, 14.3.2026, 14/3, 14 Mar, Mon. Without a year it is the latest such day
 * that is not after `last`; a weekday is the latest one.
 *
 * @param last the latest day that can be meant
 * @param order of two figures between strokes
 * @returns undefined where the text is no day
 */
export function readDate(
  text: string,
  last: IsoDate,
  order: DateOrder = 'day',
): IsoDate | undefined {
  const end = parseISO(last)
  const by = (pattern: string) => parse(text.trim().replace(/(?<=[a-z])\.$/i, ''), pattern, end)
  const show = (day: Date) => lightFormat(day, 'yyyy-MM-dd')
  for (const pattern of [...WITH_YEAR, `${FIGURES[order]}/yyyy`, `${FIGURES[order]}/yy`]) {
    const day = by(pattern)
    if (isValid(day) && day.getFullYear() >= FIRST_YEAR) return show(day)
  }
  for (const pattern of [...WITHOUT_YEAR, FIGURES[order]]) {
    const day = by(pattern)
    if (isValid(day)) return show(day > end ? addYears(day, -1) : day)
  }
  for (const pattern of WEEKDAYS) {
    const day = by(pattern)
    if (isValid(day)) return show(day > end ? subDays(day, 7) : day)
  }
  return undefined
}

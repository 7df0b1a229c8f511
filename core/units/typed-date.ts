import { addYears, isValid, lightFormat, parse, parseISO, subDays } from 'date-fns'
import type { IsoDate } from './dates'

/** Ways of writing a day, with and without a year; the day comes before the month where both are figures. */
const WITH_YEAR = ['yyyy-M-d', 'd.M.yyyy', 'd/M/yyyy', 'd MMM yyyy', 'MMM d yyyy', 'MMM d, yyyy']
const WITHOUT_YEAR = ['d.M.', 'd/M', 'd MMM', 'MMM d']
const WEEKDAYS = ['EEEE', 'EEE', 'EEEEEE']

/**
 * Reads a day as people write it: 2026-03-14, 14.3.2026, 14/3, 14 Mar, Mon. Without a year it is the latest such day
 * that is not after `last`; a weekday is the latest one.
 *
 * @param last the latest day that can be meant
 * @returns undefined where the text is no day
 */
export function readDate(text: string, last: IsoDate): IsoDate | undefined {
  const end = parseISO(last)
  const by = (pattern: string) => parse(text.trim().replace(/(?<=[a-z])\.$/i, ''), pattern, end)
  const show = (day: Date) => lightFormat(day, 'yyyy-MM-dd')
  for (const pattern of WITH_YEAR) {
    const day = by(pattern)
    if (isValid(day)) return show(day)
  }
  for (const pattern of WITHOUT_YEAR) {
    const day = by(pattern)
    if (isValid(day)) return show(day > end ? addYears(day, -1) : day)
  }
  for (const pattern of WEEKDAYS) {
    const day = by(pattern)
    if (isValid(day)) return show(day > end ? subDays(day, 7) : day)
  }
  return undefined
}

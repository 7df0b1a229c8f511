import { z } from './zod'
import { addDays, isIsoDate, isoDateOf } from '../../core/index'
import { errorText } from './problems'

/** An id made by whoever creates the thing, so that sending it twice creates it once. */
export const idSchema = z.uuid(errorText('Id', 'the address of something on record')).toLowerCase()

/** Nothing in a record of people is older, and no plan reaches further. */
const EARLIEST = '1900-01-01'
const LATEST = '2199-12-31'

const realDate = errorText('Date', 'a date that exists, as 1985-03-14')

/** A calendar date from 1900 to 2199. */
export const isoDateSchema = z
  .string(realDate)
  .refine((day) => isIsoDate(day) && day >= EARLIEST && day <= LATEST, realDate)

/** The calendar date of this machine, when it is asked. */
const today = () => isoDateOf(new Date())

/**
 * A day on which something was done: today or before, and not before 1900. A day more is let through, since a phone in
 * another time zone may be there already.
 */
export function pastDateSchema(label: string) {
  return isoDateSchema.refine(
    (day) => !isIsoDate(day) || day <= addDays(today(), 1),
    errorText(label, 'today or a date before'),
  )
}

const DAY_MS = 86_400_000

/** An instant at which something was done: from 1900 to a day from now, for clocks that are off. */
export function pastInstantSchema(label: string) {
  const words = errorText(label, 'an instant until now, as 2026-03-14T09:30:00Z')
  return z.iso.datetime({ offset: true, ...words }).refine((text) => {
    const at = Date.parse(text)
    return at >= Date.parse(`${EARLIEST}T00:00:00Z`) && at <= Date.now() + DAY_MS
  }, words)
}

/** One of a few words. */
export function choice<const T extends readonly string[]>(label: string, options: T) {
  return z.enum(options, errorText(label, options.join(', ')))
}

/*
 * Signs that no person types into a name or a note on purpose: control characters, invisible ones, those that turn the
 * writing direction about, halves of surrogate pairs and signs that do not exist. The two joiners that some scripts
 * and emoji need between letters are let through.
 */
const HIDDEN = /[\p{Cc}\p{Cf}\p{Cs}\p{Co}\p{Cn}\u2028\u2029\u115f\u1160\u3164\uffa0]/u
const LET_THROUGH = /[\u200c\u200d]/gu
const LINE_ENDS = /\r\n?|\n/g

function isPlain(text: string, lines: boolean): boolean {
  const rest = text.replace(LET_THROUGH, '')
  return !HIDDEN.test(lines ? rest.replace(LINE_ENDS, ' ').replaceAll('\t', ' ') : rest)
}

/** Text in one form (NFC), trimmed, without signs that cannot be seen. */
function text(label: string, accepted: string, longest: number, lines: boolean) {
  const words = errorText(label, accepted)
  const seen = errorText(label, `${accepted}, without control or invisible characters`)
  return z
    .string(words)
    .refine((typed) => isPlain(typed, lines), { ...seen, abort: true })
    .transform((typed) => typed.normalize('NFC').replace(LINE_ENDS, '\n').trim())
    .pipe(z.string().max(longest, words))
}

const VISIBLE = /[\p{L}\p{N}\p{P}\p{S}]/u

/** Text of one to so many characters, on one line; at least one of them can be seen. */
export function requiredText(label: string, longest: number) {
  const accepted = `1 to ${longest} characters`
  return text(label, accepted, longest, false).refine(
    (typed) => VISIBLE.test(typed),
    errorText(label, accepted),
  )
}

/** Text of up to so many characters, or none. @param lines whether it may have several lines */
export function freeText(label: string, longest: number, lines = false) {
  return text(label, `up to ${longest} characters`, longest, lines)
}

export const yesOrNo = (label: string) => z.boolean(errorText(label, 'yes or no'))

/** A number within bounds. */
export function numberIn(label: string, low: number, high: number, unit = '') {
  const words = errorText(label, `${low} to ${high}${unit && ` ${unit}`}`)
  return z.number(words).min(low, words).max(high, words)
}

export function integerBetween(label: string, low: number, high: number) {
  const words = errorText(label, `a whole number from ${low} to ${high}`)
  return z.number(words).int(words).min(low, words).max(high, words)
}

/** A number above 0 and up to a most, both inclusive of what anybody would enter. */
export function above0(label: string, most = 10_000) {
  const least = 1e-3
  const words = errorText(label, `a number above 0, up to ${most}`)
  return z.number(words).min(least, words).max(most, words)
}

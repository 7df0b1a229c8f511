import { z } from './zod'
import { addDays, isIsoDate, isoDateOf, say, type Words, listed } from '../../core/index'
import { errorText } from './problems'

/** An id made by whoever creates the thing, so that sending it twice creates it once. */
export const idSchema = z
  .uuid(errorText(say('fields.id'), say('fields.addressSomethingRecord')))
  .toLowerCase()

/** Nothing in a record of people is older, and no plan reaches further. */
const EARLIEST = '1900-01-01'
const LATEST = '2199-12-31'

const realDate = errorText(say('fields.date'), say('fields.dateExists19850314'))

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
export function pastDateSchema(label: Words) {
  return isoDateSchema.refine(
    (day) => !isIsoDate(day) || day <= addDays(today(), 1),
    errorText(label, say('fields.todayDateBefore')),
  )
}

const DAY_MS = 86_400_000

/** An instant at which something was done: from 1900 to a day from now, for clocks that are off. */
export function pastInstantSchema(label: Words) {
  const words = errorText(label, say('fields.instantUntilNow202603'))
  return z.iso.datetime({ offset: true, ...words }).refine((text) => {
    const at = Date.parse(text)
    return at >= Date.parse(`${EARLIEST}T00:00:00Z`) && at <= Date.now() + DAY_MS
  }, words)
}

/** One of a few words. */
export function choice<const T extends readonly string[]>(label: Words, options: T) {
  return z.enum(options, errorText(label, listed(options, 'or')))
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
function text(label: Words, accepted: Words, longest: number, lines: boolean) {
  const words = errorText(label, accepted)
  const seen = errorText(label, say('fields.withoutControlInvisibleCharacters', { accepted }))
  return z
    .string(words)
    .refine((typed) => isPlain(typed, lines), { ...seen, abort: true })
    .transform((typed) => typed.normalize('NFC').replace(LINE_ENDS, '\n').trim())
    .pipe(z.string().max(longest, words))
}

const EACH_HIDDEN = new RegExp(HIDDEN.source, 'gu')

/** A text as it came from elsewhere, over several lines: signs that cannot be seen are left out, and nothing is refused for them. */
export function broughtText(label: Words, longest: number) {
  const words = errorText(label, say('fields.upCharacters', { longest }))
  const keptSign = (sign: string) =>
    sign === '\n' || sign === '\u200c' || sign === '\u200d' ? sign : ''
  return z
    .string(words)
    .max(longest, words)
    .transform((typed) =>
      typed
        .normalize('NFC')
        .replace(LINE_ENDS, '\n')
        .replaceAll('\t', ' ')
        .replace(EACH_HIDDEN, keptSign),
    )
}

const VISIBLE = /[\p{L}\p{N}\p{P}\p{S}]/u

/** Text of one to so many characters, on one line; at least one of them can be seen. */
export function requiredText(label: Words, longest: number) {
  const accepted = say('fields.n1Characters', { longest })
  return text(label, accepted, longest, false).refine(
    (typed) => VISIBLE.test(typed),
    errorText(label, accepted),
  )
}

/** Text of up to so many characters, or none. @param lines whether it may have several lines */
export function freeText(label: Words, longest: number, lines = false) {
  return text(label, say('fields.upCharacters', { longest }), longest, lines)
}

export const yesOrNo = (label: Words) => z.boolean(errorText(label, say('fields.yes')))

/** A number within bounds. */
export function numberIn(label: Words, low: number, high: number, unit = '') {
  const accepted = unit
    ? say('fields.toUnit', { low, high, unit })
    : say('fields.to2', { low, high })
  const words = errorText(label, accepted)
  return z.number(words).min(low, words).max(high, words)
}

export function integerBetween(label: Words, low: number, high: number) {
  const words = errorText(label, say('fields.wholeNumber', { low, high }))
  return z.number(words).int(words).min(low, words).max(high, words)
}

/** A number above 0 and up to a most, both inclusive of what anybody would enter. */
export function above0(label: Words, most = 10_000) {
  const least = 1e-3
  const words = errorText(label, say('fields.numberAbove0Up', { most }))
  return z.number(words).min(least, words).max(most, words)
}

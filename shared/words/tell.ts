import { InputError } from '../../core/errors'
import { isMessage } from '../../core/say'
import type { Day, Figures, Message, Num, Value, Words } from '../../core/say'
import { dayText, perLanguage, pointed } from './formats'
import type { Voice } from './voice'

/** What data becomes when its messages are told: each a text. */
export type Told<T> = T extends Message
  ? string
  : T extends string | number | boolean | null | undefined | ((...args: never[]) => unknown)
    ? T
    : T extends readonly unknown[]
      ? { [K in keyof T]: Told<T[K]> }
      : T extends Map<infer K, infer V>
        ? Map<K, V>
        : T extends object
          ? { [K in keyof T]: Told<T[K]> }
          : T

/** Data whose messages are not told yet: a message may stand wherever there is any text. */
export type Untold<T> = T extends string
  ? string extends T
    ? Words
    : T
  : T extends number | boolean | null | undefined | ((...args: never[]) => unknown)
    ? T
    : T extends object
      ? { [K in keyof T]: Untold<T[K]> }
      : T

const MOST_DIGITS = 12
const plain = perLanguage(
  (language) => new Intl.NumberFormat(language, { maximumFractionDigits: MOST_DIGITS }),
)
const rounded = perLanguage(
  (language, digits: number, signed: boolean) =>
    new Intl.NumberFormat(language, {
      ...{ minimumFractionDigits: digits, maximumFractionDigits: digits },
      signDisplay: signed ? 'exceptZero' : 'negative',
    }),
)
const lists = perLanguage((language, by: 'and' | 'or') => {
  const type = by === 'and' ? 'conjunction' : 'disjunction'
  return new Intl.ListFormat(language, { type })
})
const BETWEEN = { text: ' ', comma: ', ', semicolon: '; ', plus: ' + ' }
/** The minus of the typeface is as wide as its plus. */
const withMinus = (text: string) => text.replace('-', '−')

const isNum = (value: object): value is Num => 'num' in value
const isFigures = (value: object): value is Figures => 'figures' in value
const isDay = (value: object): value is Day => 'day' in value && typeof value.day === 'string'

function textOf(value: Value, voice: Voice): string {
  if (typeof value === 'string') return value
  if (typeof value === 'number') return withMinus(plain(voice.language).format(value))
  if (isNum(value)) {
    const format = rounded(voice.language, value.digits, value.signed ?? false)
    return withMinus(format.format(value.num))
  }
  if (isFigures(value)) {
    return pointed(voice.language, value.figures)
  }
  if (isDay(value)) {
    return dayText(voice.language, value.day, value.year ?? false)
  }
  if ('lower' in value) {
    const text = textOf(value.lower, voice)
    return text.charAt(0).toLocaleLowerCase(voice.language) + text.slice(1)
  }
  if ('upper' in value) {
    const text = textOf(value.upper, voice)
    return text.charAt(0).toLocaleUpperCase(voice.language) + text.slice(1)
  }
  if ('list' in value) {
    const texts = value.list.map((one) => textOf(one, voice))
    return value.by === 'and' || value.by === 'or'
      ? lists(voice.language, value.by).format(texts)
      : texts.join(BETWEEN[value.by])
  }
  const values = Object.entries(value.with ?? {}).map(([name, of]) => [
    name,
    // A count chooses the form of a plural, so it stays a number.
    of === undefined ? '' : name === 'count' && typeof of === 'number' ? of : textOf(of, voice),
  ])
  return voice.say(value.say, Object.fromEntries(values))
}

/** The text of a message or a value in the language of a voice; the coach's own words as they are. */
export const tell = (words: Value, voice: Voice): string => textOf(words, voice)

/** Data with every message in it told. What has none in it is given back itself, not copied: most of a reply is such. */
export function told<T>(value: T, voice: Voice): Told<T> {
  const told = (one: unknown): unknown => {
    if (typeof one !== 'object' || one === null) return one
    if (!Array.isArray(one)) {
      const proto: unknown = Object.getPrototypeOf(one)
      // What is no plain data has no message in it.
      if (proto !== Object.prototype && proto !== null) return one
      if (isMessage(one)) return textOf(one, voice)
    }
    const parts = one as Record<string, unknown>
    let copy: Record<string, unknown> | undefined
    for (const key of Object.keys(parts)) {
      const text = told(parts[key])
      if (text === parts[key]) continue
      copy ??= (Array.isArray(one) ? [...(one as unknown[])] : { ...parts }) as typeof parts
      copy[key] = text
    }
    return copy ?? one
  }
  return told(value) as Told<T>
}

/** What is wrong, in words: the core's, or those that came with the error. */
export const wordsOfError = (error: Error, voice: Voice): string =>
  error instanceof InputError ? tell(error.said, voice) : error.message

import type { Day, Figures, Message, Num, Value, Words } from '../../core/say'
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

/** Something made of a language and a few settings, once for each: what Intl makes is dear to make and cheap to use. */
function kept<A extends (string | number | boolean)[], T>(make: (language: string, ...of: A) => T) {
  const made = new Map<string, T>()
  return (language: string, ...of: A): T => {
    const name = `${language} ${of.join(' ')}`
    if (!made.has(name)) made.set(name, make(language, ...of))
    return made.get(name)!
  }
}

const MOST_DIGITS = 12
const plain = kept(
  (language) => new Intl.NumberFormat(language, { maximumFractionDigits: MOST_DIGITS }),
)
const rounded = kept(
  (language, digits: number, signed: boolean) =>
    new Intl.NumberFormat(language, {
      ...{ minimumFractionDigits: digits, maximumFractionDigits: digits },
      signDisplay: signed ? 'exceptZero' : 'negative',
    }),
)
const days = kept(
  (language, year: boolean) =>
    new Intl.DateTimeFormat(language, {
      ...{ month: 'short', day: 'numeric', timeZone: 'UTC' },
      ...(year ? { year: 'numeric' } : {}),
    }),
)
const lists = kept((language, by: 'and' | 'or') => {
  const type = by === 'and' ? 'conjunction' : 'disjunction'
  return new Intl.ListFormat(language, { type })
})
const BETWEEN = { text: ' ', comma: ', ', semicolon: '; ', plus: ' + ' }
/** What stands before the tenths. */
const points = kept(
  (language) =>
    new Intl.NumberFormat(language).formatToParts(0.5).find(({ type }) => type === 'decimal')
      ?.value ?? '.',
)

/** The minus of the typeface is as wide as its plus. */
const withMinus = (text: string) => text.replace('-', '−')

const isNum = (value: object): value is Num => 'num' in value
const isFigures = (value: object): value is Figures => 'figures' in value
const isDay = (value: object): value is Day => 'day' in value && typeof value.day === 'string'

const WAYS: readonly string[] = ['and', 'or', ...Object.keys(BETWEEN)]

/** Whether something is a message: it has nothing but what a message has. */
function isMessage(value: object): value is Message {
  const keys = Object.keys(value).length
  if ('say' in value) {
    return typeof value.say === 'string' && (keys === 1 || (keys === 2 && 'with' in value))
  }
  if ('lower' in value || 'upper' in value) return keys === 1
  if (!('list' in value && 'by' in value) || keys > 2) return false
  return Array.isArray(value.list) && WAYS.includes(value.by as string)
}

function textOf(value: Value, voice: Voice): string {
  if (typeof value === 'string') return value
  if (typeof value === 'number') return withMinus(plain(voice.language).format(value))
  if (isNum(value)) {
    const format = rounded(voice.language, value.digits, value.signed ?? false)
    return withMinus(format.format(value.num))
  }
  if (isFigures(value)) {
    return value.figures.replace(/(\d)\.(\d)/g, `$1${points(voice.language)}$2`)
  }
  if (isDay(value)) {
    return days(voice.language, value.year ?? false).format(new Date(`${value.day}T00:00:00Z`))
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

/** Data with every message in it told; what is no plain data is left as it is. */
export function told<T>(value: T, voice: Voice): Told<T> {
  const told = (one: unknown): unknown => {
    if (Array.isArray(one)) return one.map(told)
    if (typeof one !== 'object' || one === null) return one
    const proto: unknown = Object.getPrototypeOf(one)
    if (proto !== Object.prototype && proto !== null) return one
    if (isMessage(one)) return textOf(one, voice)
    return Object.fromEntries(Object.entries(one).map(([key, of]) => [key, told(of)]))
  }
  return told(value) as Told<T>
}

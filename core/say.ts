import type { IsoDate } from './units/dates'

/*
 * What the core says is data: the key of a message in locales/ and what stands in it. Whoever shows it tells it in the
 * language of who reads (shared/words), with that language's numbers, dates and plurals.
 */

/** What may stand in a message. A bare number is written as it is, with its thousands marked. */
export type Value = string | number | Num | Figures | Day | Message

/** A number with so many decimals. */
export interface Num {
  num: number
  digits: number
  /** With a plus or a minus before it. */
  signed?: true
}

/** Figures as the core writes them, with a point before the tenths. */
export interface Figures {
  figures: string
}

/** A calendar date. */
export interface Day {
  day: IsoDate
  year?: true
}

/** One message of the catalogue. `count` among its values also chooses the form of a plural. */
export interface Said {
  say: string
  with?: Readonly<Record<string, Value | undefined>>
}

const LIST_WAYS = ['text', 'and', 'or', 'comma', 'semicolon', 'plus'] as const

/** Several, one after another (`text`), or listed: a, b and c; a, b or c; a, b, c; a + b. */
export interface Listed {
  list: readonly Value[]
  by: (typeof LIST_WAYS)[number]
}

/** One with its first letter small, as in the middle of a sentence. */
export interface Lowered {
  lower: Value
}

/** One with its first letter large, as a sentence begins. */
export interface Raised {
  upper: Value
}

export type Message = Said | Listed | Lowered | Raised

/** A message, or words of the coach's own that are told as they are. */
export type Words = Message | string

/** Whether something is a message: it has nothing but what a message has. */
export function isMessage(value: object): value is Message {
  const just = (keys: number) => Object.keys(value).length === keys
  if ('say' in value) {
    return typeof value.say === 'string' && (just(1) || ('with' in value && just(2)))
  }
  if ('lower' in value || 'upper' in value) return just(1)
  if (!('list' in value && 'by' in value) || !just(2)) return false
  return Array.isArray(value.list) && LIST_WAYS.includes(value.by as Listed['by'])
}

/** A message of the catalogue. */
export const say = (key: string, values?: Said['with']): Said =>
  values === undefined ? { say: key } : { say: key, with: values }

/** A number with so many decimals (none where not named), as a value of a message. */
export const num = (value: number, digits = 0): Num => ({ num: value, digits })
export const signedNum = (value: number, digits = 0): Num => ({ num: value, digits, signed: true })

export const figures = (text: string): Figures => ({ figures: text })

/** A date as a value of a message, with its year on request. */
export const dayValue = (day: IsoDate, year = false): Day => (year ? { day, year } : { day })

/** Sentences one after another; what is not there is left out. */
export const sentences = (...parts: readonly (Words | undefined)[]): Listed => ({
  list: parts.filter((part): part is Words => part !== undefined && part !== ''),
  by: 'text',
})

export const listed = (list: readonly Value[], by: Listed['by'] = 'comma'): Listed => ({ list, by })

export const lower = (value: Value): Lowered => ({ lower: value })
export const upper = (value: Value): Raised => ({ upper: value })

import type { KnownGirth } from '../anatomy/ids'
import type { TypedUnit } from '../units/parse'
import { plainText, typedNumber } from '../units/typed-number'
import {
  CUES,
  FILLERS,
  FRACTION,
  GIRTH_WORDS,
  LENGTH_UNIT,
  MASS_UNIT,
  MONTH,
  MONTHS,
  NUMBER,
  ORDINAL,
  OTHER_UNIT,
  POUNDS_OF_STONE,
  STONE,
  TWO_LETTERS,
  WEEKDAY,
  WEEKDAYS,
  YEAR,
} from './message-words'

/** What a day was called: by its weekday, by its date, by its number in the month, or by how long ago it was. */
export type DaySaid =
  { weekday: number; ofMonth?: number } | { date: string } | { ofMonth: number } | { back: number }

/** When in a day: a morning's mass is the one that counts. */
export type DayPart = 'morning' | 'later'

/** What a word of the message says of the numbers beside it. */
export type Cue =
  'mass' | 'goal' | 'lift' | 'change' | 'mean' | 'left' | 'right' | 'rated' | 'other'

/** One piece of a message as it came. `at` and `end` are its place in the text. */
export type Token = { at: number; end: number; text: string } & (
  | { kind: 'day'; day: DaySaid }
  /** The stamp that a messenger puts before a line: when it was sent. */
  | { kind: 'sent'; day: DaySaid; part?: DayPart }
  | { kind: 'number'; value: number; unit?: TypedUnit; fraction: boolean }
  /** A number of something else: steps, hours, a telephone number, or a time of day. */
  | { kind: 'aside'; part?: DayPart; time?: true }
  | { kind: 'part'; part: DayPart }
  | { kind: 'girth'; girth: KnownGirth }
  | { kind: 'cue'; cue: Cue }
  | { kind: 'word'; filler: boolean }
  /** Between parts of a sentence (`weak`), or between sentences and lines. */
  | { kind: 'break'; weak: boolean }
)

const monthOf = (text: string) => MONTHS.indexOf(text.slice(0, 3).toLowerCase()) + 1
const weekdayOf = (text: string) => WEEKDAYS.indexOf(text.slice(0, 3).toLowerCase())

/** A date as it was said: with its year, or without (0000), to be found. */
const dated = (month: number, day: number, year?: string): DaySaid | undefined =>
  month < 1 || month > 12 || day < 1 || day > 31
    ? undefined
    : {
        date: [(year ?? '').padStart(4, year?.length === 2 ? '20' : '0'), month, day]
          .map((n) => String(n).padStart(2, '0'))
          .join('-'),
      }

const massUnit = (text: string): TypedUnit => (/^k/i.test(text) ? 'kg' : 'lb')
const lengthUnit = (text: string): TypedUnit =>
  /^c/i.test(text) ? 'cm' : /^m/i.test(text) ? 'mm' : 'in'

/** A number as somebody writes it; a comma before three digits marks thousands. */
function valueOf(text: string): number {
  const plain = plainText(
    text
      .replace(/ and /, ' ')
      .replace(/a half/i, '1/2')
      .replace(/a quarter/i, '1/4'),
  ).trim()
  if (/^\d{1,3}(?:,\d{3})+$/.test(plain)) return Number(plain.replaceAll(',', ''))
  return typedNumber(plain) ?? Number.NaN
}

const isFraction = (text: string) => /[/½¼¾⅓⅔⅛⅜⅝⅞]| a (?:half|quarter)/i.test(text)

type Made = Token extends infer T
  ? T extends Token
    ? Omit<T, 'at' | 'end' | 'text'>
    : never
  : never
type Rule = [RegExp, (match: RegExpExecArray, before: readonly Token[]) => Made | undefined]

const rx = (source: string) => new RegExp(source, 'iy')
const aside = (): Made => ({ kind: 'aside' })
const partAt = (hour: number, half: string | undefined): DayPart =>
  half ? (/^a/i.test(half) ? 'morning' : 'later') : hour < 12 ? 'morning' : 'later'

/** What a time of day says: only with am and pm, or from 13 on, is it sure which half. */
const time = (hour: string, half?: string): Made =>
  Number(hour) <= 24 && (half !== undefined || Number(hour) > 12)
    ? { kind: 'aside', time: true, part: partAt(Number(hour), half) }
    : { kind: 'aside', time: true }

const HALF = String.raw`([ap]\.?m\b\.?)`

/** Day and month as figures, in the order that was asked for, or in the only one that there is. */
const figuresOf = (monthFirst: boolean) => (a: string, b: string, year?: string) => {
  const [first, second] = [Number(a), Number(b)]
  const swap = monthFirst ? second <= 31 && first <= 12 : second > 12
  return swap ? dated(first, second, year) : dated(second, first, year)
}

/** Whether the words just before say that a number is of something else: "hunger 7/10". */
const afterRating = (before: readonly Token[]) => {
  const near = before.slice(-2).filter(({ kind }) => kind !== 'break')
  return near.some(
    (token) => token.kind === 'cue' && (token.cue === 'rated' || token.cue === 'other'),
  )
}

function rules(monthFirst: boolean): Rule[] {
  const figures = figuresOf(monthFirst)
  const day = (said: DaySaid | undefined): Made | undefined => said && { kind: 'day', day: said }
  return [
    // What a messenger puts before a line: [25/11/2026, 07:12] Name:
    [
      rx(
        String.raw`\[?(\d{1,2})[/.](\d{1,2})[/.](\d{2,4}),? (\d{1,2}):\d{2}(?::\d{2})?(?: ?${HALF})?(?:\]| -)(?: [^:\n\d]{1,40}:)?`,
      ),
      (m) => {
        const said = figures(m[1]!, m[2]!, m[3])
        return said && { kind: 'sent', day: said, part: partAt(Number(m[4]), m[5]) }
      },
    ],
    [/https?:\/\/\S+|\S+@\S+\.\S+/iy, aside],
    [/\n\s*/y, () => ({ kind: 'break', weak: false })],
    // Telephone numbers: with a plus, with brackets, in groups with a leading nought or by dashes, or long.
    [/\+\d[\d ()-]{6,}\d/y, aside],
    [/\(\d{2,5}\) ?\d{2,4}(?:[ -]\d{2,4})*/y, aside],
    [
      /\d{3}[-. ]\d{3}[-. ]\d{4}(?!\d)|\d{3}-\d{4}(?!\d)|\d{2,5} 0\d{2,}(?: \d{2,4})*|0\d{2,}(?:[ -]\d{2,6})+|0\d{5,}|\d{6,}/y,
      aside,
    ],
    [
      rx(
        String.raw`(?:call|phone|ring|tel|mobile|cell|whatsapp|txt|text)(?: me)?(?: (?:on|at))?:? \d[\d -]{4,}\d`,
      ),
      aside,
    ],
    // Days.
    [/(\d{4})-(\d{1,2})-(\d{1,2})(?!\d)/y, (m) => day(dated(Number(m[2]), Number(m[3]), m[1]))],
    [/the day before yesterday\b/iy, () => day({ back: 2 })],
    [/(\d{1,2}) days? ago\b/iy, (m) => day({ back: Number(m[1]) })],
    [/last night\b/iy, () => day({ back: 1 })],
    [/yesterday\b/iy, () => day({ back: 1 })],
    [/(?:today|this morning|tonight|just now)\b/iy, () => day({ back: 0 })],
    [
      rx(
        String.raw`(?:(?:last|this|on) )?(${WEEKDAY})(?:,| the)? ?\(?(\d{1,2})(?:st|nd|rd|th)? (${MONTH})${YEAR}\)?`,
      ),
      (m) => day(dated(monthOf(m[3]!), Number(m[2]), m[4])),
    ],
    [
      rx(
        String.raw`(?:(?:last|this|on) )?(${WEEKDAY}),? ?\(?(${MONTH}) ?(\d{1,2})(?:st|nd|rd|th)?${YEAR}\)?`,
      ),
      (m) => day(dated(monthOf(m[2]!), Number(m[3]), m[4])),
    ],
    [
      rx(
        String.raw`(?:(?:last|this|on) )?(${WEEKDAY}),? ?\(?(\d{1,2})/(\d{1,2})(?:/(\d{4}|\d{2}))?(?!\d)\)?`,
      ),
      (m) => day(figures(m[2]!, m[3]!, m[4])),
    ],
    [
      rx(String.raw`(?:(?:last|this|on) )?(${WEEKDAY})(?:,| the)? ?\(?${ORDINAL}\)?`),
      (m) => day({ weekday: weekdayOf(m[1]!), ofMonth: Number(m[2]) }),
    ],
    // "Thu 19 78.4": a small number between a weekday and a mass is the day of the month.
    [
      rx(
        String.raw`(${WEEKDAY}),? ?\(?(\d{1,2})\)?(?=[ :,=–-]+\d{2,3}(?:[.,]\d|[^\d/]|$))(?![.,]\d)`,
      ),
      (m) => day({ weekday: weekdayOf(m[1]!), ofMonth: Number(m[2]) }),
    ],
    [
      /(mo|tu|we|th|fr|sa|su)(?=[ :.=-]{1,3}\d{2,3}(?:[.,]\d|\D|$))/iy,
      (m) => day({ weekday: TWO_LETTERS.indexOf(m[1]!.toLowerCase()) }),
    ],
    [rx(String.raw`(?:(?:last|this|on) )?(${WEEKDAY})`), (m) => day({ weekday: weekdayOf(m[1]!) })],
    [
      rx(String.raw`(\d{1,2})(?:st|nd|rd|th)?(?: of)? ?(${MONTH})${YEAR}`),
      (m) => day(dated(monthOf(m[2]!), Number(m[1]), m[3])),
    ],
    [
      rx(String.raw`(${MONTH}) ?(\d{1,2})(?:st|nd|rd|th)?(?![.,]?\d)(?:,? (20\d\d)\b)?`),
      (m) => day(dated(monthOf(m[1]!), Number(m[2]), m[3])),
    ],
    [rx(String.raw`(?:the )?${ORDINAL}`), (m) => day({ ofMonth: Number(m[1]) })],
    [
      /(\d{1,3})\/(\d{1,3})(?:\/(\d{4}|\d{2}))?(?![\d/])/y,
      (m, before) => {
        if (afterRating(before)) return aside()
        return day(figures(m[1]!, m[2]!, m[3]))
      },
    ],
    [
      /(\d{1,2})\.(\d{1,2})\.(\d{4}|\d{2})?(?=[\s:,]|$)/y,
      (m) => day(dated(Number(m[2]), Number(m[1]), m[3])),
    ],
    // Times.
    [rx(String.raw`(\d{1,2})[:.]\d{2} ?${HALF}`), (m) => time(m[1]!, m[2])],
    [/(\d{1,2}):\d{2}(?::\d{2})?(?!\d)/y, (m) => time(m[1]!)],
    [rx(String.raw`(\d{1,2}) ?${HALF}`), (m) => time(m[1]!, m[2])],
    [
      /(\d{1,2}) ?o['’]?clock\b|half past \d{1,2}\b|quarter (?:past|to) \d{1,2}\b|\d{1,2}h\d{2}\b/iy,
      () => time('0'),
    ],
    [
      rx(
        String.raw`at (?:about |around )?(\d{1,2})(?![\d.,/]*\d)(?! ?(?:${MASS_UNIT}|${STONE}|${LENGTH_UNIT}))(?! ${FRACTION})`,
      ),
      (m) => (Number(m[1]) <= 24 ? time(m[1]!) : undefined),
    ],
    [
      /(?:this |the |in the )?morning\b|(?:first thing|fasted)\b/iy,
      () => ({ kind: 'part', part: 'morning' }),
    ],
    [
      /(?:evening|afternoon|night|bedtime|midday|noon|after (?:dinner|lunch|supper|training|breakfast))\b/iy,
      () => ({ kind: 'part', part: 'later' }),
    ],
    [/AM\b/y, () => ({ kind: 'part', part: 'morning' })],
    [/(?<!\bi )am(?=[: ]*\d)/y, () => ({ kind: 'part', part: 'morning' })],
    [/pm\b/iy, () => ({ kind: 'part', part: 'later' })],
    // Numbers. A figure out of something, and one from to another, are of something else.
    [/\d{1,2}(?:[.,]\d)? ?(?:\/ ?10|out of \d+)(?!\d)/iy, aside],
    [rx(String.raw`\d+(?:[.,]\d+)? ?(?:[-–]|to) ?\d+(?:[.,]\d+)? ?(?:${OTHER_UNIT})`), aside],
    [/\d ?(?:'|’|ft|feet) ?(?:\d{1,2}(?:[.,]\d)? ?(?:''|["”″]|in\b|inches)?)?/iy, aside],
    [
      rx(
        String.raw`(\d+) ?${STONE}(?:,? ?(${POUNDS_OF_STONE})(?![\d.,/]*\d) ?(?:lbs?|pounds?)?(?![a-z])(?! ?(?:days?|weeks?|${MONTH})))?`,
      ),
      (m) => {
        const pounds = m[2] === undefined ? 0 : valueOf(m[2])
        return { kind: 'number', value: Number(m[1]) * 14 + pounds, unit: 'st lb', fraction: false }
      },
    ],
    [
      rx(String.raw`(${NUMBER}) ?(${MASS_UNIT})`),
      (m) => ({ kind: 'number', value: valueOf(m[1]!), unit: massUnit(m[2]!), fraction: false }),
    ],
    [
      rx(String.raw`(${NUMBER})(?: ?-? ?)(${LENGTH_UNIT})`),
      (m) => {
        // "83.2 in the morning" is no length.
        const inches = /^ins?$/i.test(m[2]!)
        const rest = m.input.slice(m.index + m[0].length)
        if (
          inches &&
          / in$/i.test(m[0]) &&
          /^ (?:the|my|a|an|this|bed|total|all|[a-z]+day)\b/i.test(rest)
        )
          return undefined
        return {
          kind: 'number',
          value: valueOf(m[1]!),
          unit: lengthUnit(m[2]!),
          fraction: isFraction(m[1]!),
        }
      },
    ],
    [rx(String.raw`[$£€] ?${NUMBER}|${NUMBER} ?(?:${OTHER_UNIT})`), aside],
    [
      rx(String.raw`[-+−] ?(?=\d)${NUMBER}`),
      (m, before) => {
        const last = before.at(-1)
        const dash = last === undefined || last.end < m.index || last.kind === 'break'
        // "Mon - 83.2" has a dash; "-0.4" is a change.
        return dash && !/ /.test(m[0]) && valueOf(m[0].slice(1)) < 25 ? aside() : undefined
      },
    ],
    // Figures between commas without blanks are several, where there are three or more and none has tenths.
    [
      /\d{2,3}(?=(?:,\d{2,3}){2,}(?![.,\d]))/y,
      (m) => ({ kind: 'number', value: Number(m[0]), fraction: false }),
    ],
    [
      /(?<=\d,)\d{2,3}(?=,\d{2,3}(?![.,\d]))/y,
      (m) => ({ kind: 'number', value: Number(m[0]), fraction: false }),
    ],
    [rx(NUMBER), (m) => ({ kind: 'number', value: valueOf(m[0]), fraction: isFraction(m[0]) })],
    // Words.
    ...GIRTH_WORDS.map(([pattern, girth]): Rule => [pattern, () => ({ kind: 'girth', girth })]),
    ...CUES.map(([pattern, cue]): Rule => [pattern, () => ({ kind: 'cue', cue })]),
    [/(?:and|then)\b|[,/|•·&]/iy, () => ({ kind: 'break', weak: true })],
    [/[;!?]+|\.(?=\s|$)/y, () => ({ kind: 'break', weak: false })],
    [
      /\p{L}[\p{L}\p{M}'’-]*/uy,
      (m) => ({ kind: 'word', filler: FILLERS.has(m[0].toLowerCase().replace('’', "'")) }),
    ],
  ]
}

/** Signs that change how another one looks, and blanks of other widths. */
const tidy = (text: string) =>
  text
    .normalize('NFC')
    // And those that cannot be seen at all, which messengers put in.
    .replace(/[\uFE0F\u20E3]|\p{Cf}|\p{Cs}|[^\P{Cc}\n\r\t]/gu, '')
    .replace(/[\u00a0\u2007\u202f\t]/g, ' ')
    .replace(/\r\n?/g, '\n')

/** A word begins where no letter stands before it: "may" is not in "dismay". */
const beginsWord = (text: string, at: number) => at === 0 || !/\p{L}/u.test(text[at - 1]!)

/**
 * Cuts a message into what it speaks of. What is nothing known (dashes, emoji) is passed over.
 *
 * @param monthFirst how 11/1 is read where both orders are possible
 * @returns the text that the places are of, and its pieces in order
 */
export function tokensOf(message: string, monthFirst: boolean): { text: string; tokens: Token[] } {
  const text = tidy(message)
  const all = rules(monthFirst)
  const tokens: Token[] = []
  let at = 0
  while (at < text.length) {
    const found =
      /\p{L}/u.test(text[at]!) && !beginsWord(text, at) ? undefined : firstOf(all, text, at, tokens)
    if (found) {
      tokens.push({ ...found.made, at, end: found.end, text: text.slice(at, found.end).trim() })
      at = found.end
    } else {
      at += 1
    }
  }
  return { text, tokens }
}

function firstOf(all: readonly Rule[], text: string, at: number, before: readonly Token[]) {
  for (const [pattern, make] of all) {
    pattern.lastIndex = at
    const match = pattern.exec(text)
    if (!match || match[0] === '') continue
    const made = make(match, before)
    if (made) return { made, end: at + match[0].length }
  }
  return undefined
}

import type { KnownGirth } from '../anatomy/ids'
import type { IsoDate } from '../units/dates'
import {
  APART,
  canBeMass,
  cmOf,
  type DayToken,
  type GirthToken,
  isLengthUnit,
  isMassUnit,
  type NumberToken,
  unitsOfGirth,
} from './message-numbers'
import type { DayPart, Token } from './message-tokens'

/** Pieces between two line breaks or ends of a sentence. A line of nothing but days belongs to the next one. */
export function sentencesOf(tokens: readonly Token[]): Token[][] {
  const parts: Token[][] = [[]]
  for (const token of tokens) {
    const last = parts.at(-1)!
    if (token.kind !== 'break' || token.weak) last.push(token)
    else if (!last.some(({ kind }) => kind === 'day') || last.some(isNews)) parts.push([])
  }
  return parts.filter((part) => part.length > 0)
}

/** Anything that a line of days alone does not have. */
const isNews = (token: Token) =>
  token.kind === 'number' ||
  token.kind === 'girth' ||
  token.kind === 'aside' ||
  (token.kind === 'word' && !token.filler)

/** A number that tells of something, with where it stands. */
export interface Candidate {
  number: NumberToken
  day?: DayToken
  part?: DayPart
  /** When its line was sent. */
  on: IsoDate
  /** Whether the line itself says when. */
  stamped: boolean
}

/** What the numbers of one sentence are. */
export interface SentenceRead {
  weights: Candidate[]
  girths: { number: NumberToken; girth: KnownGirth; side?: 'left' | 'right' }[]
  unknown: NumberToken[]
  means: NumberToken[]
}

type Item = NumberToken | DayToken | GirthToken

/** The part of a sentence between two commas that a token is in. */
function clauseOf(sentence: readonly Token[], token: Token): Token[] {
  const at = sentence.indexOf(token)
  const isEnd = ({ kind }: Token) => kind === 'break'
  const from = sentence.slice(0, at).findLastIndex(isEnd) + 1
  const to = sentence.slice(at).findIndex(isEnd)
  return sentence.slice(from, to === -1 ? undefined : at + to)
}

const hasCue = (tokens: readonly Token[], cue: string) =>
  tokens.some((token) => token.kind === 'cue' && token.cue === cue)

/** Which girth each number of a sentence is of: the one named before it, or the one named after it. */
function girthNumbers(items: readonly Item[]): Map<NumberToken, GirthToken> {
  const found = new Map<NumberToken, GirthToken>()
  const fits = (item: Item | undefined, girth: GirthToken): item is NumberToken =>
    item?.kind === 'number' && !found.has(item) && unitsOfGirth(item, girth.girth).length > 0
  // "32 1/2 waist, 38 hips": each number stands before its girth.
  const girths = items.filter((item) => item.kind === 'girth')
  const named = items.filter(
    (item, at) =>
      item.kind === 'girth' ||
      (items[at - 1]?.kind !== 'day' && girths.some((girth) => fits(item, girth))),
  )
  const after = named.at(-1)?.kind === 'girth' && named[0]?.kind === 'number'
  items.forEach((item, at) => {
    if (item.kind !== 'girth') return
    const before = items[at - 1]
    if (after && fits(before, item)) {
      found.set(before, item)
      return
    }
    let next = at + 1
    const first = items[next]
    if (!fits(first, item)) {
      if (fits(before, item)) found.set(before, item)
      return
    }
    found.set(first, item)
    // Taken twice: what follows at once and reads about the same.
    for (next += 1; fits(items[next], item); next++) {
      const again = items[next] as NumberToken
      const [a, b] = [sizeOf(first), sizeOf(again)]
      if (Math.abs(a - b) > 2 * APART * Math.max(a, b)) break
      found.set(again, item)
    }
  })
  return found
}

const sizeOf = ({ value, unit }: NumberToken) => cmOf(value, unit ?? 'cm')

/** Which day each mass of a sentence is of. */
function daysOfNumbers(items: readonly Item[], numbers: ReadonlySet<NumberToken>) {
  const found = new Map<NumberToken, DayToken>()
  const those = items.filter((item) => item.kind === 'day' || numbers.has(item as NumberToken))
  const days = those.filter((item): item is DayToken => item.kind === 'day')
  const masses = those.filter((item): item is NumberToken => item.kind === 'number')
  const firstMass = those.findIndex(({ kind }) => kind === 'number')
  // A row of days above a row of numbers.
  const inRows =
    days.length > 1 &&
    days.length === masses.length &&
    (firstMass === days.length ||
      (firstMass === 0 && those.findIndex(({ kind }) => kind === 'day') === masses.length))
  if (inRows) {
    masses.forEach((mass, i) => found.set(mass, days[i]!))
    return found
  }
  const used = new Set<DayToken>()
  const take = (mass: NumberToken, day: DayToken) => {
    found.set(mass, day)
    used.add(day)
  }
  const dayFirst = firstMass > 0
  those.forEach((item, at) => {
    if (item.kind !== 'number') return
    const before = those.slice(0, at).findLast((one): one is DayToken => one.kind === 'day')
    const next = those[at + 1]
    if (!dayFirst && next?.kind === 'day' && !used.has(next)) take(item, next)
    else if (before) take(item, before)
    else if (next?.kind === 'day') take(item, next)
  })
  return found
}

/** What the numbers of a sentence tell of. */
export function readSentence(
  sentence: readonly Token[],
  on: IsoDate,
  stamped: boolean,
): SentenceRead {
  const items = sentence.filter(
    (token): token is Item =>
      token.kind === 'number' || token.kind === 'day' || token.kind === 'girth',
  )
  const aboutElse = (number: NumberToken) => {
    const clause = clauseOf(sentence, number)
    const before = clause.slice(0, clause.indexOf(number))
    if (hasCue(before, 'goal') || hasCue(before, 'change')) return true
    if (hasCue(clause, 'lift') && !hasCue(clause, 'mass')) return true
    const last = before.findLast(({ kind }) => kind !== 'word')
    return last?.kind === 'cue' && last.cue === 'other' && !isMassUnit(number.unit)
  }
  const live = items.filter((item) => item.kind !== 'number' || !aboutElse(item))
  const girthOf = girthNumbers(live)
  const numbers = live.filter((item): item is NumberToken => item.kind === 'number')
  const left = numbers.filter((number) => !girthOf.has(number))
  const means = left.filter(
    (number) => canBeMass(number) && hasCue(clauseOf(sentence, number), 'mean'),
  )
  const masses = left.filter((number) => canBeMass(number) && !means.includes(number))
  const dayOf = daysOfNumbers(live, new Set(masses))
  const weights = masses.map((number): Candidate => {
    return { number, day: dayOf.get(number), part: partOf(sentence, number), on, stamped }
  })
  return {
    weights,
    girths: [...girthOf].map(([number, { girth }]) => ({
      ...{ number, girth },
      side: sideOf(sentence, number),
    })),
    means,
    unknown: left.filter((number) => !canBeMass(number) && asksWhatItIs(sentence, number)),
  }
}

/** Whether a number that can be no body mass seems to have been meant as one, or as a girth. */
function asksWhatItIs(sentence: readonly Token[], number: NumberToken): boolean {
  if (isLengthUnit(number.unit)) return true
  const clause = clauseOf(sentence, number)
  const before = clause.slice(0, clause.indexOf(number)).findLast(({ kind }) => kind !== 'part')
  const named =
    before?.kind === 'day' ||
    before?.kind === 'girth' ||
    (before?.kind === 'cue' && before.cue === 'mass')
  const words = clause.some((token) => token.kind === 'word' && !token.filler)
  return named && !words && (number.value >= 2 || isMassUnit(number.unit))
}

/** The part of the day that stands nearest to a number in its clause. */
function partOf(sentence: readonly Token[], number: NumberToken): DayPart | undefined {
  const clause = clauseOf(sentence, number)
  const at = clause.indexOf(number)
  const parts = clause.flatMap((token, i) => {
    const part = 'part' in token ? token.part : undefined
    // What follows at once is said of the number; else what stands before it.
    return part ? [{ part, away: i > at ? (i === at + 1 ? 0.5 : 9) : at - i }] : []
  })
  return parts.sort((a, b) => a.away - b.away)[0]?.part
}

/** The side that was said between a number and the one before it. */
function sideOf(sentence: readonly Token[], number: NumberToken): 'left' | 'right' | undefined {
  const before = sentence.slice(0, sentence.indexOf(number))
  const since = before.slice(before.findLastIndex(({ kind }) => kind === 'number') + 1)
  const said = since.findLast(
    (token) => token.kind === 'cue' && (token.cue === 'left' || token.cue === 'right'),
  )
  return said?.kind === 'cue' && said.cue === 'left' ? 'left' : said ? 'right' : undefined
}

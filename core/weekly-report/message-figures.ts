import { median } from 'simple-statistics'
import { type GirthId, type KnownGirth, WAISTS } from '../anatomy/ids'
import { nameOf } from '../anatomy/names'
import { type Message, dayValue, listed, say } from '../say'
import { addDays, daysBetween, type IsoDate } from '../units/dates'
import type { MassUnit, TypedUnit } from '../units/parse'
import { resolvedDays, type SaidOn } from './message-days'
import {
  APART,
  cmOf,
  type DayToken,
  isUsualMass,
  kgOf,
  type NumberToken,
  unitsOfGirth,
} from './message-numbers'
import type { Candidate, SentenceRead } from './message-sentences'
import type { MessageGirth, MessageHints, MessageQuestion, MessageWeight } from './message-types'

/** Of the median of the message, or of what is known, that a mass may be off before it is asked about. */
const FAR = 0.08
/** Days back from which a date is asked about. */
const LONG_AGO = 62

/** The unit of bare masses: that of the others, or what makes them possible, the one in use first. */
export function unitOfMasses(
  numbers: readonly NumberToken[],
  { mass = 'kg', lastKg }: MessageHints,
): MassUnit {
  const bare = numbers.filter(({ unit }) => unit === undefined).map(({ value }) => value)
  if (bare.length === 0) return mass
  const middle = median(bare)
  const other: MassUnit = mass === 'kg' ? 'lb' : 'kg'
  const named = numbers.flatMap(({ value, unit }) => (unit ? kgOf(value, unit) : []))
  const known = named.length ? median(named) : lastKg
  if (known !== undefined) {
    const off = (unit: MassUnit) => Math.abs(Math.log(kgOf(middle, unit) / known))
    return off(other) < off(mass) ? other : mass
  }
  return !isUsualMass(kgOf(middle, mass)) && isUsualMass(kgOf(middle, other)) ? other : mass
}

/** The unit of bare girths, likewise. */
function unitOfGirths(
  girths: SentenceRead['girths'],
  { length = 'cm' }: MessageHints,
): (one: SentenceRead['girths'][number]) => TypedUnit {
  const sure = girths.flatMap(({ number, girth }) => {
    const units = number.unit ? [number.unit] : unitsOfGirth(number, girth)
    return units.length === 1 ? units : []
  })
  const usual = sure[0] ?? length
  return ({ number, girth }) => {
    if (number.unit) return number.unit
    const units = unitsOfGirth(number, girth)
    return units.includes(usual) ? usual : units[0]!
  }
}

/** The waist that was asked for, where the message just says waist or belly. */
function askedGirth(girth: KnownGirth, asked: readonly GirthId[] = []): GirthId {
  if (asked.includes(girth)) return girth
  const isWaist = (id: GirthId) => WAISTS.some((waist) => waist === id)
  const waists = asked.filter(isWaist)
  if (isWaist(girth) && waists.length === 1) return waists[0]!
  const alike: Partial<Record<KnownGirth, KnownGirth>> = {
    ...{ thigh_girth: 'mid_thigh_girth', mid_thigh_girth: 'thigh_girth' },
    ...{ upper_arm_relaxed: 'upper_arm_flexed', upper_arm_flexed: 'upper_arm_relaxed' },
  }
  const like = alike[girth]
  return like && asked.includes(like) ? like : girth
}

/** Masses of a message with their days; what is open is asked. */
export function readWeights(candidates: readonly Candidate[], hints: MessageHints, text: string) {
  const { today, lastKg } = hints
  const questions: MessageQuestion[] = []
  const unit = unitOfMasses(
    candidates.map(({ number }) => number),
    hints,
  )
  const massOf = ({ number }: Candidate) => {
    const as = number.unit ?? unit
    return { kg: kgOf(number.value, as), typed: number.text, unit: as }
  }
  const ask = (
    about: MessageQuestion['about'],
    said: Message,
    those: readonly { weight: MessageWeight | Omit<MessageWeight, 'date'> }[],
    asked: readonly Candidate[],
  ) => questions.push({ about, said, options: [...those], text: quote(text, asked) })

  const dayTokens = [...new Set(candidates.flatMap(({ day }) => day ?? []))].sort(
    (a, b) => a.at - b.at,
  )
  const onOf = (day: DayToken) => candidates.find((one) => one.day === day)!.on
  const resolved = resolvedDays(dayTokens.map((day): SaidOn => ({ said: day.day, on: onOf(day) })))
  const dateOf = new Map(dayTokens.map((day, i) => [day, resolved[i]]))

  // One mass without a day is that of the day it was written on; several, or one among others, are asked about.
  const undated = candidates.filter(({ day, stamped }) => !day && !stamped)
  const open = candidates.length > 1 ? undated : []
  if (open.length > 0) {
    const options = open.map((one, i) => ({
      weight: { ...massOf(one), date: addDays(one.on, i + 1 - open.length) },
    }))
    const typed = listed(options.map(({ weight }) => weight.typed))
    ask('which-day', say('weeklyReport.askWhichDay', { typed, count: open.length }), options, open)
  }
  const byDay = new Map<IsoDate, Candidate[]>()
  for (const candidate of candidates.filter((one) => !open.includes(one))) {
    const { day, on } = candidate
    const date = day ? dateOf.get(day) : on
    const weight = massOf(candidate)
    if (date === undefined) {
      ask('day', say('weeklyReport.askNoSuchDay', { day: day!.text }), [{ weight }], [candidate])
    } else if (date > today || daysBetween(date, today) > LONG_AGO) {
      const said = say(date > today ? 'weeklyReport.askFuture' : 'weeklyReport.askLongAgo', {
        ...{ day: dayValue(date, true), typed: weight.typed },
      })
      ask('day', said, [{ weight: { ...weight, date } }], [candidate])
    } else byDay.set(date, [...(byDay.get(date) ?? []), candidate])
  }

  const middle =
    lastKg ?? (byDay.size > 2 ? median(candidates.map((one) => massOf(one).kg)) : undefined)
  const isFar = (kg: number) => middle !== undefined && Math.abs(kg / middle - 1) > FAR
  const weights: MessageWeight[] = []
  for (const [date, those] of [...byDay].sort(([a], [b]) => (a < b ? -1 : 1))) {
    const mornings = those.filter(({ part }) => part !== 'later')
    const counted = mornings.length === 1 ? mornings : those
    const different = counted.filter(
      (one, i) => counted.findIndex((other) => massOf(other).kg === massOf(one).kg) === i,
    )
    const options = different.map((one) => ({ weight: { date, ...massOf(one) } }))
    const [first] = options
    if (options.length > 1) {
      const said = say('weeklyReport.askWhichWeight', {
        day: dayValue(date),
        count: options.length,
      })
      ask('which-weight', said, options, counted)
    } else if (isFar(first!.weight.kg)) {
      const said = say('weeklyReport.askFarOff', {
        ...{ day: dayValue(date), typed: first!.weight.typed },
      })
      ask('far-off', said, options, counted)
    } else weights.push(first!.weight)
  }
  return { weights, questions }
}

/** The words of the message from the first to the last of some numbers, with their days. */
function quote(text: string, candidates: readonly Candidate[]): string {
  const tokens = candidates.flatMap(({ number, day }) => (day ? [number, day] : [number]))
  return text.slice(
    Math.min(...tokens.map(({ at }) => at)),
    Math.max(...tokens.map(({ end }) => end)),
  )
}

/** Girths of a message: one, or two that agree; else it is asked which. */
export function readGirths(found: SentenceRead['girths'], hints: MessageHints) {
  const unitFor = unitOfGirths(found, hints)
  const questions: MessageQuestion[] = []
  const byGirth = new Map<GirthId, { one: MessageGirth; side?: 'left' | 'right' }[]>()
  for (const reading of found) {
    const girth = askedGirth(reading.girth, hints.asked)
    const unit = unitFor(reading)
    const cm = cmOf(reading.number.value, unit)
    const one = { girth, cm, typed: reading.number.text, unit }
    byGirth.set(girth, [...(byGirth.get(girth) ?? []), { one, side: reading.side }])
  }
  const girths: MessageGirth[] = []
  for (const [girth, readings] of byGirth) {
    const sizes = readings.map(({ one }) => one.cm)
    const apart = Math.max(...sizes) - Math.min(...sizes) > APART * Math.max(...sizes)
    const sides = new Set(readings.map(({ side }) => side))
    const options = readings.map(({ one }) => ({ girth: one }))
    if (!apart && sides.size === 1) girths.push(...options.map(({ girth: one }) => one))
    else {
      const said = say('weeklyReport.askWhichGirth', { girth: nameOf(girth) })
      const text = readings.map(({ one }) => one.typed).join(', ')
      questions.push({ about: 'which-girth', said, options, text })
    }
  }
  return { girths, questions }
}

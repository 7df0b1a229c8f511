import { tell } from '../support/words'
import { randomLcg, randomNormal } from 'd3-random'
import { describe, expect, test } from 'vitest'
import {
  addDays,
  headlineOf,
  headlineText,
  lookAtRecord,
  measuredOf,
  paceSinceLast,
  RecordModel,
  SEVEN_FOLDS,
  type CheckInRecord,
  type Look,
  type Measured,
  type SetupIds,
  type WeighIn,
} from '#core'
import { judgeRows } from '../../core/exchange/judge-rows'
import { readRecords } from '../../core/exchange/record-file'
import { fold } from './support'

const woman = { sex: 'female', birthDate: '1990-06-15', heightCm: 165 } as const
const BEGAN = '2026-01-05'
const FIRST = [11, 13, 19, 15, 22, 17, 27]
/** A check-in every three weeks: 3 % thinner and half a kilogram lighter each time, over a birthday. */
const WEEKS = [0, 3, 6, 9, 12, 15, 18, 21, 24]
const foldsAt = (i: number) => FIRST.map((mm) => Number((mm * 0.97 ** i).toFixed(1)))
const sumAt = (i: number) => foldsAt(i).reduce((sum, mm) => sum + mm, 0)
const massAt = (i: number) => 68 - 0.5 * i

function checkInsBy(
  weighIns: WeighIn[] = [],
  tester = (_: number) => 'ada',
  read = { folds: foldsAt, massKg: massAt },
): Measured[] {
  return WEEKS.map((week, i) => {
    const measuredOn = addDays(BEGAN, 7 * week)
    const folds = SEVEN_FOLDS.flatMap((site, s) =>
      [0, 1].map((trial) => fold(site, trial + 1, read.folds(i)[s]! + trial * 0.5)),
    )
    const mass = {
      ...{ id: `m${i}`, kind: 'mass' as const, site: null, standard: null, trial: 1 },
      ...{ value: read.massKg(i), takenAt: `${measuredOn}T09:00:00Z`, supersedes: null },
    }
    const checkIn: CheckInRecord & SetupIds = {
      ...{ protocolId: 'seven-fold', conversion: 'siri', measuredOn },
      ...{ testerId: tester(i), caliperId: 'steel', tapeId: null },
      readings: [...folds, mass],
    }
    const testers = ['ada', 'ben'].map((id) => ({ id, skill: 'trained' as const }))
    const instruments = [{ id: 'steel', graduation: 0.5, jaws: null }]
    return measuredOf(checkIn, { testers, instruments, ownErrors: {}, weighIns })
  })
}

/** The same as a file of records. */
function fileBy(tester = (_: number) => 'ada', event = (_: number) => '') {
  const columns = SEVEN_FOLDS.flatMap((site) => [`${site}_mm_1`, `${site}_mm_2`])
  const head = 'client,date,sex,birth_date,height_cm,mass_kg,equation,tester,caliper,event'.split(
    ',',
  )
  const rows = WEEKS.map((week, i) => [
    ...['w', addDays(BEGAN, 7 * week), 'female', woman.birthDate, 165, massAt(i)],
    ...['jackson-pollock-7', tester(i), 'steel', event(i)],
    ...foldsAt(i).flatMap((mm) => [mm, mm + 0.5]),
  ])
  return [[...head, ...columns], ...rows.map((row) => row.map(String))]
}

function lastOf(file: string[][]) {
  const [records] = [...readRecords(file).clients.values()]
  const rows = judgeRows(records!)
  return rows.filter(({ date }) => date === rows.at(-1)!.date)
}

const NAMES = { sum: 'sum', fat: 'fat_mass', lean: 'lean_mass', mass: 'body_mass' } as const
function expectSame(look: Look, rows: ReturnType<typeof lastOf>) {
  let compared = 0
  for (const row of rows) {
    const name = (Object.keys(NAMES) as (keyof typeof NAMES)[]).find(
      (n) => NAMES[n] === row.quantity,
    )!
    const change = look.horizons[row.horizon as 'first']!.changes[name]!
    expect(change.change, `${row.horizon} ${row.quantity}`).toBeCloseTo(Number(row.change), 3)
    expect(change.interval[0]).toBeCloseTo(Number(row.low95), 3)
    expect(change.verdict).toBe(row.verdict)
    compared++
  }
  expect(compared).toBe(12)
}

describe('a client’s record on the screen is judged as the same record in a file', () => {
  test('one hand, one phase', () => {
    const look = lookAtRecord({ person: woman, checkIns: checkInsBy() })!
    expectSame(look, lastOf(fileBy()))
    expect(look.horizons.first!.changes.fat!.verdict).toBe('clear')
  })

  test('two testers by turns, and a plan that began two days after the fourth check-in', () => {
    const tester = (i: number) => (i % 2 ? 'ben' : 'ada')
    const look = lookAtRecord({
      ...{ person: woman, checkIns: checkInsBy([], tester) },
      phaseStarts: [addDays(BEGAN, 7 * WEEKS[3]! + 2)],
    })!
    expectSame(look, lastOf(fileBy(tester, (i) => (i === 3 ? 'plan' : ''))))
    expect(look.horizons.phase!.since).toBe(addDays(BEGAN, 7 * WEEKS[3]!))
  })
})

describe('the way to the newest check-in', () => {
  const at = (i: number) => addDays(BEGAN, 7 * WEEKS[i]!)
  const look = (chosen?: string, checkIns = checkInsBy()) =>
    lookAtRecord({ person: woman, checkIns }, { retrospect: { chosen } })!

  test('ends with the change that is judged, begins with none, and is read off the check-ins', () => {
    const seen = look()
    const course = seen.course('first')
    expect(course.map(({ date }) => date)).toEqual(WEEKS.map((_, i) => at(i)))
    for (const quantity of ['fat', 'lean', 'mass', 'sum'] as const) {
      const judged = seen.horizons.first!.changes[quantity]!
      const end = course.at(-1)!.line[quantity]!
      expect(end.change).toBeCloseTo(judged.change, 8)
      expect(end.interval[0]).toBeCloseTo(judged.interval[0], 8)
      expect(course[0]!.line[quantity]).toMatchObject({ change: 0 })
      const reads = course.map(({ line }) => line[quantity]!.read)
      // Every third week half a kilogram: what two check-ins read apart does not depend on where the line begins.
      if (quantity === 'mass') expect(reads[3]! - reads[1]!).toBeCloseTo(-1, 8)
      if (quantity === 'sum') expect(reads[1]! - reads[0]!).toBeCloseTo(sumAt(1) - sumAt(0), 8)
    }
  })

  test('a check-in in the middle is surer by those after it, and counts from any day', () => {
    const width = ([low, high]: [number, number]) => high - low
    const sofar = lookAtRecord({ person: woman, checkIns: checkInsBy().slice(0, 5) })!
    const then = sofar.horizons.first!.changes.fat!
    const later = look().course('first')[4]!.line.fat!
    expect(width(later.interval)).toBeLessThan(0.9 * width(then.interval))
    const chosen = look(at(0))
    expect(chosen.course('chosen')).toEqual(chosen.course('first'))
    const middle = look(at(4)).course('chosen')
    expect(middle[0]!.date).toBe(at(4))
    const parts = look().course('first')
    const whole = parts.at(-1)!.line.fat!.change
    expect(middle.at(-1)!.line.fat!.change).toBeCloseTo(whole - parts[4]!.line.fat!.change, 8)
  })

  test('begins with none in a phase that follows another too', () => {
    const seen = lookAtRecord(
      { person: woman, checkIns: checkInsBy(), phaseStarts: [at(1), at(4)] },
      { retrospect: {} },
    )!
    const course = seen.course('phase')
    expect(course[0]).toMatchObject({ date: at(4), line: { fat: { change: 0, interval: [0, 0] } } })
    const judged = seen.horizons.phase!.changes.fat!
    expect(course.at(-1)!.line.fat!.change).toBeCloseTo(judged.change, 8)
  })

  test('is not there where it was not asked for', () => {
    expect(lookAtRecord({ person: woman, checkIns: checkInsBy() })!.course('first')).toEqual([])
  })

  test('since last it goes on as before, faster, slower, or turns', () => {
    const from = (folds: (i: number) => number[], massKg: (i: number) => number) =>
      paceSinceLast(look(undefined, checkInsBy([], undefined, { folds, massKg })))
    expect(from(foldsAt, massAt)).toBe('on-the-line')
    const last = WEEKS.length - 1
    const turned = (to: number) => [
      (i: number) => foldsAt(i === last ? to : i),
      (i: number) => massAt(i === last ? to : i),
    ]
    const pace = (to: number) => from(...(turned(to) as [typeof foldsAt, typeof massAt]))
    expect(pace(last + 6)).toBe('faster')
    expect(pace(last - 3)).toBe('slower')
    expect(pace(last - 6)).toBe('turned')
    expect(paceSinceLast(look(undefined, checkInsBy().slice(0, 2)))).toBeUndefined()
  })
})

describe('girths', () => {
  const waist = (i: number, trial: number, cm: number) => ({
    ...{
      id: `w${i} ${trial}`,
      kind: 'girth' as const,
      site: 'waist' as const,
      standard: null,
      trial,
    },
    ...{ value: cm, takenAt: '2026-01-05T09:00:00Z', supersedes: null },
  })
  /** By tape alone: the waist a share of a centimetre smaller each time. */
  const taped = (cm: number, caliper = (_: number) => 'steel', tester = (_: number) => 'ada') =>
    checkInsBy([], tester).map((checkIn, i) => ({
      ...{ ...checkIn, caliperId: caliper(i), protocolId: 'tape-only' },
      readings: [
        ...checkIn.readings.filter(({ kind }) => kind === 'mass'),
        waist(i, 1, 84 - cm * i),
        waist(i, 2, 84 - cm * i),
      ],
    }))
  const lookAt = (checkIns: Measured[]) => lookAtRecord({ person: woman, checkIns })!

  test('head the record of who is measured by tape alone', () => {
    const look = lookAt(taped(0.8))
    const headline = headlineOf(look)
    expect(headline.rule).toBe('phase-clear')
    expect(tell(headlineText(headline, { mass: 'kg', length: 'cm' }))).toMatch(
      /^Waist down [56]\.\d cm since Jan 5, 2026\.$/,
    )
    expect(tell(headlineText(headline, { mass: 'kg', length: 'in' }))).toMatch(
      /^Waist down 2\.\d in/,
    )
    expect(headlineOf(lookAt(taped(0))).rule).not.toMatch(/clear/)
  })

  test('another caliper is nothing to a tape, another tester is', () => {
    const sd = (checkIns: Measured[]) => lookAt(checkIns).horizons.first!.changes.waist!.sd
    const late = (one: string, other: string) => (i: number) => (i > 5 ? other : one)
    const same = sd(taped(0.4))
    expect(sd(taped(0.4, late('steel', 'plastic')))).toBeCloseTo(same, 12)
    expect(sd(taped(0.4, undefined, late('ada', 'ben')))).toBeGreaterThan(1.2 * same)
  })

  /* With an error of its own usual size; a year of a look every four weeks. */
  test('of people who do not change few are ever told so, and of 4 cm in a year most are', () => {
    const told = (cmAWeek: number) =>
      Array.from({ length: 150 }, (_, person) => {
        const normal = randomNormal.source(randomLcg((person * 0.618 + 0.1) % 1))(0, 1)
        const first = 75 + 10 * Math.abs(normal())
        const model = new RecordModel({ pairs: ['A'], testers: ['A'] })
        let clear = false
        for (let week = 0; week <= 52; week += 4) {
          const true_ = first + cmAWeek * week
          const value = true_ * (1 + 0.005 * normal()) + 0.6 * normal()
          model.learn(
            {
              ...{ date: addDays(BEGAN, 7 * week), subject: { sex: 'female' }, massDays: 1 },
              ...{ measured: [{ site: 'waist', standard: null, value }], variance: () => 0.36 },
              ...{ pair: 'A', tester: 'A' },
            },
            { equationId: undefined, lines: [{ quantity: 'waist', sites: [WAIST] }] },
          )
          clear ||= model.look().horizons.first!.changes.waist!.verdict === 'clear'
          model.leave()
        }
        return clear
      })
    const share = (all: boolean[]) => all.filter(Boolean).length / all.length
    expect(share(told(0))).toBeLessThanOrEqual(0.06)
    expect(share(told(-4 / 52))).toBeGreaterThanOrEqual(0.9)
  })
})
const WAIST = { site: 'waist', standard: null } as const

describe('weigh-ins between check-ins', () => {
  const daily = (from: number, to: number): WeighIn[] =>
    Array.from({ length: to - from }, (_, day) => ({
      date: addDays(BEGAN, from + day),
      kg: 68 - ((from + day) / 21) * 0.5,
    }))
  const halfWidth = (weighIns: WeighIn[], checkIns = checkInsBy(weighIns)) => {
    const { interval } = lookAtRecord({ person: woman, checkIns, weighIns })!.horizons.first!
      .changes.mass!
    return interval[1] - interval[0]
  }

  test('narrow what is known of body mass', () => {
    const end = 7 * WEEKS.at(-1)!
    expect(halfWidth(daily(0, end))).toBeLessThan(0.8 * halfWidth([]))
  })

  test('of a check-in’s own week count once: in its mass', () => {
    const week = daily(7 * 24 - 6, 7 * 24 + 1)
    const checkIns = checkInsBy(week)
    expect(halfWidth(week, checkIns)).toBeCloseTo(halfWidth([], checkIns), 9)
  })

  test('after the newest check-in change nothing about it', () => {
    const later = daily(7 * 24 + 3, 7 * 24 + 40)
    expect(halfWidth(later)).toBeCloseTo(halfWidth([]), 9)
  })
})

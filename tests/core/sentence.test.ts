import { describe, expect, test } from 'vitest'
import {
  judgeChange,
  nextMeasuring,
  readableAfterDays,
  RULES,
  sentenceOf,
  situationOf,
  SEVEN_FOLDS,
  type Direction,
  type Measured,
  type Reading,
  type Situation,
} from '#core'
import { fold } from './support'

const DIRECTIONS: Direction[] = ['down', 'up', 'held', 'unclear', 'absent']

/** Every combination of what the rules look at. */
function* situations(): Generator<Situation> {
  for (const fat of DIRECTIONS)
    for (const lean of DIRECTIONS)
      for (const mass of DIRECTIONS)
        for (const folds of DIRECTIONS)
          for (const comparable of ['like', 'differs', 'no'] as const)
            for (const tooFast of mass === 'down' ? [true, false] : [false])
              for (const region of [null, 'trunk'] as const)
                yield { fat, lean, mass, folds, comparable, tooFast, region }
}

describe('the sentence', () => {
  test('every combination has exactly one heading, that of the first rule that applies', () => {
    let count = 0
    for (const situation of situations()) {
      const { heading, rule, also } = sentenceOf(situation)
      const first = RULES.find((r) => !r.follows && r.applies(situation))
      expect(rule).toBe(first)
      expect(heading.length).toBeGreaterThan(0)
      expect(also).not.toContain(rule)
      count++
    }
    expect(count).toBe(5 ** 3 * 3 * 2 * (4 + 2))
  })

  test('never says what the verdicts do not', () => {
    for (const situation of situations()) {
      const { heading, rule } = sentenceOf(situation)
      if (/\bfat down/i.test(heading)) expect(situation.fat).toBe('down')
      if (/\blean up/i.test(heading)) expect(situation.lean).toBe('up')
      if (/lean held/.test(heading)) expect(['held', 'unclear']).toContain(situation.lean)
      if (/Weight down/.test(heading)) expect(situation.mass).toBe('down')
      if (/Lean down/.test(heading)) expect(situation.lean).toBe('down')
      if (/Creeping/.test(heading)) expect([situation.fat, situation.folds]).toContain('up')
      // Where something certainly moved, nobody is told that nothing did.
      const moved = [situation.fat, situation.lean].some((d) => d === 'up' || d === 'down')
      if (moved) expect(['held', 'cannot-tell', 'wait']).not.toContain(rule.id)
    }
  })

  test('every rule heads or follows somewhere, and has a suggestion with its reason', () => {
    const used = new Set<string>()
    for (const situation of situations()) {
      const { rule, also } = sentenceOf(situation)
      for (const { id } of [rule, ...also]) used.add(id)
    }
    expect([...used].sort()).toEqual(RULES.map(({ id }) => id).sort())
    for (const { next } of RULES) {
      expect(next.length).toBeGreaterThan(0)
      for (const { what, why } of next) expect(what && why).toBeTruthy()
    }
  })
})

const woman = { sex: 'female', birthDate: '1990-01-01', heightCm: 168 } as const
const LAST = [9, 11, 17, 13.5, 21, 16, 26]

function sheet(on: string, share: number, massKg: number, more: Partial<Measured> = {}): Measured {
  const mass: Reading = {
    ...{ id: `mass ${on}`, kind: 'mass', site: null, standard: null, trial: 1, value: massKg },
    ...{ takenAt: '2026-01-01T08:00:00Z', supersedes: null },
  }
  return {
    protocolId: 'seven-fold',
    conversion: 'siri',
    measuredOn: on,
    readings: [
      ...[1, 2].flatMap((trial) => SEVEN_FOLDS.map((s, i) => fold(s, trial, LAST[i]! * share))),
      mass,
    ],
    setup: { skill: 'trained', graduation: { mm: 0.5 } },
    ...more,
  }
}

const headingOf = (then: Measured, now: Measured) => {
  const judgement = judgeChange(woman, then, now)
  return { ...sentenceOf(situationOf(judgement)), judgement }
}

describe('of two check-ins', () => {
  const start = sheet('2026-03-01', 1, 64)

  test('fat down, lean held: the weekly average of mass tells what one weighing cannot', () => {
    const week = (kg: number) => ({ weekMass: { kg, days: 7 } })
    const [then, now] = [
      sheet('2026-03-01', 1, 64, week(64)),
      sheet('2026-04-26', 0.86, 61.9, week(61.9)),
    ]
    expect(headingOf(then, now).heading).toBe('Fat down, lean held.')
    expect(headingOf(start, sheet('2026-04-26', 0.86, 61.2)).heading).toBe(
      'Fat down; lean held as far as can be told.',
    )
  })

  test('weight down but the folds the same', () => {
    const { rule, judgement } = headingOf(start, sheet('2026-04-26', 1, 61.2))
    expect(rule.id).toBe('weight-down-folds-same')
    expect(judgement.quantities.sum!.change).toBe(0)
  })

  test('the weight the same, fat down and lean up: a net swing in one figure', () => {
    const { rule, judgement } = headingOf(start, sheet('2026-06-21', 0.72, 64.2))
    expect(rule.id).toBe('net-swing')
    const { fatMass, leanMass, recomposition } = judgement.quantities
    expect(recomposition!.change).toBeCloseTo(leanMass!.change - fatMass!.change, 9)
  })

  test('a loss of more than 1 % a week heads everything', () => {
    const { rule, also } = headingOf(start, sheet('2026-03-15', 0.9, 61))
    expect(rule.id).toBe('too-fast')
    expect(also.map(({ id }) => id)).toContain('fat-down-lean-held')
  })

  test('a loss that one weighing cannot tell is not too fast, however steep it reads', () => {
    const { judgement } = headingOf(start, sheet('2026-03-08', 1, 63.1))
    expect(-judgement.quantities.mass!.change).toBeGreaterThan(0.01 * 64)
    expect(situationOf(judgement)).toMatchObject({ mass: 'unclear', tooFast: false })
  })

  test('a region moves alone only where folds of another were taken', () => {
    const thigh = (day: string, mm: number): Measured => ({
      ...sheet(day, 1, 64),
      readings: [fold('thigh', 1, mm)],
    })
    const alone = judgeChange(woman, thigh('2026-03-01', 30), thigh('2026-06-01', 15))
    expect(alone.folds[0]!.verdict.certainty).toBe('clear')
    expect(situationOf(alone).region).toBeNull()
    // One fold is no sum.
    expect(alone.quantities.sum).toBeUndefined()
  })

  test('another caliper and nothing clear: wait', () => {
    const now = sheet('2026-03-29', 0.98, 63.8, { caliperId: 'b' })
    expect(headingOf({ ...start, caliperId: 'a' }, now).rule.id).toBe('wait')
  })

  test('sets that share no site cannot be compared, unless by mass', () => {
    const bare = { ...start, readings: [] }
    expect(headingOf(bare, start).rule.id).toBe('cannot-compare')
  })

  test('the first of a month is not blamed for a birthday', () => {
    const born = { ...woman, birthDate: '1986-04-01' }
    const judgement = judgeChange(born, start, sheet('2026-04-26', 1, 64))
    expect(judgement.quantities.fatPercent!.change).toBe(0)
    expect(judgement.comparison!.dueToAge).toBeGreaterThan(0)
  })
})

test('the next check-in is due when the pace has outgrown the hand', () => {
  expect(readableAfterDays(6.6, 3.3)).toBe(14)
  expect(readableAfterDays(6.6, -3.3)).toBe(14)
  expect(readableAfterDays(6.6, 0)).toBeUndefined()
  const judgement = judgeChange(woman, sheet('2026-03-01', 1, 64), sheet('2026-03-29', 1, 64))
  const next = nextMeasuring(judgement, 64)!
  expect(next.by).toBe('fatMass')
  // Two to four weeks are usually readable (common practice, no source).
  expect(next.days).toBeGreaterThanOrEqual(14)
  expect(next.days).toBeLessThanOrEqual(28)
  expect(nextMeasuring(judgement, 64, 2 * next.pace)!.days).toBeLessThanOrEqual(next.days / 2 + 1)
  // By the folds where no mass was taken: a kilogram of fat is about 8 mm on a sum of seven (judgement, no source).
  const { sumFolds, quantities } = judgement
  const { sum } = quantities
  const half = nextMeasuring({ sumFolds, quantities: { sum } }, undefined, 0.5)!
  expect(half).toMatchObject({ by: 'sum', pace: 4 })
  expect(half.days).toBe(Math.ceil((7 * sum!.minimalDetectableChange) / 4))
})

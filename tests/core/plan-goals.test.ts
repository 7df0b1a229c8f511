import { tell, told } from '../support/words'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  formatDate,
  addDays,
  attempt,
  checkedBreaks,
  daysBetween,
  dayOf,
  FORBES_KG,
  goalStartOf,
  isBreakWeek,
  leftOf,
  massOfStart,
  mealOf,
  paceByDay,
  paceMeans,
  planFrom,
  plannedWay,
  shareDone,
  simulate,
  targetsOf,
  timelineOf,
  weeksWithBreaks,
  GOAL_KINDS,
  type Breaks,
  type DayWish,
  type Goal,
  type PlanDraft,
  type StartingPoint,
} from '#core'

const man: StartingPoint = {
  ...{ sex: 'male', ageYears: 35, heightCm: 180, fatKg: 20, leanKg: 60, standardError: 3.5 },
  ...{ sum: { folds: ['triceps'], mm: 20 }, girthsCm: { waist: 92 } },
}
const FROM = '2026-03-02'
const plain: PlanDraft = {
  ...{ goal: { kind: 'loseMass', value: 6 }, wished: true, form: 'lean', activity: 1.5 },
  ...{ pace: { unit: 'percentMass', value: 0.7 }, peakWeek: false, stopped: false },
}

describe('goals in the coach’s words', () => {
  test('six kilograms off are the same as the weight that they lead to', () => {
    const words = targetsOf({ kind: 'loseMass', value: 6 }, man)
    const weight = targetsOf({ kind: 'mass', value: 74 }, man)
    expect(words.aim.massKg).toBeCloseTo(weight.aim.massKg, 9)
    expect(words.withForbes.fatKg).toBeCloseTo(weight.withForbes.fatKg, 6)
  })

  test('lean to gain holds the fat, and its other end brings fat by the Forbes relation', () => {
    const { aim, withForbes } = targetsOf({ kind: 'gainLean', value: 2 }, man)
    expect(aim).toEqual({ fatKg: 20, leanKg: 62, massKg: 82 })
    expect(withForbes.leanKg).toBe(62)
    expect(FORBES_KG * Math.log(withForbes.fatKg / 20)).toBeCloseTo(2, 9)
  })

  test('from another body only what is left is asked for', () => {
    const now = { fatKg: 16, leanKg: 60 }
    expect(leftOf({ kind: 'loseMass', value: 6 }, man, now)).toEqual({ kind: 'loseMass', value: 2 })
    expect(leftOf({ kind: 'loseMass', value: 3 }, man, now)).toEqual({ kind: 'mass', value: 77 })
    const gain = { kind: 'gainLean', value: 2 } as const
    expect(leftOf(gain, man, { fatKg: 20, leanKg: 60.5 })).toEqual({ ...gain, value: 1.5 })
    const percent = { kind: 'fatPercent', value: 15 } as const
    expect(leftOf(percent, man, now)).toBe(percent)
  })

  test('the girth and the sum that are goals are kept as they were at the start', () => {
    expect(goalStartOf({ kind: 'girth', girth: 'waist', value: 86 }, man)).toBe(92)
    expect(goalStartOf({ kind: 'sum', value: 15 }, man)).toBe(20)
    expect(goalStartOf({ kind: 'mass', value: 70 }, man)).toBeUndefined()
  })

  test('what is typed that makes no sense is named in words, and never as NaN', () => {
    const numbers = fc.oneof(
      fc.constantFrom(NaN, 0, -3, 1e9, undefined),
      fc.double({ min: -500, max: 500 }),
    )
    const drafts = fc.record({
      kind: fc.constantFrom(...GOAL_KINDS),
      ...{ value: numbers, pace: numbers, activity: numbers, every: numbers, weeks: numbers },
      date: fc.option(fc.constantFrom('2026-01-01', '2026-03-05', '2027-03-05'), {
        nil: undefined,
      }),
    })
    fc.assert(
      fc.property(drafts, ({ kind, value, pace, activity, every, weeks, date }) => {
        const goal: Goal = { kind, value, girth: 'waist', ...(date ? { date } : {}) }
        const found = planFrom(
          {
            ...{ ...plain, goal, activity: activity ?? NaN },
            pace: pace === undefined ? undefined : { unit: 'percentMass', value: pace },
            ...(every === undefined ? {} : { breaks: { every, weeks: weeks ?? NaN } }),
          },
          man,
          FROM,
        )
        const { targets, pace: asked, paceKg, timeline, energy } = found
        for (const outcome of [targets, asked, paceKg, timeline, energy]) {
          if (!outcome || outcome.ok) continue
          expect(tell(outcome.error.said)).not.toMatch(/NaN|undefined|Infinity/)
          expect(tell(outcome.error.said)).toMatch(/: (enter|use) |is faster\.$/)
        }
      }),
      { numRuns: 400 },
    )
    const noDay = attempt(() => targetsOf({ kind: 'mass', value: 74, occasion: 'weigh-in' }, man))
    expect(told(!noDay.ok && noDay.error.said)).toBe('Day of the weigh-in: enter a date.')
  })
})

describe('a pace', () => {
  test('means so many grams and kilocalories a day', () => {
    const { percentAWeek, gramsADay, kcalADay } = paceMeans(0.56, man)
    expect(percentAWeek).toBeCloseTo(0.7, 9)
    expect(gramsADay).toBeCloseTo(80, 9)
    // 3500 kcal a pound: Wishnofsky M, Am J Clin Nutr 1958;6:542-546 (from memory).
    expect(kcalADay).toBeCloseTo((0.56 / 0.453_592_37) * 500, 6)
  })

  test('that a day asks for ends on that day, with its breaks and its last week', () => {
    const goals = fc.record({
      lost: fc.double({ min: 0.5, max: 8, noNaN: true }),
      days: fc.integer({ min: 60, max: 400 }),
      peakWeek: fc.boolean(),
      breaks: fc.option(
        fc.record({
          every: fc.integer({ min: 2, max: 12 }),
          weeks: fc.integer({ min: 1, max: 3 }),
        }),
        { nil: undefined },
      ),
    })
    fc.assert(
      fc.property(goals, ({ lost, days, peakWeek, breaks }) => {
        const goal: Goal = { kind: 'loseMass', value: lost, date: addDays(FROM, days) }
        const options = { peakWeek, breaks }
        const pace = paceByDay(goal, man, FROM, options)
        const { doneOn, verdict, phases } = timelineOf(goal, man, pace, FROM, options)
        expect(verdict).toBe('feasible')
        // Whole weeks of a break at the end are no part of the change.
        const early = daysBetween(doneOn, goal.date!)
        expect(early).toBeGreaterThanOrEqual(0)
        expect(early).toBeLessThanOrEqual(7 * (breaks?.weeks ?? 0) + 1)
        expect(phases.at(-1)!.to).toBe(goal.date)
      }),
    )
  })

  test('a day that is gone, or none, is named', () => {
    const goal = { kind: 'loseMass', value: 4 } as const
    const gone = attempt(() => paceByDay({ ...goal, date: FROM }, man, FROM))
    expect(told(!gone.ok && [gone.error.input, gone.error.said])).toEqual([
      'date',
      `Day of the goal: enter a day after ${formatDate(FROM, true)}. Got “${FROM}”.`,
    ])
    expect(attempt(() => paceByDay(goal, man, FROM)).ok).toBe(false)
  })
})

describe('breaks', () => {
  const breaksOf = fc.record({
    every: fc.integer({ min: 2, max: 26 }),
    weeks: fc.integer({ min: 1, max: 12 }),
  })

  test('lengthen a plan by themselves alone, and no change is done in them', () => {
    const phasesOf = (breaks?: Breaks) =>
      timelineOf(plain.goal, man, plain.pace!, FROM, { breaks }).phases
    const days = (phases: ReturnType<typeof phasesOf>, kind: string) =>
      phases
        .filter((phase) => phase.kind === kind)
        .reduce((sum, { from, to }) => sum + daysBetween(from, to), 0)
    const straight = phasesOf()
    const broken = phasesOf({ every: 4, weeks: 2 })
    expect(broken.map(({ kind }) => kind)).toEqual(['cut', 'break', 'cut', 'break', 'cut'])
    expect(Math.abs(days(broken, 'cut') - days(straight, 'cut'))).toBeLessThanOrEqual(1)
    expect(days(broken, 'break')).toBe(28)
    for (const [i, phase] of broken.entries()) {
      expect(phase.from).toBe(i === 0 ? FROM : broken[i - 1]!.to)
    }
    expect(phasesOf({ every: 4, weeks: 6 })[1]!.kind).toBe('maintenance')
  })

  test('what is done grows in the weeks of change, stands still in the others, and ends whole', () => {
    fc.assert(
      fc.property(breaksOf, fc.double({ min: 1, max: 60, noNaN: true }), (breaks, moving) => {
        const whole = weeksWithBreaks(moving, breaks)
        expect(shareDone(whole, whole, breaks)).toBeCloseTo(1, 9)
        expect(shareDone(-1, whole, breaks)).toBe(0)
        for (let week = 0; week + 1 < whole; week++) {
          const step = shareDone(week + 1, whole, breaks) - shareDone(week, whole, breaks)
          expect(step).toBeCloseTo(isBreakWeek(week, breaks) ? 0 : 1 / moving, 9)
        }
      }),
    )
  })

  test('are eaten through at need: the body stands still, and goes on after', () => {
    const breaks = { every: 4, weeks: 2 }
    const regime = { intakeKcal: 2000, activity: 1.5, form: 'lean', breaks } as const
    const path = simulate(man, regime, 12, 0.5)
    const fat = path.map(({ fatKg }) => fatKg)
    expect(fat[4]).toBeLessThan(fat[3]! - 0.2)
    expect(fat[6]).toBeCloseTo(fat[4]!, 1)
    expect(fat[10]).toBeLessThan(fat[6]! - 0.8)
  })

  test('the way of a plan stands still in them too, and ends at the goal', () => {
    const goal: Goal = { kind: 'mass', value: 74 }
    const way = plannedWay(
      { goal, startedOn: FROM, weeks: 10, breaks: { every: 4, weeks: 2 } },
      man,
    )
    expect(way.map(({ massKg }) => massKg)[4]).toBeCloseTo(way[6]!.massKg, 9)
    expect(way.at(-1)).toMatchObject({ date: addDays(FROM, 70), leanKg: 60 })
    expect(way.at(-1)!.massKg).toBeCloseTo(74, 9)
    expect(way[0]!.massKg).toBe(massOfStart(man))
  })

  test('of no length, or of half a week, are refused by name', () => {
    const refused = (breaks: Breaks) => {
      const found = attempt(() => checkedBreaks(breaks))
      return found.ok ? undefined : `${found.error.input} ${tell(found.error.said)}`
    }
    expect(refused({ every: 8, weeks: 2 })).toBeUndefined()
    expect(refused({ every: 1, weeks: 2 })).toMatch(/^breakEvery .*from 2 to 26\. Got 1\./)
    expect(refused({ every: 8, weeks: 0.5 })).toMatch(/^breakWeeks .*from 1 to 12\. Got 0\.5\./)
    expect(refused({ every: NaN, weeks: 2 })).toMatch(/: enter [^.]*\.$/)
  })
})

describe('a day in meals', () => {
  const base = { kcal: 2000, massKg: 80, leanKg: 60 }
  const wish: DayWish = { protein: { value: 1.6, by: 'perKg' }, meals: 4, diet: 'vegan' }

  test('adds up to the day, and says what protein a meal has', () => {
    const day = dayOf(wish, base)
    const meal = mealOf(day, 4, 80)
    expect(4 * meal.grams.protein).toBeCloseTo(128, 9)
    expect(4 * meal.kcal).toBeCloseTo(2000, 9)
    expect(meal.proteinPerKg).toBeCloseTo(0.4, 9)
    // 0.4 to 0.55 g per kg a meal: Schoenfeld BJ, Aragon AA, J Int Soc Sports Nutr 2018;15:10 (from memory).
    expect(told(meal.note)).toMatch(/which is what building muscle asks for/)
    expect(told(mealOf(day, 8, 80).note)).toMatch(/fewer, larger meals/)
    expect(told(mealOf(day, 2, 80).note)).toMatch(/another meal spreads it/)
    expect(told(mealOf(day, 4).note)).toMatch(/about 0\.4 g/)
  })

  test('fat and carbohydrate are what is asked for, by any measure', () => {
    const { parts } = dayOf({ ...wish, fat: { value: 25, by: 'percent' } }, base)
    expect(parts.fat.kcal).toBeCloseTo(500, 9)
    const other = dayOf({ ...wish, carbohydrate: { value: 200, by: 'grams' } }, base)
    expect(other.parts.carbohydrate.grams).toBeCloseTo(200, 9)
    const none = attempt(() => mealOf(dayOf(wish, base), 0))
    expect(told(!none.ok && none.error.said)).toMatch(/^Meals a day: .*1 to 8\. Got 0\./)
  })
})

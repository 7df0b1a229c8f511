/*
 * Planning: goals, pace, timeline, energy, simulation, nutrients, cautions, follow-up, calendar. One long file, since
 * its parts are held against the same few bodies.
 */

import { tell, told } from '../support/words'
import { randomLcg, randomNormal } from 'd3-random'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  type InputError,
  addDays,
  adviseCadence,
  attempt,
  checkedPace,
  checkPlan,
  dueState,
  energyPlan,
  followUp,
  FORBES_KG,
  gainBand,
  goalOf,
  kgAWeek,
  KG_PER_POUND,
  leanAtFat,
  lookAtRecord,
  lossBand,
  massOfStart,
  monteCarlo,
  monteCarloAtOnce,
  NUTRIENTS,
  nutrientPlan,
  PACE_UNITS,
  paceIn,
  planStandingNow,
  RESTING_FORMS,
  restingFormFor,
  safePlan,
  calendarOf,
  simulate,
  SEVEN_FOLDS,
  startOf,
  STATIC_KCAL_PER_KG,
  staticMass,
  targetsOf,
  timelineOf,
  USUAL_DOUBT,
  wholeParts,
  type ClientRecordParts,
  type Measured,
  type ProposedPlan,
  type StartingPoint,
  estimate,
  sheetOf,
} from '#core'
import { fold, thrownBy } from './support'

const man: StartingPoint = {
  ...{ sex: 'male', ageYears: 35, heightCm: 180, fatKg: 20, leanKg: 60, standardError: 3.5 },
}
const woman: StartingPoint = { ...man, sex: 'female', fatKg: 18, leanKg: 46, heightCm: 168 }
const words = (run: () => unknown) => tell((thrownBy(run) as InputError).said)

describe('a goal', () => {
  test('at constant lean is lean / (1 - goal); with Forbes lean goes along', () => {
    const { aim, withForbes } = targetsOf({ kind: 'fatPercent', value: 15 }, man)
    expect(aim.massKg).toBeCloseTo(60 / 0.85, 9)
    expect(withForbes.fatKg / withForbes.massKg).toBeCloseTo(0.15, 6)
    expect(withForbes.leanKg).toBeCloseTo(leanAtFat(man, withForbes.fatKg), 9)
    expect(withForbes.leanKg).toBeLessThan(60)
    // (F1 - F0) + 10.4 ln(F1 / F0) is the change of mass (Hall KD, Br J Nutr 2007;97:1059-1063, from memory).
    const fat = withForbes.fatKg
    expect(fat - 20 + FORBES_KG * Math.log(fat / 20)).toBeCloseTo(withForbes.massKg - 80, 6)
  })

  test('of a body mass ends at that body mass both ways', () => {
    const { aim, withForbes } = targetsOf({ kind: 'mass', value: 74 }, man)
    expect(aim.massKg).toBe(74)
    expect(withForbes.massKg).toBeCloseTo(74, 6)
    expect(withForbes.fatKg).toBeGreaterThan(aim.fatKg)
  })

  test('is a line across the curves that it speaks of, and across no other', () => {
    const mass = { kind: 'mass', value: 74 } as const
    const { fatKg, massKg } = targetsOf(mass, man).aim
    expect(goalOf('mass', mass, man)).toBeCloseTo(74, 6)
    expect(goalOf('fatMass', mass, man)).toBe(fatKg)
    expect(goalOf('fatPercent', mass, man)).toBeCloseTo((100 * fatKg) / massKg, 9)
    expect(goalOf('sum', mass, man)).toBeUndefined()
    expect(goalOf('sum', { kind: 'sum', value: 80 }, man)).toBe(80)
    expect(goalOf('mass', { kind: 'sum', value: 80 }, man)).toBeUndefined()
    const waist = { kind: 'girth', girth: 'waist', value: 82 } as const
    expect(goalOf('waist', waist, man)).toBe(82)
    expect(goalOf('hip', waist, man)).toBeUndefined()
    expect(goalOf('mass', { kind: 'holdLean' }, man)).toBeUndefined()
    // A goal that is none draws no line.
    expect(goalOf('mass', { kind: 'mass', value: 40 }, man)).toBeUndefined()
  })

  test('that leaves no fat, or names no value, is no goal', () => {
    expect(words(() => targetsOf({ kind: 'mass', value: 40 }, woman))).toMatch(/no fat at all/)
    expect(words(() => targetsOf({ kind: 'mass' }, man))).toMatch(/: enter [^.]*\.$/)
  })
})

describe('a pace', () => {
  test('the strictest band binds: at 25 % fat the points end at 0.75', () => {
    const band = lossBand(man)
    expect(paceIn(band.fast, 'fatPoints', man)).toBeCloseTo(0.75, 9)
    expect(paceIn(band.fast, 'percentMass', man)).toBeCloseTo(1, 9)
    // A heavy body is bound by two pounds.
    expect(paceIn(lossBand({ fatKg: 60, leanKg: 80 }).fast, 'lb', man)).toBeCloseTo(2, 9)
  })

  test('faster than the band is refused with the band', () => {
    expect(words(() => checkedPace({ unit: 'lb', value: 2.5 }, man, 'loss'))).toMatch(
      /Pace: enter up to 1\.76 lb a week \(1% of body mass a week\)\. 2\.5 lb a week is faster\./,
    )
    expect(words(() => checkedPace({ unit: 'kg', value: NaN }, man, 'loss'))).toMatch(/: enter /)
  })
})

describe('a pace in its units', () => {
  const bodies = fc.record({
    fatKg: fc.integer({ min: 5, max: 70 }),
    leanKg: fc.integer({ min: 35, max: 90 }),
  })
  const units = fc.constantFrom(...PACE_UNITS)

  test('comes back from kilograms as it was, and doubles with its number', () => {
    fc.assert(
      fc.property(
        bodies,
        units,
        fc.double({ min: 0.05, max: 3, noNaN: true }),
        (body, unit, value) => {
          const kg = kgAWeek({ unit, value }, body)
          expect(paceIn(kg, unit, body)).toBeCloseTo(value, 9)
          expect(kgAWeek({ unit, value: 2 * value }, body)).toBeCloseTo(2 * kg, 9)
        },
      ),
    )
  })

  test('whatever the unit, the fast end of the band is let through and a hair more is not', () => {
    fc.assert(
      fc.property(bodies, units, fc.constantFrom('loss', 'gain'), (body, unit, direction) => {
        const { slow, fast } = (direction === 'loss' ? lossBand : gainBand)(body)
        expect(slow).toBeLessThanOrEqual(fast)
        const value = paceIn(fast, unit, body)
        expect(checkedPace({ unit, value }, body, direction)).toBeCloseTo(fast, 9)
        expect(words(() => checkedPace({ unit, value: value * 1.001 }, body, direction))).toMatch(
          /^Pace: enter up to .* a week \(.*\)\. .* a week is faster\.$/,
        )
      }),
    )
  })
})

describe('a plan before it is kept', () => {
  const propose = (more: Partial<ProposedPlan> = {}, start = man, flags: string[] = []) => {
    const plan = {
      ...{ goal: { kind: 'mass', value: 74 }, pace: { unit: 'kg', value: 0.6 } },
      ...{ form: 'lean', activity: 1.5, intakeKcal: 2600 },
      ...{ startedOn: '2026-03-01', ...more },
    } as ProposedPlan
    return () => checkPlan(plan, start, { flags, today: '2026-03-01' })
  }

  test('rounds inside every limit, and names the one that it is past', () => {
    expect(propose()).not.toThrow()
    expect(words(propose({ goal: { kind: 'fatMass', value: 2 } }))).toMatch(
      /^Goal: enter another\. Got 2\. .*3\.2% fat/,
    )
    expect(words(propose({ pace: { unit: 'lb', value: 3 } }))).toMatch(/^Pace: .* is faster/)
    expect(told(words(propose({ intakeKcal: 1000 })))).toMatch(
      /^Intake: enter \d,\d{3} kcal .* Got 1,000\./,
    )
    const soon = { kind: 'mass', value: 74, date: '2026-03-20' } as const
    expect(words(propose({ goal: soon }))).toMatch(
      /^Day of the goal: enter \w+ \d+, 2026 or later.* Got “2026-03-20”/,
    )
    expect(words(propose({ breaks: { every: 1, weeks: 2 } }))).toMatch(
      /^Weeks before a break: enter a whole number from 2 to 26\. Got 1\./,
    )
    expect(words(propose({ activity: 9 }))).toMatch(/^Activity factor: .* Got 9/)
    expect(words(propose({}, man, ['eating disorder']))).toMatch(
      /^Plan: .*cleared by .*eating disorder/i,
    )
    expect(words(propose({}, { ...man, ageYears: 15 }))).toMatch(/guardian/)
  })

  test('the intake of the energy plan is always enough, and less never', () => {
    let kept = 0
    const starts = fc.record({
      fatKg: fc.integer({ min: 12, max: 60 }),
      leanKg: fc.integer({ min: 45, max: 85 }),
    })
    fc.assert(
      fc.property(starts, fc.double({ min: 1.2, max: 1.9, noNaN: true }), (body, activity) => {
        const start = { ...man, ...body }
        const paceKg = lossBand(start).slow
        const goal = { kind: 'mass', value: massOfStart(start) - 2 } as const
        if (!attempt(() => targetsOf(goal, start)).ok) return
        // Only what the rules let pass has an intake.
        const wish = { goal, activity, form: 'lean', pace: { unit: 'kg', value: paceKg } } as const
        const { outcome } = safePlan(wish, start, { flags: [], today: '2026-03-01' })
        if (outcome === 'refused' || outcome === 'hold') return
        kept++
        const { intakeKcal } = energyPlan(start, { form: 'lean', activity, paceKg })
        const plan = { goal, activity, pace: { unit: 'kg', value: paceKg } as const }
        expect(propose({ ...plan, intakeKcal }, start)).not.toThrow()
        expect(words(propose({ ...plan, intakeKcal: intakeKcal - 50 }, start))).toMatch(/^Intake/)
      }),
    )
    expect(kept).toBeGreaterThan(30)
  })
})

describe('a timeline', () => {
  const pace = { unit: 'percentMass', value: 0.7 } as const
  const on = (date?: string) =>
    timelineOf({ kind: 'mass', value: 74, ...(date ? { date } : {}) }, man, pace, '2026-03-01')

  test('goes from a pace to a date and from a date back to the latest start', () => {
    const free = on()
    expect(free.verdict).toBe('no date')
    // 6 kg of 80 at 0.7 % of what is left a week: ln(80 / 74) / -ln(0.993).
    expect(free.weeks).toBeCloseTo(Math.log(80 / 74) / -Math.log(0.993), 0)
    const early = on('2026-12-01')
    expect(early.verdict).toBe('feasible')
    expect(early.latestStart! > early.startAtPace!).toBe(true)
    expect(on(free.doneOn).verdict).toBe('feasible')
    expect(on(free.earliest).verdict).toBe('feasible at the fast end')
    const wish = on('2026-03-20')
    expect(wish.verdict).toBe('not feasible')
    expect(wish.earliest > '2026-03-20').toBe(true)
  })

  test('keeps the last week for rest, without water games', () => {
    const goal = { kind: 'mass', value: 78, date: '2026-08-01' } as const
    const { phases } = timelineOf(goal, man, pace, '2026-03-01', { peakWeek: true })
    expect(phases.map(({ kind }) => kind)).toEqual(['cut', 'hold', 'peak week'])
    expect(told(phases.at(-1))).toMatchObject({ from: '2026-07-25', to: '2026-08-01' })
    expect(told(phases.at(-1)!.words)).toMatch(/No water, salt or sauna/)
  })
})

describe('energy', () => {
  test('the deficit is held to what body fat can supply, the intake to its floor', () => {
    const lean: StartingPoint = { ...man, fatKg: 6, leanKg: 66 }
    const held = energyPlan(lean, { form: 'lean', activity: 1.55, paceKg: 0.7 })
    expect(held.deficitKcal).toBeCloseTo(69.3 * 6, 6)
    expect(told(held.notes[0])).toMatch(/more than this body fat can supply/)
    const small: StartingPoint = { ...woman, fatKg: 20, leanKg: 36 }
    const floored = energyPlan(small, { form: 'lean', activity: 1.2, paceKg: 0.5 })
    expect(floored.intakeKcal).toBe(1200)
    expect(told(floored.notes[0])).toMatch(/registered dietitian/)
    // A pace below nought is a gain.
    expect(energyPlan(man, { form: 'mass', activity: 1.4, paceKg: -0.2 }).deficitKcal).toBeLessThan(
      0,
    )
  })

  test('two compartments lose less than the static rule, and conserve energy on the way', () => {
    const { needKcal } = energyPlan(man, { form: 'lean', activity: 1.5, paceKg: 0 })
    const regime = { intakeKcal: needKcal - 500, activity: 1.5, form: 'lean' } as const
    const path = simulate(man, regime, 52)
    const end = path.at(-1)!
    const lost = 80 - end.fatKg - end.leanKg
    expect(lost).toBeGreaterThan(5)
    expect(lost).toBeLessThan((500 * 364) / 7716)
    // Lean follows fat by the Forbes relation all along.
    expect(end.leanKg).toBeCloseTo(leanAtFat(man, end.fatKg), 1)
    // At need nothing moves.
    const still = simulate(man, { ...regime, intakeKcal: needKcal }, 52).at(-1)!
    expect(still.fatKg).toBeCloseTo(20, 9)
  })

  test('who eats more weighs more, each week; the static rule is a straight line', () => {
    // Not so long nor so little that the fat comes to its end.
    const weeks = fc.integer({ min: 1, max: 20 })
    const intakes = fc.tuple(
      fc.integer({ min: 2000, max: 3500 }),
      fc.integer({ min: 20, max: 800 }),
    )
    fc.assert(
      fc.property(
        intakes,
        weeks,
        fc.constantFrom('lean', 'athlete', 'mass'),
        ([less, more], n, form) => {
          const eats = (intakeKcal: number) => simulate(man, { intakeKcal, activity: 1.5, form }, n)
          const [thin, thick] = [eats(less), eats(less + more)]
          expect(thin).toHaveLength(n + 1)
          for (const { week, fatKg, leanKg } of thin.slice(1)) {
            expect(thick[week]!.fatKg).toBeGreaterThan(fatKg)
            expect(thick[week]!.leanKg).toBeGreaterThan(leanKg)
            expect(fatKg).toBeGreaterThan(0)
          }
        },
      ),
      { numRuns: 40 },
    )
    expect(staticMass(80, 500, 10, STATIC_KCAL_PER_KG)).toBeCloseTo(80 - 10 * KG_PER_POUND, 9)
  })

  test('the resting form follows who trains as an athlete, and says why', () => {
    expect(restingFormFor('athlete').form).toBe('athlete')
    expect(restingFormFor('physique').form).toBe('athlete')
    expect(told(restingFormFor(undefined))).toMatchObject({
      form: 'lean',
      why: expect.stringMatching(/lean mass is known/),
    })
    const unmeasured: StartingPoint = { ...man, heightCm: undefined }
    expect(words(() => RESTING_FORMS.mass.kcal(unmeasured))).toBe(
      'Height: enter a height on record.',
    )
  })

  test('the band is that of its paths, reports progress and can be stopped', () => {
    const regime = { intakeKcal: 2000, activity: 1.5, form: 'lean' } as const
    const normal = () => randomNormal.source(randomLcg(0.3))(0, 1)
    const doubt = { ...USUAL_DOUBT, fatPoints: 3.5 }
    const bands = monteCarloAtOnce(man, regime, 26, doubt, 2000, normal())
    const middle = simulate(man, regime, 26, 0.5)
    for (const { week, mass } of bands) {
      expect([...mass]).toEqual([...mass].sort((a, b) => a - b))
      expect(mass[2]).toBeCloseTo(middle[week]!.fatKg + middle[week]!.leanKg, 0)
    }
    expect(bands[26]!.mass[4] - bands[26]!.mass[0]).toBeGreaterThan(2)
    expect(bands[0]!.mass[0]).toBeCloseTo(80, 9)
    const sure = { fatPoints: 0, activity: 0, adherence: 0, forbes: [1, 1] } as const
    const none = monteCarloAtOnce(man, regime, 4, sure, 250, normal())
    expect(none[4]!.mass[0]).toBeCloseTo(none[4]!.mass[4], 9)
    // Where only the lean is in doubt, lean held and the relation are the two ends.
    const ends = [0, 1].map((forbes) => simulate(man, regime, 26, forbes).at(-1)!)
    const open = { ...sure, forbes: [0, 1] } as const
    const between = monteCarloAtOnce(man, regime, 26, open, 2000, normal())[26]!
    const least = (share: number) => simulate(man, regime, 26, share).at(-1)!.leanKg
    expect(between.lean[4]).toBeCloseTo(least(0.05), 1)
    expect(between.lean[0]).toBeCloseTo(least(0.95), 1)
    expect(least(0)).toBe(man.leanKg)
    expect(between.fat[2]).toBeLessThan(ends[1]!.fatKg)
    expect(between.fat[2]).toBeGreaterThan(ends[0]!.fatKg)
    const run = monteCarlo(man, regime, 26, doubt, 1000, normal())
    expect([run.next(), run.next()]).toEqual([
      { done: false, value: 0.25 },
      { done: false, value: 0.5 },
    ])
  })
})

describe('nutrients', () => {
  test('add up exactly to the energy, whatever is asked for', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1200, max: 4500 }),
        fc.integer({ min: 0, max: 200 }),
        fc.option(fc.integer({ min: 0, max: 900 }), { nil: undefined }),
        fc.option(fc.double({ min: 0, max: 1, noNaN: true }), { nil: undefined }),
        (kcal, proteinG, carbohydrateG, fatShare) => {
          const { parts } = nutrientPlan(kcal, { proteinG, carbohydrateG, fatShare })
          const sum = NUTRIENTS.reduce((total, n) => total + parts[n].kcal, 0)
          expect(sum).toBeCloseTo(kcal, 6)
          expect(NUTRIENTS.every((n) => parts[n].grams >= -1e-9)).toBe(true)
          const whole = wholeParts(NUTRIENTS.map((n) => parts[n].percent))
          expect(whole.reduce((a, b) => a + b, 0)).toBe(100)
        },
      ),
    )
  })

  test('10 g/kg of carbohydrate in 2000 kcal is named as a conflict, with the nearest that fits', () => {
    const { parts, conflicts } = nutrientPlan(2000, { proteinG: 126, carbohydrateG: 700 })
    expect(told(conflicts[0])).toMatch(
      /700 g of carbohydrate \(2,800 kcal\) do not fit in 2,000 kcal.*274 g do/,
    )
    expect(parts.fat.percent).toBeCloseTo(20, 9)
    expect(words(() => nutrientPlan(1200, { proteinG: 280 }))).toMatch(/Protein: enter up to 240 g/)
  })
})

describe('a check-in against the plan', () => {
  const person = { sex: 'male', birthDate: '1990-01-01', heightCm: 180 } as const
  const sheet = (on: string, share: number, massKg: number): Measured => ({
    ...{
      protocolId: 'seven-fold',
      conversion: 'siri',
      measuredOn: on,
      setup: { skill: 'trained' },
    },
    weekMass: { kg: massKg, days: 7 },
    readings: [1, 2].flatMap((trial) =>
      SEVEN_FOLDS.map((s, i) => fold(s, trial, [14, 16, 13, 18, 28, 20, 17][i]! * share)),
    ),
  })
  const FROM = '2026-01-01'
  const start = startOf(person, sheet(FROM, 1, 85), FROM)!
  test('a sum is wished for by what the equation in force makes of thinner folds, not by a rule of thumb', () => {
    const { subject, measured } = sheetOf(person, sheet(FROM, 0.95, 85))
    const values = Object.fromEntries(measured.map(({ site, value }) => [site, value]))
    const { fatPercent } = estimate('jackson-pollock-7', { ...subject, ageYears: 36 }, values)
    const fatKg = (start.leanKg * fatPercent) / (100 - fatPercent)
    const asked = targetsOf({ kind: 'sum', value: start.sum!.mm * 0.95 }, start).aim.fatKg
    // The equation is a little bent, and a slope is straight.
    expect(asked / fatKg).toBeCloseTo(1, 2)
    const { mmPerKg, ...unknown } = start
    const byThumb = targetsOf({ kind: 'sum', value: start.sum!.mm * 0.95 }, unknown).aim.fatKg
    expect(Math.abs(byThumb - fatKg)).toBeGreaterThan(3 * Math.abs(asked - fatKg))
    expect(mmPerKg!.equationSum).toBeCloseTo(mmPerKg!.sum!, 9)
  })

  /** A check-in every two weeks of twelve, evenly from the plan's start to so much of its folds and such a mass. */
  const record = (share: number, massKg: number): ClientRecordParts => ({
    ...{ person, phaseStarts: [FROM] },
    checkIns: Array.from({ length: 7 }, (_, i) =>
      sheet(addDays(FROM, 14 * i), 1 + ((share - 1) * i) / 6, 85 + ((massKg - 85) * i) / 6),
    ),
  })
  const plan = {
    ...{ startedOn: FROM, start, weeks: 16, intakeKcal: 2300, needKcal: 2800 },
    goal: { kind: 'fatMass', value: start.fatKg - 6 } as const,
  }
  const standing = (share: number, massKg: number) =>
    followUp(lookAtRecord(record(share, massKg))!, plan)!

  test('is ahead, on, behind, or losing lean, and Today has the same', () => {
    const cases = [
      [0.77, 81, 'on'],
      [0.4, 76.5, 'ahead'],
      [1.05, 86, 'behind'],
      [1, 79, 'losing lean'],
    ] as const
    for (const [share, massKg, wanted] of cases) {
      expect(standing(share, massKg).standing, wanted).toBe(wanted)
      const onToday = planStandingNow(lookAtRecord(record(share, massKg))!, plan)!.standing
      if (wanted !== 'losing lean') expect(onToday).toBe(wanted)
    }
  })

  test('says what the plan has and what the record has by the plan’s own start', () => {
    const now = standing(0.77, 81)
    expect(now.weeks).toBe(12)
    expect(now.wanted).toBeCloseTo((-6 * 12) / 16, 9)
    expect(now.change).toBeLessThan(-3)
    expect(now.short).toBeCloseTo(now.change - now.wanted, 9)
    expect(Math.abs(now.short)).toBeLessThan(now.reach)
    // A plan that began at the sixth check-in has nothing of what was lost before it.
    const late = addDays(FROM, 42)
    const half = planStandingNow(lookAtRecord({ ...record(0.77, 81), phaseStarts: [late] })!, {
      ...plan,
      startedOn: late,
    })!
    expect([half.weeks, half.since]).toEqual([6, late])
    expect(half.wanted).toBeCloseTo((-6 * 6) / 16, 9)
    expect(half.change).toBeGreaterThan(now.change + 1)
    // Two weeks of six at need are no loss that the plan waits for.
    const rested = planStandingNow(lookAtRecord(record(0.77, 81))!, {
      ...plan,
      breaks: { every: 4, weeks: 2 },
    })!
    expect(rested.wanted).toBeCloseTo((-6 * 8) / 12, 9)
  })

  test('says the energy balance that fat and lean imply, beside what was planned', () => {
    const { observedKcal, interval, plannedKcal } = standing(0.77, 81).energy!
    expect(plannedKcal).toBe(-500)
    expect(observedKcal).toBeLessThan(-250)
    expect(observedKcal).toBeGreaterThan(-700)
    expect(interval[0]).toBeLessThan(observedKcal)
    expect(interval[1]).toBeGreaterThan(observedKcal)
  })

  test('nothing is said before two weeks, nor of a plan that asks nothing of fat', () => {
    const { checkIns, ...rest } = record(0.77, 81)
    const early = [checkIns[0]!, { ...checkIns[1]!, measuredOn: addDays(FROM, 10) }]
    expect(followUp(lookAtRecord({ ...rest, checkIns: early })!, plan)).toBeUndefined()
    const hold = { kind: 'fatMass', value: start.fatKg } as const
    expect(followUp(lookAtRecord(record(0.77, 81))!, { ...plan, goal: hold })).toBeUndefined()
  })
})

describe('the calendar', () => {
  test('the cadence is the shortest of its range that the hand can read', () => {
    expect(adviseCadence('training', 16).days).toBe(21)
    expect(adviseCadence('training', 5).days).toBe(14)
    expect(told(adviseCadence('preparation', 20))).toMatchObject({ days: 7 })
    expect(told(adviseCadence('preparation', 20).why)).toMatch(/judged only after 20 days/)
    expect(adviseCadence('otherwise', undefined).days).toBe(42)
    expect(told(adviseCadence('training', 14).why)).toMatch(/can be judged after 14 days/)
  })

  test('a day moved to by hand counts until something is measured', () => {
    expect(dueState('2026-03-01', 28, '2026-03-10', '2026-03-12')).toMatchObject({
      ...{ state: 'coming', dueOn: '2026-03-12' },
    })
    expect(dueState('2026-03-15', 28, '2026-03-16', '2026-03-12').dueOn).toBe('2026-04-12')
  })

  test('as iCalendar: one all-day event each, with a uid that stays', () => {
    const visit = {
      ...{ uid: 'a@oak-pinch', date: '2026-03-14', summary: 'Check-in: A; B, C' },
      description: 'One.\nTwo.',
    }
    const text = calendarOf([visit], 'Check-ins', new Date('2026-03-01T10:00:00Z'))
    expect(text).toMatch(/^BEGIN:VCALENDAR\r\nVERSION:2\.0/)
    expect(text).toMatch(/UID:a@oak-pinch\r\n/)
    expect(text).toMatch(/DTSTART;VALUE=DATE:20260314\r\n/)
    expect(text).toMatch(/DTEND;VALUE=DATE:20260315\r\n/)
    expect(text).toMatch(/SUMMARY:Check-in: A\\; B\\, C\r\n/)
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true)
  })
})

test('two pounds are two pounds', () => {
  expect(checkedPace({ unit: 'lb', value: 2 }, { fatKg: 40, leanKg: 80 }, 'loss')).toBeCloseTo(
    2 * KG_PER_POUND,
    12,
  )
})

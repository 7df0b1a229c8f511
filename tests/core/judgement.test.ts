import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  bandsOf,
  basisOf,
  comparable,
  conditionDifferences,
  judgeChange,
  minimalDetectableChangeOfSum,
  nextMeasuring,
  readableAfterDays,
  EQUATION_QUANTITIES,
  SEVEN_FOLDS,
  siteError,
  SKINFOLD_IDS,
  smallestWorthwhileChangeOfSum,
  valueVariance,
  Z95,
  type GirthId,
  type MeasurementSetup,
  type Judgement,
  type Measured,
  type Reading,
  type SkinfoldId,
} from '#core'
import { fold, plausibleValue } from './support'

const woman = { sex: 'female', birthDate: '1990-06-15', heightCm: 168 } as const
const SHEET = [9, 11, 17, 13.5, 21, 16, 26]
const setup: MeasurementSetup = { skill: 'trained' }

const scale = (kg: number): Reading => ({
  ...{ id: `mass ${kg}`, kind: 'mass', site: null, standard: null, trial: 1, value: kg },
  ...{ takenAt: '2026-01-01T09:00:00Z', supersedes: null },
})
const girth = (site: GirthId, trial: number, cm: number): Reading => ({
  ...{ id: `${site} ${trial} ${cm}`, kind: 'girth', site, standard: null, trial, value: cm },
  ...{ takenAt: '2026-01-01T09:00:00Z', supersedes: null },
})

function sheet(
  measuredOn: string,
  values: readonly number[],
  {
    massKg = 62,
    rounds = 1,
    ...more
  }: { massKg?: number; rounds?: number } & Partial<Measured> = {},
): Measured {
  const folds = Array.from({ length: rounds }, (_, i) =>
    SEVEN_FOLDS.map((site, s) => fold(site, i + 1, values[s]!)),
  ).flat()
  return {
    ...{ protocolId: 'seven-fold', conversion: 'siri', measuredOn, setup },
    ...{ testerId: 'a', caliperId: 'c', readings: [...folds, scale(massKg)] },
    ...more,
  }
}
const share = (by: number) => SHEET.map((mm) => mm * by)
const errorOf = ({ quantities }: Judgement, of: keyof Judgement['quantities']) =>
  quantities[of]!.standardError

/* The project's reference tables: 8.0 mm on single trials, 6.6 mm on double (trained). Judgement, no published source. */
test('the smallest real change of the sum of seven', () => {
  const once = sheet('2026-07-01', SHEET)
  const twice = sheet('2026-07-01', SHEET, { rounds: 2 })
  const later = { ...twice, measuredOn: '2026-09-01', testerId: 'b' }
  expect(minimalDetectableChangeOfSum(woman, once)).toBeCloseTo(8.0, 0)
  expect(minimalDetectableChangeOfSum(woman, twice)).toBeCloseTo(6.6, 1)
  expect(minimalDetectableChangeOfSum(woman, later, twice)).toBeCloseTo(6.64 * 1.5, 1)
})

describe('a judgement of two check-ins', () => {
  const values = fc.tuple(...SEVEN_FOLDS.map((site) => plausibleValue(site)))
  const masses = fc.integer({ min: 450, max: 1200 }).map((n) => n / 10)

  test('turned about in time gives every change the other sign, at the same error', () => {
    // Both inside one year of age, so that both are computed at the same age.
    fc.assert(
      fc.property(values, values, masses, masses, (a, b, massA, massB) => {
        const [one, two] = [
          sheet('2026-07-01', a, { massKg: massA }),
          sheet('2026-09-01', b, { massKg: massB }),
        ]
        const forth = judgeChange(woman, one, two)
        const back = judgeChange(
          woman,
          { ...two, measuredOn: one.measuredOn },
          { ...one, measuredOn: two.measuredOn },
        )
        for (const quantity of [...EQUATION_QUANTITIES, 'mass'] as const) {
          const [there, again] = [forth.quantities[quantity], back.quantities[quantity]]
          expect(there === undefined).toBe(again === undefined)
          if (!there || !again) continue
          expect(again.change).toBeCloseTo(-there.change, 8)
          expect(again.standardError).toBeCloseTo(there.standardError, 8)
          expect(again.certainty).toBe(there.certainty)
        }
        expect(back.folds.map(({ verdict }) => verdict.change)).toEqual(
          forth.folds.map(({ verdict }) => expect.closeTo(-verdict.change, 9)),
        )
      }),
      { numRuns: 40 },
    )
  })

  test('fat and lean make body mass, and the net swing is lean less fat, in every change', () => {
    fc.assert(
      fc.property(values, values, masses, masses, (a, b, massA, massB) => {
        const { quantities: q } = judgeChange(
          woman,
          sheet('2026-07-01', a, { massKg: massA }),
          sheet('2026-09-01', b, { massKg: massB }),
        )
        if (!q.fatMass) return
        expect(q.fatMass.change + q.leanMass!.change).toBeCloseTo(q.mass!.change, 8)
        expect(q.recomposition!.change).toBeCloseTo(q.leanMass!.change - q.fatMass.change, 8)
        expect(q.mass!.change).toBeCloseTo(massB - massA, 9)
      }),
      { numRuns: 60 },
    )
  })

  test('the error of a sum is that of its folds, each time', () => {
    const judged = judgeChange(
      woman,
      sheet('2026-01-10', SHEET, { rounds: 2 }),
      sheet('2026-02-10', share(0.9)),
    )
    const variance = SEVEN_FOLDS.reduce((total, site) => {
      const error = siteError(site, setup)
      return total + valueVariance(error, 2) + valueVariance(error, 1)
    }, 0)
    expect(errorOf(judged, 'sum')).toBeCloseTo(Math.sqrt(variance), 6)
    expect(judged.quantities.sum!.worthwhile).toBe(smallestWorthwhileChangeOfSum(7))
    expect(judged.sumFolds).toHaveLength(7)
    expect(judged.weeks).toBeCloseTo(31 / 7, 9)
  })

  test('another tester or caliper makes every fold’s error half again, and is said', () => {
    const then = sheet('2026-01-10', SHEET)
    const now = sheet('2026-02-10', share(0.9))
    const same = judgeChange(woman, then, now)
    for (const [other, words] of [
      [{ testerId: 'b' }, 'Another tester than then.'],
      [{ caliperId: 'd' }, 'Another caliper than then.'],
    ] as const) {
      const changed = judgeChange(woman, then, { ...now, ...other })
      expect(errorOf(changed, 'sum') / errorOf(same, 'sum')).toBeCloseTo(1.5, 9)
      expect(changed.folds[0]!.verdict.standardError).toBeCloseTo(
        1.5 * same.folds[0]!.verdict.standardError,
        9,
      )
      expect(changed.differs).toEqual([words])
      // The scale knows neither of them.
      expect(errorOf(changed, 'mass')).toBe(errorOf(same, 'mass'))
    }
  })

  test('a caliper has no part in a girth, a tester has', () => {
    const taped = (on: string, cm: number, more: object = {}) =>
      sheet(on, SHEET, {
        ...{ protocolId: 'seven-fold', extraGirths: ['waist'], ...more },
        readings: [...sheet(on, SHEET).readings, girth('waist', 1, cm)],
      })
    const [then, now] = [taped('2026-01-10', 80), taped('2026-02-10', 78)]
    const error = (m: Measured) => judgeChange(woman, then, m).girths[0]!.verdict.standardError
    expect(error({ ...now, caliperId: 'd' })).toBe(error(now))
    expect(error({ ...now, testerId: 'b' }) / error(now)).toBeCloseTo(1.5, 9)
  })

  test('a novice, single trials and one weighing know less than a trained tester, doubles and a week', () => {
    const judged = (more: Parameters<typeof sheet>[2]) =>
      judgeChange(woman, sheet('2026-01-10', SHEET, more), sheet('2026-02-10', share(0.9), more))
    const usual = judged({})
    expect(errorOf(judged({ setup: { skill: 'novice' } }), 'sum')).toBeGreaterThan(
      errorOf(usual, 'sum'),
    )
    expect(errorOf(judged({ rounds: 2 }), 'sum')).toBeLessThan(errorOf(usual, 'sum'))
    const week = judged({ weekMass: { kg: 62, days: 7 } })
    expect(errorOf(week, 'mass')).toBeLessThan(errorOf(usual, 'mass') / 2)
    expect(errorOf(week, 'leanMass')).toBeLessThan(errorOf(usual, 'leanMass'))
    const own = { skill: 'novice', ownErrors: { thigh: { tem: 0.3, pairs: 30 } } } as const
    const thigh = (m: Judgement) => m.folds.find(({ site }) => site === 'thigh')!.verdict
    expect(thigh(judged({ setup: own })).standardError).toBeLessThan(
      thigh(judged({ setup: { skill: 'novice' } })).standardError,
    )
  })

  test('sites are judged with their number in mind: each is as sure as alone, or less', () => {
    const order = ['cannot tell', 'no change', 'likely', 'clear']
    fc.assert(
      fc.property(values, values, (a, b) => {
        const together = judgeChange(woman, sheet('2026-07-01', a), sheet('2026-09-01', b)).folds
        for (const { site, verdict } of together) {
          const alone = judgeChange(
            woman,
            {
              ...sheet('2026-07-01', a),
              readings: [fold(site as SkinfoldId, 1, a[SEVEN_FOLDS.indexOf(site as never)]!)],
            },
            {
              ...sheet('2026-09-01', b),
              readings: [fold(site as SkinfoldId, 1, b[SEVEN_FOLDS.indexOf(site as never)]!)],
            },
          ).folds[0]!.verdict
          if (order.indexOf(alone.certainty) < 2) {
            expect(order.indexOf(verdict.certainty)).toBeLessThan(2)
          }
          expect(order.indexOf(verdict.certainty)).toBeLessThanOrEqual(
            Math.max(1, order.indexOf(alone.certainty)),
          )
        }
      }),
      { numRuns: 25 },
    )
  })

  test('a girth less its fold tells muscle from fat at one place', () => {
    const arm = (on: string, cm: number, triceps: number): Measured => ({
      ...sheet(on, SHEET),
      extraGirths: ['upper_arm_relaxed'],
      readings: [fold('triceps', 1, triceps), girth('upper_arm_relaxed', 1, cm)],
    })
    // The arm is as thick as before with five millimetres less of fat: muscle came.
    const [corrected] = judgeChange(
      woman,
      arm('2026-01-10', 30, 20),
      arm('2026-03-10', 30, 15),
    ).corrected
    expect(corrected).toMatchObject({ girth: 'upper_arm_relaxed', fold: 'triceps' })
    expect(corrected!.verdict.change).toBeCloseTo(Math.PI * 0.5, 9)
    const variance = 2 * valueVariance(siteError('upper_arm_relaxed', setup), 1)
    const ofFold = 2 * valueVariance(siteError('triceps', setup), 1)
    expect(corrected!.verdict.standardError).toBeCloseTo(
      Math.sqrt(variance + (Math.PI / 10) ** 2 * ofFold),
      9,
    )
  })

  test('conditions that differ are said in the words of the check-in', () => {
    const conditions = [{ time: 'morning' }, { time: 'evening' }] as const
    const judged = judgeChange(
      woman,
      sheet('2026-01-10', SHEET, { conditions: conditions[0] }),
      sheet('2026-02-10', SHEET, { conditions: conditions[1] }),
    )
    expect(judged.differs).toEqual(conditionDifferences(...conditions))
    expect(judged.differs).toHaveLength(1)
  })
})

describe('what can be compared', () => {
  const only = (protocolId: string, sites: SkinfoldId[], more: Reading[] = []): Measured => ({
    ...{ protocolId, conversion: 'siri', measuredOn: '2026-01-10', setup },
    readings: [
      ...sites.map((site) =>
        fold(site, 1, 12, { standard: protocolId === 'eight-fold-int' ? 'int' : 'us' }),
      ),
      ...more,
    ],
  })

  test('a site in one standard, or body mass; never the same name located by another landmark standard', () => {
    const us = only('seven-fold', ['abdominal', 'triceps'])
    const int = only('eight-fold-int', ['abdominal'])
    expect(comparable(woman, us, only('seven-fold', ['triceps']))).toBe(true)
    expect(comparable(woman, us, int)).toBe(false)
    expect(comparable(woman, { ...us, readings: [...us.readings, scale(62)] }, int)).toBe(false)
    const weighed = { ...int, readings: [...int.readings, scale(61)] }
    expect(comparable(woman, { ...us, readings: [...us.readings, scale(62)] }, weighed)).toBe(true)
  })

  test('is just what a judgement has something to say of', () => {
    const sites = fc.subarray([...SKINFOLD_IDS])
    const protocols = fc.constantFrom('seven-fold', 'three-fold', 'eight-fold-int')
    fc.assert(
      fc.property(
        sites,
        sites,
        protocols,
        protocols,
        fc.boolean(),
        (a, b, first, second, weighed) => {
          const more = weighed ? [scale(62)] : []
          const [then, now] = [only(first, a, more), only(second, b, more)]
          const { quantities, folds, girths } = judgeChange(woman, then, now)
          const says = Object.keys(quantities).length + folds.length + girths.length > 0
          expect(comparable(woman, then, now)).toBe(says)
        },
      ),
    )
  })
})

test('the band of a curve is the error of one check-in: of two alike, the change has the root of two', () => {
  const measured = sheet('2026-07-01', SHEET)
  const bands = bandsOf(woman, measured, basisOf(woman, measured))
  const { quantities } = judgeChange(woman, measured, { ...measured, measuredOn: '2026-08-01' })
  for (const quantity of EQUATION_QUANTITIES) {
    expect(bands[quantity]!.halfWidth * Math.SQRT2).toBeCloseTo(
      Z95 * quantities[quantity]!.standardError,
      6,
    )
  }
})

test('the first of a month is not blamed for a birthday', () => {
  const born = { ...woman, birthDate: '1986-04-01' }
  const judgement = judgeChange(born, sheet('2026-03-01', SHEET), sheet('2026-04-26', SHEET))
  expect(judgement.quantities.fatPercent!.change).toBe(0)
  expect(judgement.comparison!.dueToAge).toBeGreaterThan(0)
})

test('one fold is no sum', () => {
  const one = (day: string, mm: number): Measured => ({
    ...sheet(day, SHEET),
    readings: [fold('thigh', 1, mm)],
  })
  const alone = judgeChange(woman, one('2026-03-01', 30), one('2026-06-01', 15))
  expect(alone.folds[0]!.verdict.certainty).toBe('clear')
  expect(alone.quantities.sum).toBeUndefined()
})

test('a plan’s next check-in is due when the pace has outgrown the hand', () => {
  expect(readableAfterDays(6.6, 3.3)).toBe(14)
  expect(readableAfterDays(6.6, -3.3)).toBe(14)
  expect(readableAfterDays(6.6, 0)).toBeUndefined()
  const twice = (day: string) => sheet(day, SHEET, { rounds: 2, massKg: 64 })
  const judgement = judgeChange(woman, twice('2026-03-01'), twice('2026-03-29'))
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

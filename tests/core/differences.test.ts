import { told } from '../support/words'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  bandsOf,
  basisOf,
  comparable,
  conditionDifferences,
  differencesBetween,
  errorsOfNewest,
  minimalDetectableChangeOfSum,
  nextMeasuring,
  readableAfterDays,
  readDifferences,
  EQUATION_QUANTITIES,
  SEVEN_FOLDS,
  siteError,
  SKINFOLD_IDS,
  USUAL_FIGURES,
  valueVariance,
  Z95,
  type MeasurementSetup,
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
const reachOf = (then: Measured, now: Measured) => minimalDetectableChangeOfSum(woman, now, then)!

/* The project's reference tables: 8.0 mm on single trials, 6.6 mm on double (trained). Judgement, no published source. */
test('the smallest real change of the sum of seven', () => {
  const once = sheet('2026-07-01', SHEET)
  const twice = sheet('2026-07-01', SHEET, { rounds: 2 })
  const later = { ...twice, measuredOn: '2026-09-01', testerId: 'b' }
  expect(minimalDetectableChangeOfSum(woman, once)).toBeCloseTo(8.0, 0)
  expect(minimalDetectableChangeOfSum(woman, twice)).toBeCloseTo(6.6, 1)
  expect(minimalDetectableChangeOfSum(woman, later, twice)).toBeCloseTo(6.64 * 1.5, 1)
})

describe('what two check-ins read differently', () => {
  const values = fc.tuple(...SEVEN_FOLDS.map((site) => plausibleValue(site)))
  const masses = fc.integer({ min: 450, max: 1200 }).map((n) => n / 10)

  test('turned about in time every difference has the other sign; fat and lean make body mass', () => {
    // Both inside one year of age, so that both are computed at the same age.
    fc.assert(
      fc.property(values, values, masses, masses, (a, b, massA, massB) => {
        const [one, two] = [
          sheet('2026-07-01', a, { massKg: massA }),
          sheet('2026-09-01', b, { massKg: massB }),
        ]
        const forth = readDifferences(woman, one, two)
        const back = readDifferences(
          woman,
          { ...two, measuredOn: one.measuredOn },
          { ...one, measuredOn: two.measuredOn },
        )
        expect(back.sum!.mm).toBeCloseTo(-forth.sum!.mm, 9)
        expect(back.massKg).toBeCloseTo(massA - massB, 9)
        expect(back.folds).toEqual(
          forth.folds.map(({ site, then, now }) => ({ site, then: now, now: then })),
        )
        const [there, again] = [forth.comparison, back.comparison]
        expect(there === undefined).toBe(again === undefined)
        if (!there?.fatMassKg) return
        expect(again!.fatMassKg).toBeCloseTo(-there.fatMassKg, 8)
        expect(there.fatMassKg + there.leanMassKg!).toBeCloseTo(forth.massKg!, 8)
      }),
      { numRuns: 60 },
    )
  })

  test('a sum is of all that both have, and says whether it is the whole', () => {
    const whole = readDifferences(
      woman,
      sheet('2026-01-10', SHEET),
      sheet('2026-02-10', share(0.9)),
    )
    expect(whole.sum).toMatchObject({ folds: [...SEVEN_FOLDS], isWhole: true })
    expect(whole.weeks).toBeCloseTo(31 / 7, 9)
    const one = (day: string, mm: number): Measured => ({
      ...sheet(day, SHEET),
      readings: [fold('thigh', 1, mm)],
    })
    const alone = readDifferences(woman, one('2026-03-01', 30), one('2026-06-01', 15))
    expect(alone.folds).toEqual([{ site: 'thigh', then: 30, now: 15 }])
    // One fold is no sum.
    expect(alone.sum).toBeUndefined()
    const part = readDifferences(woman, sheet('2026-03-01', SHEET), one('2026-06-01', 15))
    expect(part.comparison).toBeUndefined()
  })

  test('what can be told of a sum: by the hand, its trials, and whether it is the same one', () => {
    const then = sheet('2026-01-10', SHEET, { rounds: 2 })
    const now = sheet('2026-02-10', share(0.9))
    const variance = SEVEN_FOLDS.reduce((total, site) => {
      const error = siteError(site, setup)
      return total + valueVariance(error, 2) + valueVariance(error, 1)
    }, 0)
    expect(reachOf(then, now)).toBeCloseTo(Z95 * Math.sqrt(variance), 6)
    for (const [other, words] of [
      [{ testerId: 'b' }, 'A different tester then.'],
      [{ caliperId: 'd' }, 'A different caliper then.'],
    ] as const) {
      expect(reachOf(then, { ...now, ...other }) / reachOf(then, now)).toBeCloseTo(1.5, 9)
      expect(told(differencesBetween(then, { ...now, ...other }))).toEqual([words])
    }
    const novice = { setup: { skill: 'novice' } } as const
    expect(reachOf({ ...then, ...novice }, { ...now, ...novice })).toBeGreaterThan(
      reachOf(then, now),
    )
    const own = {
      setup: { skill: 'novice', ownErrors: { thigh: { tem: 0.3, pairs: 30 } } },
    } as const
    expect(reachOf({ ...then, ...own }, { ...now, ...own })).toBeLessThan(
      reachOf({ ...then, ...novice }, { ...now, ...novice }),
    )
  })

  test('conditions that differ are said in the words of the check-in', () => {
    const conditions = [{ time: 'morning' }, { time: 'evening' }] as const
    const [then, now] = conditions.map((of, i) =>
      sheet(i ? '2026-02-10' : '2026-01-10', SHEET, { conditions: of }),
    )
    const differs = differencesBetween(then!, now!)
    expect(differs).toEqual(conditionDifferences(...conditions))
    expect(differs).toHaveLength(1)
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

  test('is just what reads differently', () => {
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
          const { massKg, folds, girths } = readDifferences(woman, then, now)
          const says = folds.length + girths.length > 0 || massKg !== undefined
          expect(comparable(woman, then, now)).toBe(says)
        },
      ),
    )
  })
})

test('the band of a curve is what one check-in of the hand is worth', () => {
  const measured = sheet('2026-07-01', SHEET)
  const bands = bandsOf(woman, measured, basisOf(woman, measured))
  for (const quantity of EQUATION_QUANTITIES) expect(bands[quantity]!.halfWidth).toBeGreaterThan(0)
  // A week of weigh-ins knows the mass better than one weighing.
  const week = { ...measured, weekMass: { kg: 62, days: 7 } }
  const weekly = bandsOf(woman, week, basisOf(woman, week))
  expect(weekly.leanMass!.halfWidth).toBeLessThan(bands.leanMass!.halfWidth)
  // Of two alike the difference has the root of two.
  expect(bands.sum!.halfWidth * Math.SQRT2).toBeCloseTo(reachOf(measured, measured), 9)
})

test('the first of a month is not blamed for a birthday', () => {
  const born = { ...woman, birthDate: '1986-04-01' }
  const read = readDifferences(born, sheet('2026-03-01', SHEET), sheet('2026-04-26', SHEET))
  expect(read.comparison!.fatPercent).toBe(0)
  expect(read.comparison!.dueToAge).toBeGreaterThan(0)
})

test('a plan’s next check-in is due when the pace has outgrown the hand and the day', () => {
  expect(readableAfterDays(6.6, 3.3)).toBe(14)
  expect(readableAfterDays(6.6, -3.3)).toBe(14)
  expect(readableAfterDays(6.6, 0)).toBeUndefined()
  const twice = (more: object = {}) => [
    sheet('2026-03-01', SHEET, { rounds: 2, massKg: 64, ...more }),
  ]
  const errors = errorsOfNewest({ person: woman, checkIns: twice() })
  const next = nextMeasuring({ errors, massKg: 64 })!
  expect(next.by).toBe('fatMass')
  // Two to four weeks are usually readable (common practice, no source).
  expect(next.days).toBeGreaterThanOrEqual(14)
  expect(next.days).toBeLessThanOrEqual(28)
  expect(nextMeasuring({ errors, massKg: 64, fatPaceKg: 2 * next.pace })!.days).toBeLessThanOrEqual(
    next.days / 2 + 1,
  )
  // By the folds where no mass was taken: a kilogram of fat is about 8 mm on a sum of seven (judgement, no source).
  const { sumMm, folds } = errors
  const half = nextMeasuring({ errors: { sumMm, folds }, massKg: undefined, fatPaceKg: 0.5 })!
  expect(half).toMatchObject({ by: 'sum', pace: 4 })
  expect(half.days).toBe(Math.ceil((7 * Z95 * Math.SQRT2 * sumMm!) / 4))
  // A new hand, a week of weigh-ins, and a gym whose days differ more.
  const fatKg = (parts: Partial<Parameters<typeof errorsOfNewest>[0]>) =>
    errorsOfNewest({ person: woman, checkIns: twice(), ...parts }).fatKg!
  expect(fatKg({ checkIns: twice({ setup: { skill: 'novice' } }) })).toBeGreaterThan(errors.fatKg!)
  expect(fatKg({ checkIns: twice({ weekMass: { kg: 64, days: 7 } }) })).toBeLessThan(errors.fatKg!)
  const { technical, session, massKg } = USUAL_FIGURES
  expect(fatKg({ gymFigures: { technical, session: 2 * session, massKg } })).toBeGreaterThan(
    errors.fatKg!,
  )
})

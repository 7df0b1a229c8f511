import { randomLcg, randomNormal } from 'd3-random'
import { mean, sampleStandardDeviation } from 'simple-statistics'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  acceptablePercentTem,
  agree,
  blendedRepeatError,
  effectiveTrials,
  estimate,
  gradientsOf,
  measurementSetupOf,
  occasionErrors,
  occasionVariance,
  percentTem,
  EQUATION_QUANTITIES,
  quantityOf,
  reliability,
  RELOCATION_SHARE,
  SEVEN_FOLDS,
  siteError,
  siteValue,
  temOfPairs,
  temOfTrials,
  usualRepeatError,
  type MeasurementSetup,
  type SiteId,
  type Subject,
  type Values,
} from '#core'

/* Perini TA et al., Rev Bras Med Esporte 2005;11:81-85, formulas from memory; the numbers are worked by hand. */
describe('technical error of measurement', () => {
  test('of pairs: differences of 1, 2 and 2 over three subjects', () => {
    const tem = temOfPairs([
      [10, 11],
      [12, 10],
      [15, 17],
    ])
    expect(tem).toBeCloseTo(Math.sqrt(9 / 6), 12)
    expect(percentTem(tem, 12.5)).toBeCloseTo(9.798, 3)
    expect(reliability(tem, 3)).toBeCloseTo(1 - 1.5 / 9, 12)
  })

  test('of k trials it is the pairs formula when k is two', () => {
    const pair = fc.tuple(fc.integer({ min: 20, max: 500 }), fc.integer({ min: 20, max: 500 }))
    fc.assert(
      fc.property(fc.array(pair, { minLength: 1 }), (pairs) => {
        expect(temOfTrials(pairs)).toBeCloseTo(temOfPairs(pairs), 9)
      }),
    )
    expect(temOfTrials([[10, 11, 12]])).toBeCloseTo(1, 12)
  })

  test('acceptable %TEM', () => {
    expect(acceptablePercentTem('skinfold', 'skilled')).toBe(5)
    expect(acceptablePercentTem('other', 'beginner', true)).toBe(2)
  })

  test("a tester's own error takes over in step with its pairs, wholly at twenty", () => {
    expect(blendedRepeatError(undefined, 0, 1)).toBe(1)
    expect(blendedRepeatError(0.5, 20, 1)).toBe(0.5)
    expect(blendedRepeatError(0.5, 60, 1)).toBe(0.5)
    expect(blendedRepeatError(0.5, 10, 1)).toBeCloseTo(Math.sqrt(0.625), 12)
    const pairs = Array.from({ length: 20 }, (): [number, number] => [15, 16])
    const ownErrors = { triceps: { tem: temOfPairs(pairs), pairs: pairs.length } }
    expect(siteError('triceps', { skill: 'trained', ownErrors }).repeat).toBeCloseTo(
      Math.SQRT1_2,
      12,
    )
  })

  /* Simulated triples with known truth: a third trial is taken only where the first two are apart. */
  test.each([
    ['agreeing pair', 0.5],
    ['agreeing pair', 1],
    ['agreeing pair', 2],
    ['agreeing pair', 3],
    ['median', 0.5],
    ['median', 1],
    ['median', 2],
    ['median', 3],
  ] as const)('three trials by the %s at a tolerance of %f repeat errors', (rule, allowed) => {
    const random = randomNormal.source(randomLcg(0.4321))(100, 1)
    const tolerance = { kind: 'mm', value: allowed } as const
    const squares: number[] = []
    while (squares.length < 20_000) {
      const [a, b, c] = [random(), random(), random()]
      if (agree(a, b, tolerance)) continue
      const { value, method } = siteValue(
        [a, b, c],
        tolerance,
        rule === 'median' ? 'median' : 'closest two',
      )!
      if (method === rule) squares.push((value - 100) ** 2)
    }
    const error = { repeat: 1, relocation: 0.5 }
    const worth = effectiveTrials({ taken: 3, method: rule }, { allowed, count: 2 }, error)
    // The share that is left is given as a straight line, which is right to a tenth.
    expect(Math.abs(mean(squares) * worth - 1)).toBeLessThan(0.1)
  })

  test('graduation adds to a trial, squeezing by hand half again', () => {
    const plain = siteError('thigh', { skill: 'trained' })
    const coarse = siteError('thigh', { skill: 'trained', graduation: { mm: 1 } })
    expect(coarse.repeat ** 2 - plain.repeat ** 2).toBeCloseTo(1 / 12, 12)
    expect(siteError('thigh', { skill: 'trained', handSqueezed: true }).repeat).toBeCloseTo(
      1.5 * plain.repeat,
      12,
    )
    expect(plain.relocation).toBeCloseTo(RELOCATION_SHARE * plain.repeat, 12)
  })

  test('each kind of site counts the graduation of what it is read with', () => {
    const graduations = { caliper: 1, tape: 0.5, 'bone caliper': 0.05 }
    const instruments = Object.entries(graduations).map(([id, graduation]) => ({
      ...{ id, graduation, jaws: null },
    }))
    const ids = { testerId: 'x', caliperId: 'caliper', tapeId: 'tape' }
    const setup = measurementSetupOf(
      { testers: [], instruments },
      { ...ids, boneCaliperId: 'bone caliper' },
    )
    const added = (site: SiteId) =>
      siteError(site, setup).repeat ** 2 - siteError(site, { skill: 'trained' }).repeat ** 2
    expect(added('thigh')).toBeCloseTo(1 / 12, 12)
    expect(added('waist')).toBeCloseTo(0.5 ** 2 / 12, 12)
    expect(added('femur')).toBeCloseTo(0.05 ** 2 / 12, 12)
    expect(added('foot_length')).toBeCloseTo(0.05 ** 2 / 12, 12)
  })
})

describe('the gradient carries the error as Monte Carlo does', () => {
  const setup: MeasurementSetup = { skill: 'trained' }
  const before = { sex: 'female', ageYears: 36, massKg: 64 } as const satisfies Subject
  const after = { ...before, massKg: 62.5 }
  const values = (share: number): Values =>
    Object.fromEntries(
      SEVEN_FOLDS.map((site, i) => [site, [9, 11, 17, 13.5, 21, 16, 26][i]! * share]),
    )
  const trials = Object.fromEntries(SEVEN_FOLDS.map((site) => [site, 2]))

  test.each(EQUATION_QUANTITIES)('%s', (quantity) => {
    const normal = randomNormal.source(randomLcg(0.31))(0, 1)
    const measure = (subject: typeof before | typeof after, truth: Values) => {
      const taken = Object.fromEntries(
        SEVEN_FOLDS.map((site) => {
          const repeat = usualRepeatError(site)
          const mark = truth[site]! + normal() * RELOCATION_SHARE * repeat
          return [site, mark + (normal() * repeat) / Math.SQRT2]
        }),
      )
      const massKg = subject.massKg + normal() * Math.sqrt(0.6 ** 2 + 0.1 ** 2)
      const result = estimate('jackson-pollock-7', { ...subject, massKg }, taken)
      return quantityOf(quantity, result)!
    }
    const changes = Array.from(
      { length: 20_000 },
      () => measure(after, values(0.93)) - measure(before, values(1)),
    )
    const varianceOf = (subject: typeof before | typeof after, share: number) => {
      const occasion = { subject, values: values(share), trials }
      const gradient = gradientsOf('jackson-pollock-7', occasion)[quantity]
      return occasionVariance(
        gradient,
        occasionErrors(occasion, () => setup),
      )
    }
    const carried = Math.sqrt(varianceOf(before, 1) + varianceOf(after, 0.93))
    expect(carried / sampleStandardDeviation(changes)).toBeGreaterThan(0.97)
    expect(carried / sampleStandardDeviation(changes)).toBeLessThan(1.03)
  })
})

import fc from 'fast-check'
import { randomLcg, randomNormal } from 'd3-random'
import { mean } from 'simple-statistics'
import { describe, expect, test } from 'vitest'
import {
  agree,
  effectiveTrials,
  MOST_TRIALS,
  nextFold,
  nextGirth,
  ownProtocol,
  readingsInForce,
  readOwnProtocol,
  siteValue,
  siteValues,
  trialsOf,
  TRIAL_ORDERS,
  TRIAL_VALUES,
  wantsAnotherTrial,
  type Reading,
  type SiteId,
  type TrialScheme,
} from '#core'
import { own, taken, UNTIL_TWO_AGREE, WITHIN_2 } from './own-set'

describe('how trials are taken', () => {
  test('one site at a time, until two agree, five at most', () => {
    const protocol = ownProtocol(own({ foldTrials: UNTIL_TWO_AGREE }))
    const readings: Reading[] = []
    const next = () => nextFold(protocol, 'female', readings)
    const take = (value: number) => {
      const { site, trial } = next()!
      readings.push(...taken(own({ foldTrials: UNTIL_TWO_AGREE }), site, [value], trial))
      return `${site} ${trial}`
    }
    expect([14, 18, 23, 15].map(take)).toEqual(['triceps 1', 'triceps 2', 'triceps 3', 'triceps 4'])
    // 14 and 15 agree: on to the thigh, which never does.
    expect([10, 14, 18, 22, 26].map(take)).toEqual([1, 2, 3, 4, 5].map((n) => `thigh ${n}`))
    expect(next()).toBeUndefined()
    expect(siteValues(protocol, 'female', readings)).toMatchObject({
      triceps: { value: 14.5, method: 'agreeing pair', used: [14, 15], taken: 4, flagged: false },
      thigh: { value: 18, method: 'median', taken: 5, flagged: true },
    })
  })

  test('or stop at three; a set of one round asks each fold and each girth once', () => {
    const [three] = [taken(own(), 'triceps', [10, 14, 18])]
    expect(wantsAnotherTrial([10, 14, 18], { ...UNTIL_TWO_AGREE, most: 3 })).toBe(false)
    expect(nextFold(ownProtocol(own({ folds: ['triceps'] })), 'male', three)).toBeUndefined()
    const once = readOwnProtocol({
      ...{ id: 'own-once', name: 'Once', standard: 'us', folds: ['triceps'], girths: ['waist'] },
      ...{ rounds: 1, toleranceMm: 1 },
    })
    const protocol = ownProtocol(once)
    expect(nextFold(protocol, 'male', taken(once, 'triceps', [12]))).toBeUndefined()
    expect(nextGirth(protocol, 'male', taken(once, 'waist', [80]))).toBeUndefined()
  })

  test('a first reading that is thrown away is asked for, kept on record and counts nowhere', () => {
    const set = own({ foldTrials: { ...UNTIL_TWO_AGREE, dropsFirst: true } })
    const protocol = ownProtocol(set)
    expect(nextFold(protocol, 'male', [])).toEqual({ site: 'triceps', trial: 0 })
    const first = taken(set, 'triceps', [30], 0)
    expect(nextFold(protocol, 'male', first)).toEqual({ site: 'triceps', trial: 1 })
    const all = [...first, ...taken(set, 'triceps', [12, 13])]
    expect(nextFold(protocol, 'male', all)).toEqual({ site: 'thigh', trial: 0 })
    expect(trialsOf(all, 'triceps', protocol)).toEqual([12, 13])
    expect(siteValues(protocol, 'male', all).triceps!.value).toBe(12.5)
    expect(readingsInForce(all)).toHaveLength(3)
  })

  const schemes = fc
    .record({
      order: fc.constantFrom(...TRIAL_ORDERS),
      count: fc.integer({ min: 1, max: MOST_TRIALS }),
      more: fc.integer({ min: 0, max: 3 }),
      mm: fc.integer({ min: 1, max: 40 }).map((n) => n / 10),
      value: fc.constantFrom(...TRIAL_VALUES),
      dropsFirst: fc.boolean(),
    })
    .map(({ more, mm, ...rest }): TrialScheme => ({
      ...{ ...rest, most: Math.min(MOST_TRIALS, rest.count + more) },
      tolerance: { kind: 'mm', value: mm },
    }))

  test('whatever the scheme, a sheet ends, in its order, with as many readings as it asks for', () => {
    const drawn = fc.array(
      fc.integer({ min: 80, max: 160 }).map((n) => n / 10),
      { minLength: 12, maxLength: 12 },
    )
    fc.assert(
      fc.property(schemes, drawn, (scheme, values) => {
        const set = own({ foldTrials: scheme })
        const protocol = ownProtocol(set)
        const readings: Reading[] = []
        const steps: { site: SiteId; trial: number }[] = []
        for (let step; (step = nextFold(protocol, 'male', readings));) {
          steps.push(step)
          readings.push(...taken(set, step.site, [values[steps.length % 12]!], step.trial))
          expect(steps.length).toBeLessThanOrEqual(2 * (scheme.most + 1))
        }
        for (const site of set.folds) {
          const trials = trialsOf(readings, site, protocol) as number[]
          expect(trials.length).toBeGreaterThanOrEqual(scheme.count)
          expect(trials.length).toBeLessThanOrEqual(scheme.most)
          const pairs = trials.flatMap((a, i) => trials.slice(i + 1).map((b) => [a, b] as const))
          const two = pairs.some(([a, b]) => agree(a, b, scheme.tolerance))
          // It goes beyond the count only for trials that are apart, and no further than two that agree.
          if (trials.length > scheme.count) {
            const first = trials.slice(0, scheme.count)
            const last = Math.max(...first) - Math.min(...first)
            expect(agree(0, last, scheme.tolerance)).toBe(false)
          } else if (scheme.count > 1 && scheme.most > scheme.count) {
            expect(pairs.every(([a, b]) => agree(a, b, scheme.tolerance))).toBe(true)
          }
          const { value, flagged } = siteValue(trials, scheme.tolerance, scheme.value)!
          if (trials.length > 1 && !two) expect(flagged).toBe(true)
          expect(value).toBeGreaterThanOrEqual(Math.min(...trials))
          expect(value).toBeLessThanOrEqual(Math.max(...trials))
        }
        const order = steps.map(({ site, trial }) =>
          scheme.order === 'one site' ? set.folds.indexOf(site as 'thigh') * 10 + trial : trial,
        )
        expect(order).toEqual([...order].sort((a, b) => a - b))
      }),
    )
  })

  test.each([
    ['mean', [10, 12, 20], 14, 'mean'],
    ['median', [10, 12, 20], 12, 'median'],
    ['closest two', [10, 12, 20], 11, 'agreeing pair'],
    ['mean', [10, 12, 20, 11], 13.25, 'mean'],
    ['closest two', [10, 14, 20, 14.5], 14.25, 'agreeing pair'],
  ] as const)('%s of %o', (gives, trials, value, method) => {
    expect(siteValue(trials, WITHIN_2, gives)).toMatchObject({ value, method })
  })
})

/* Simulated sheets with known truth: what a value is said to be worth is what it is found to be worth. */
describe('what a value is worth', () => {
  const CASES = [
    [2, 3],
    [2, 5],
    [3, 3],
    [3, 5],
    [5, 5],
  ].flatMap(([count, most]) =>
    TRIAL_VALUES.flatMap((value) =>
      [0.5, 1, 2].map((width) => [value, count!, most!, width] as const),
    ),
  )
  test.each(CASES)('%s of %i to %i readings at a tolerance of %f repeat errors', (...given) => {
    const [gives, count, most, width] = given
    const random = randomNormal.source(randomLcg(0.271))(0, 1)
    const scheme: TrialScheme = {
      ...{ order: 'one site', count, most, value: gives, dropsFirst: false },
      tolerance: { kind: 'mm', value: width },
    }
    const found: number[] = []
    const said: number[] = []
    for (let sheet = 0; sheet < 8000; sheet++) {
      // Round a thousand, so that nothing is negative.
      const trials = Array.from({ length: count }, () => 1000 + random())
      while (wantsAnotherTrial(trials, scheme)) trials.push(1000 + random())
      const value = siteValue(trials, scheme.tolerance, gives)!
      found.push((value.value - 1000) ** 2)
      said.push(1 / effectiveTrials(value, { allowed: width, count }, { repeat: 1, relocation: 0 }))
    }
    const ratio = mean(said) / mean(found)
    // Never more sure than it is, nor much less.
    expect(ratio).toBeGreaterThan(0.9)
    expect(ratio).toBeLessThan(1.45)
  })
})

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  agree,
  massOf,
  siteValues,
  nextFold,
  protocolById,
  readingsInForce,
  siteValue,
  type Reading,
  type SkinfoldId,
} from '#core'
import { fold } from './support'

const twoMm = { kind: 'mm', value: 2 } as const
const seven = protocolById('seven-fold')

describe('the value of a site', () => {
  test.each([
    ['one trial as it is', [12], 12, 'single', false],
    ['the mean of two', [12, 13], 12.5, 'mean', false],
    ['exactly at the tolerance agrees', [10.1, 12.1], 11.1, 'mean', false],
    ['two apart with no third are flagged', [12, 15], 13.5, 'mean', true],
    ['the agreeing pair of three', [12, 15, 14], 14.5, 'agreeing pair', false],
    ['the closer pair where two agree', [12, 13.5, 14], 13.75, 'agreeing pair', false],
    ['the median where no pair agrees', [10, 14, 18.5], 14, 'median', true],
    ['the median where two pairs tie', [10, 11.5, 13], 11.5, 'median', true],
    ['a tie of decimals is a tie', [10.1, 11.2, 12.3], 11.2, 'median', true],
  ] as const)('%s', (_what, trials, value, method, flagged) => {
    const result = siteValue(trials, twoMm)!
    expect(result.value).toBeCloseTo(value, 12)
    expect(result).toMatchObject({ method, flagged })
  })

  test('decimals agree just where their figures do, whatever their binary tails', () => {
    for (let low = 40; low <= 400; low++) {
      for (const apart of [5, 10, 20, 30]) {
        const within = { kind: 'mm', value: apart / 10 } as const
        const [a, b, c] = [low, low + apart, low + apart + 1].map((tenths) => tenths / 10)
        expect(agree(a!, b!, within), `${a} and ${b}`).toBe(true)
        expect(agree(a!, c!, within), `${a} and ${c}`).toBe(false)
      }
    }
  })

  test('more than three trials, or three by the international rule, give the median', () => {
    expect(siteValue([10, 10.4, 13], twoMm, 'median')!.value).toBe(10.4)
    expect(siteValue([10, 14, 18], twoMm, 'median')).toMatchObject({ value: 14, flagged: true })
    expect(siteValue([10, 20, 11, 12], twoMm)!.value).toBe(11.5)
  })

  test('nothing without trials', () => expect(siteValue([], twoMm)).toBeUndefined())

  test('never depends on the order of the trials, and lies among them', () => {
    const trials = fc.array(
      fc.integer({ min: 20, max: 600 }).map((n) => n / 10),
      { minLength: 1, maxLength: 5 },
    )
    fc.assert(
      fc.property(
        trials.chain((t) =>
          fc.tuple(fc.constant(t), fc.shuffledSubarray(t, { minLength: t.length })),
        ),
        ([trials, shuffled]) => {
          const result = siteValue(trials, twoMm)!
          expect(siteValue(shuffled, twoMm)).toEqual(result)
          expect(result.value).toBeGreaterThanOrEqual(Math.min(...trials))
          expect(result.value).toBeLessThanOrEqual(Math.max(...trials))
        },
      ),
    )
  })
})

test('of two corrections of the same moment the larger id counts, in whatever order they come', () => {
  const takenAt = '2026-03-01T09:00:00Z'
  const rivals = ['b', 'c', 'a'].map((id) => ({ ...fold('thigh', 1, 20), id, takenAt }))
  expect(readingsInForce(rivals).map(({ id }) => id)).toEqual(['c'])
  expect(readingsInForce(rivals.reverse()).map(({ id }) => id)).toEqual(['c'])
})

test('the body mass is the one that came last', () => {
  const scale = (trial: number, value: number): Reading => ({
    ...{ ...fold('thigh', trial, value), kind: 'mass', site: null, standard: null },
  })
  expect(massOf([scale(1, 61), scale(2, 62)])).toBe(62)
})

describe('rotation', () => {
  /** Takes every fold that is asked for, with the value that `read` gives. */
  function measure(read: (site: SkinfoldId, trial: number) => number) {
    const readings: Reading[] = []
    for (let step; (step = nextFold(seven, 'male', readings));) {
      readings.push(fold(step.site, step.trial, read(step.site, step.trial)))
    }
    return readings
  }

  test('every site once, then all again, then only those apart', () => {
    const readings = measure((site, trial) => (site === 'thigh' && trial === 2 ? 16 : 12))
    const order = readings.map((r) => `${r.site} ${r.trial}`)
    const sites = seven.folds.male
    expect(order).toEqual([...sites.map((s) => `${s} 1`), ...sites.map((s) => `${s} 2`), 'thigh 3'])
    expect(siteValues(seven, 'male', readings).thigh).toMatchObject({
      value: 12,
      method: 'agreeing pair',
    })
  })

  test('goes on where it was after any number of readings', () => {
    const all = measure(() => 12)
    all.forEach((reading, i) => {
      expect(nextFold(seven, 'male', all.slice(0, i))).toEqual({
        site: reading.site,
        trial: reading.trial,
      })
    })
    expect(nextFold(seven, 'male', all)).toBeUndefined()
  })

  test('a correction that brings the pair together withdraws the third trial', () => {
    const pair = measure((site, trial) => (site === 'chest' && trial === 2 ? 20 : 12)).slice(0, 14)
    expect(nextFold(seven, 'male', pair)).toEqual({ site: 'chest', trial: 3 })
    const slip = pair.find((r) => r.value === 20)!
    expect(
      nextFold(seven, 'male', [...pair, fold('chest', 2, 12.5, { supersedes: slip.id })]),
    ).toBeUndefined()
  })

  test("another standard's value of a site is no trial of this protocol", () => {
    expect(nextFold(seven, 'male', [fold('chest', 1, 12, { standard: 'int' })])).toEqual({
      site: 'chest',
      trial: 1,
    })
  })
})

test('of two corrections of one reading the later counts, whichever arrived first', () => {
  const first = fold('chest', 1, 90)
  const early = fold('chest', 1, 9, { supersedes: first.id })
  const late = fold('chest', 1, 9.5, { supersedes: first.id })
  for (const order of [
    [first, early, late],
    [late, first, early],
  ]) {
    expect(readingsInForce(order).map((r) => r.value)).toEqual([9.5])
  }
})

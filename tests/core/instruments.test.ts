import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  addDays,
  correctedReading,
  doubtOn,
  driftOf,
  instrumentDue,
  isOutOfTolerance,
  type CheckPoint,
} from '#core'

const check = (checkedOn: string, off: number) => ({
  checkedOn,
  points: [10, 20, 30, 40].map((known) => ({ known, read: known + off })),
})
const caliper = (...checks: ReturnType<typeof check>[]) => ({
  ...{ kind: 'caliper' as const, graduation: 0.5, checks, checkEveryDays: 90 },
})

describe('what checks say of an instrument', () => {
  const good = check('2026-01-10', 0.2)
  const alsoGood = check('2026-04-10', 0.4)
  const bad = check('2026-07-10', 0.9)

  test('true, out, or never checked; out since after the last good one', () => {
    expect(isOutOfTolerance(caliper())).toBe(false)
    expect(isOutOfTolerance(caliper(alsoGood, good))).toBe(false)
    const now = '2026-09-01'
    const found = (...checks: ReturnType<typeof check>[]) => {
      const instrument = caliper(...checks)
      expect(isOutOfTolerance(instrument)).toBe(true)
      return doubtOn(instrument, now)
    }
    expect(found(bad, alsoGood, good)).toEqual({ foundOn: '2026-07-10', lastGoodOn: '2026-04-10' })
    const worse = check('2026-08-10', 1.2)
    expect(found(worse, bad, alsoGood, good)).toEqual({
      ...{ foundOn: '2026-08-10', lastGoodOn: '2026-04-10' },
    })
    expect(found(bad)).toEqual({ foundOn: '2026-07-10', lastGoodOn: null })
  })

  test('a reading is in doubt after the last good check before a bad one, and until a good one after it', () => {
    const inDoubt = (instrument: ReturnType<typeof caliper>, days: string[]) =>
      days.map((on) => doubtOn(instrument, on) !== undefined)
    const out = caliper(bad, alsoGood, good)
    expect(inDoubt(out, ['2026-04-10', '2026-04-11', '2026-07-10', '2026-09-01'])).toEqual([
      ...[false, true, true, true],
    ])
    const mended = caliper(check('2026-07-12', 0), bad, alsoGood, good)
    expect(inDoubt(mended, ['2026-06-01', '2026-07-10', '2026-07-12', '2026-09-01'])).toEqual([
      ...[true, true, false, false],
    ])
    // It is said by which check, and not by the newest.
    expect(doubtOn(mended, '2026-06-01')).toEqual({
      ...{ foundOn: '2026-07-10', lastGoodOn: '2026-04-10' },
    })
    expect(doubtOn(caliper(), '2026-01-01')).toBeUndefined()
  })

  test('what is to be done today', () => {
    expect(instrumentDue(caliper(), '2026-02-01')).toEqual({ what: 'overdue' })
    expect(instrumentDue(caliper(bad), '2026-07-11')).toEqual({ what: 'out' })
    expect(instrumentDue(caliper(good), addDays('2026-01-10', 82))).toBeUndefined()
    expect(instrumentDue(caliper(good), addDays('2026-01-10', 83))).toEqual({
      what: 'soon',
      days: 7,
    })
    expect(instrumentDue(caliper(good), addDays('2026-01-10', 90))).toEqual({
      what: 'soon',
      days: 0,
    })
    expect(instrumentDue(caliper(good), addDays('2026-01-10', 91))).toEqual({ what: 'overdue' })
  })

  test('drift: a line a width, in the order of the days, where it was checked', () => {
    const one = { checkedOn: '2026-08-01', points: [{ known: 5, read: 5.5 }] }
    expect(driftOf([one, bad, good])).toEqual([
      { known: 5, points: [{ on: '2026-08-01', off: 0.5 }] },
      ...[10, 20, 30, 40].map((known) => ({
        known,
        points: [
          { on: '2026-01-10', off: expect.closeTo(0.2, 9) },
          { on: '2026-07-10', off: expect.closeTo(0.9, 9) },
        ],
      })),
    ])
  })
})

describe('a reading put right by a check', () => {
  const points: CheckPoint[] = [
    { known: 10, read: 10.4 },
    { known: 20, read: 20.8 },
    { known: 40, read: 41 },
  ]
  test('at the known widths it is what is known; between them in a straight line; beyond as at the end', () => {
    for (const { known, read } of points)
      expect(correctedReading(points, read)).toBeCloseTo(known, 9)
    // Half way between 10.4 and 20.8: off by 0.6.
    expect(correctedReading(points, 15.6)).toBeCloseTo(15, 9)
    expect(correctedReading(points, 5)).toBeCloseTo(4.6, 9)
    expect(correctedReading(points, 60)).toBeCloseTo(59, 9)
  })

  test('an instrument that reads true changes nothing; order of points and of readings is kept', () => {
    const anyPoints = fc
      .uniqueArray(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 6 })
      .chain((known) =>
        fc.record({
          known: fc.constant(known),
          off: fc.array(fc.integer({ min: -4, max: 4 }), {
            ...{ minLength: known.length, maxLength: known.length },
          }),
        }),
      )
    fc.assert(
      fc.property(
        anyPoints,
        fc.double({ min: 0, max: 80, noNaN: true }),
        ({ known, off }, read) => {
          const true_ = known.map((of) => ({ known: of, read: of }))
          expect(correctedReading(true_, read)).toBeCloseTo(read, 9)
          const all = known.map((of, i) => ({ known: of, read: of + off[i]! / 10 }))
          const right = correctedReading(all, read)
          expect(correctedReading([...all].reverse(), read)).toBeCloseTo(right, 9)
          // Never by more than was found off anywhere.
          expect(Math.abs(right - read)).toBeLessThanOrEqual(0.4 + 1e-9)
        },
      ),
    )
  })
})

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  directionOf,
  holmAdjusted,
  SMALLEST_WORTHWHILE_CHANGE,
  twoSidedP,
  verdictOn,
  verdictsOn,
} from '#core'

describe('a verdict', () => {
  const on = (change: number, standardError: number, worthwhile = 2) =>
    verdictOn({ change, standardError, worthwhile }).certainty

  test('has four steps', () => {
    expect(on(-2.6, 1)).toBe('clear')
    expect(on(2.57, 1)).toBe('likely')
    expect(on(1.65, 1)).toBe('likely')
    expect(on(1.6, 1)).toBe('cannot tell')
    expect(on(0.1, 0.9)).toBe('no change')
    expect(on(0.3, 0.9)).toBe('cannot tell')
  })

  test('holds its interval around the change, and a larger error never makes it surer', () => {
    const steps = ['cannot tell', 'no change', 'likely', 'clear']
    fc.assert(
      fc.property(
        fc.double({ min: -20, max: 20, noNaN: true }),
        fc.double({ min: 0.05, max: 5, noNaN: true }),
        (change, error) => {
          const verdict = verdictOn({ change, standardError: error, worthwhile: 0 })
          expect((verdict.interval[0] + verdict.interval[1]) / 2).toBeCloseTo(change, 9)
          const wider = verdictOn({ change, standardError: error * 2, worthwhile: 0 })
          expect(steps.indexOf(wider.certainty)).toBeLessThanOrEqual(
            steps.indexOf(verdict.certainty),
          )
        },
      ),
    )
  })

  test('goes a way only where it is likely', () => {
    expect(directionOf(undefined)).toBe('absent')
    expect(directionOf(verdictOn({ change: -3, standardError: 1, worthwhile: 1 }))).toBe('down')
    expect(directionOf(verdictOn({ change: -1, standardError: 1, worthwhile: 1 }))).toBe('unclear')
    expect(directionOf(verdictOn({ change: 0, standardError: 0.1, worthwhile: 1 }))).toBe('held')
  })
})

describe('many sites at once', () => {
  // Standard normal table: beyond 1.96 either way 0.05, beyond 2.576 0.01 (any textbook of statistics, from memory).
  test('chances of the normal distribution', () => {
    expect(twoSidedP(1.959964)).toBeCloseTo(0.05, 6)
    expect(twoSidedP(-2.575829)).toBeCloseTo(0.01, 6)
  })

  test('Holm: the smallest times their number, and never less than one before', () => {
    expect(holmAdjusted([0.01, 0.04, 0.03, 0.005])).toEqual([0.03, 0.06, 0.06, 0.02])
    expect(holmAdjusted([0.9, 0.8])).toEqual([1, 1])
  })

  test('one site alone of seven needs more than it would by itself', () => {
    const family = Array.from({ length: 7 }, (_, i) => ({
      change: i === 0 ? 2.63 : 0.2,
      standardError: 1,
      worthwhile: SMALLEST_WORTHWHILE_CHANGE.fold,
    }))
    expect(verdictOn(family[0]!).certainty).toBe('clear')
    expect(verdictsOn(family)[0]!.certainty).toBe('likely')
  })
})

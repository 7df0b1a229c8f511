import { describe, expect, test } from 'vitest'
import {
  addDays,
  lookAtRecord,
  type Measured,
  type Person,
  recordBySelf,
  selfMeasured,
  type SelfGirth,
  USUAL_SETUP,
} from '#core'

const BEGAN = '2026-01-05'
const person: Person = { sex: 'female', birthDate: '1990-05-01', birthYear: null, heightCm: 168 }

/** Two readings of a waist on a day. */
const taken = (week: number, cm: number): SelfGirth[] =>
  [0, 0.3].map((off, i) => ({
    ...{ date: addDays(BEGAN, 7 * week), girth: 'waist' as const, trial: i + 1, cm: cm + off },
  }))
const waistAt = (week: number) => 90 - 0.4 * week

/** The same tape in the coach's hand. */
const byCoach = (girths: readonly SelfGirth[]): Measured[] =>
  selfMeasured(girths).map((one) => ({ ...one, setup: USUAL_SETUP, testerId: 'coach' }))

/** Somebody who holds her tape higher than the coach does: 3 % more. */
const HER_WAY = 1.03
const coachs = [0, 8, 16].flatMap((week) => taken(week, waistAt(week)))
const hers = [9, 10, 11, 12, 13, 14, 15].flatMap((week) => taken(week, HER_WAY * waistAt(week)))

const waistOf = (checkIns: readonly Measured[], bySelf: readonly Measured[] = []) =>
  lookAtRecord({ person, checkIns, bySelf })!.horizons.first!

describe('girths that a client takes of themselves', () => {
  test('are another tester’s: her own way of holding the tape is no change', () => {
    const alone = waistOf(byCoach(coachs))
    const together = waistOf(byCoach(coachs), selfMeasured(hers))
    expect([together.since, together.weeks]).toEqual([alone.since, alone.weeks])
    expect(together.changes.waist!.change).toBeCloseTo(alone.changes.waist!.change, 0)
    expect(together.changes.waist!.sd).toBeLessThanOrEqual(1.01 * alone.changes.waist!.sd)
    // Taken for the coach's, they would make a gain of it.
    const mixed = waistOf(byCoach([...coachs.slice(0, 4), ...hers]))
    expect(mixed.changes.waist!.change).toBeGreaterThan(alone.changes.waist!.change + 1.2)
  })

  test('are less sure than the coach’s', () => {
    const own = lookAtRecord({ person, checkIns: selfMeasured(coachs) })!.horizons.first!
    expect(own.changes.waist!.sd).toBeGreaterThan(1.3 * waistOf(byCoach(coachs)).changes.waist!.sd)
  })

  test('are a record where nobody else measures: of girths, and no fat', () => {
    const weeks = Array.from({ length: 9 }, (_, week) => taken(week, 92 - 1.5 * week)).flat()
    const navy = weeks.flatMap((one) => [
      one,
      { ...one, girth: 'neck' as const, cm: 34 },
      { ...one, girth: 'hip' as const, cm: 104 },
    ])
    const look = lookAtRecord(
      recordBySelf({
        client: { ...person, showPercentages: true, weekEndsOn: null },
        ...{ weighIns: [], selfGirths: navy, gymFigures: null, planInForce: null, notes: [] },
      }),
    )!
    const { changes } = look.horizons.first!
    expect(Object.keys(changes).sort()).toEqual(['hip', 'neck', 'waist'])
    expect(changes.waist).toMatchObject({ verdict: 'clear' })
    expect(changes.hip!.verdict).not.toBe('clear')
  })
})

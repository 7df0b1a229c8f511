import { describe, expect, test } from 'vitest'
import {
  addDays,
  lookAtRecord,
  measuredOf,
  SEVEN_FOLDS,
  type CheckInRecord,
  type Look,
  type Measured,
  type SetupIds,
  type WeighIn,
} from '#core'
import { judgeRows } from '../../core/exchange/judge-rows'
import { readRecords } from '../../core/exchange/record-file'
import { fold } from './support'

const woman = { sex: 'female', birthDate: '1990-06-15', heightCm: 165 } as const
const BEGAN = '2026-01-05'
const FIRST = [11, 13, 19, 15, 22, 17, 27]
/** A check-in every three weeks: 3 % thinner and half a kilogram lighter each time, over a birthday. */
const WEEKS = [0, 3, 6, 9, 12, 15, 18, 21, 24]
const foldsAt = (i: number) => FIRST.map((mm) => Number((mm * 0.97 ** i).toFixed(1)))
const massAt = (i: number) => 68 - 0.5 * i

function checkInsBy(weighIns: WeighIn[] = [], tester = (_: number) => 'ada'): Measured[] {
  return WEEKS.map((week, i) => {
    const measuredOn = addDays(BEGAN, 7 * week)
    const folds = SEVEN_FOLDS.flatMap((site, s) =>
      [0, 1].map((trial) => fold(site, trial + 1, foldsAt(i)[s]! + trial * 0.5)),
    )
    const mass = {
      ...{ id: `m${i}`, kind: 'mass' as const, site: null, standard: null, trial: 1 },
      ...{ value: massAt(i), takenAt: `${measuredOn}T09:00:00Z`, supersedes: null },
    }
    const checkIn: CheckInRecord & SetupIds = {
      ...{ protocolId: 'seven-fold', conversion: 'siri', measuredOn },
      ...{ testerId: tester(i), caliperId: 'steel', tapeId: null },
      readings: [...folds, mass],
    }
    const testers = ['ada', 'ben'].map((id) => ({ id, skill: 'trained' as const }))
    const instruments = [{ id: 'steel', graduation: 0.5, jaws: null }]
    return measuredOf(checkIn, { testers, instruments, ownErrors: {}, weighIns })
  })
}

/** The same as a file of records. */
function fileBy(tester = (_: number) => 'ada', event = (_: number) => '') {
  const columns = SEVEN_FOLDS.flatMap((site) => [`${site}_mm_1`, `${site}_mm_2`])
  const head = 'client,date,sex,birth_date,height_cm,mass_kg,equation,tester,caliper,event'.split(
    ',',
  )
  const rows = WEEKS.map((week, i) => [
    ...['w', addDays(BEGAN, 7 * week), 'female', woman.birthDate, 165, massAt(i)],
    ...['jackson-pollock-7', tester(i), 'steel', event(i)],
    ...foldsAt(i).flatMap((mm) => [mm, mm + 0.5]),
  ])
  return [[...head, ...columns], ...rows.map((row) => row.map(String))]
}

function lastOf(file: string[][]) {
  const [records] = [...readRecords(file).clients.values()]
  const rows = judgeRows(records!)
  return rows.filter(({ date }) => date === rows.at(-1)!.date)
}

const NAMES = { sum: 'sum', fat: 'fat_mass', lean: 'lean_mass', mass: 'body_mass' } as const
function expectSame(look: Look, rows: ReturnType<typeof lastOf>) {
  let compared = 0
  for (const row of rows) {
    const name = (Object.keys(NAMES) as (keyof typeof NAMES)[]).find(
      (n) => NAMES[n] === row.quantity,
    )!
    const change = look.horizons[row.horizon as 'first']!.changes[name]!
    expect(change.change, `${row.horizon} ${row.quantity}`).toBeCloseTo(Number(row.change), 3)
    expect(change.interval[0]).toBeCloseTo(Number(row.low95), 3)
    expect(change.verdict).toBe(row.verdict)
    compared++
  }
  expect(compared).toBe(12)
}

describe('a client’s record on the screen is judged as the same record in a file', () => {
  test('one hand, one phase', () => {
    const look = lookAtRecord({ person: woman, checkIns: checkInsBy() })!
    expectSame(look, lastOf(fileBy()))
    expect(look.horizons.first!.changes.fat!.verdict).toBe('clear')
  })

  test('two testers by turns, and a plan that began two days after the fourth check-in', () => {
    const tester = (i: number) => (i % 2 ? 'ben' : 'ada')
    const look = lookAtRecord({
      ...{ person: woman, checkIns: checkInsBy([], tester) },
      phaseStarts: [addDays(BEGAN, 7 * WEEKS[3]! + 2)],
    })!
    expectSame(look, lastOf(fileBy(tester, (i) => (i === 3 ? 'plan' : ''))))
    expect(look.horizons.phase!.since).toBe(addDays(BEGAN, 7 * WEEKS[3]!))
  })
})

describe('weigh-ins between check-ins', () => {
  const daily = (from: number, to: number): WeighIn[] =>
    Array.from({ length: to - from }, (_, day) => ({
      date: addDays(BEGAN, from + day),
      kg: 68 - ((from + day) / 21) * 0.5,
    }))
  const halfWidth = (weighIns: WeighIn[], checkIns = checkInsBy(weighIns)) => {
    const { interval } = lookAtRecord({ person: woman, checkIns, weighIns })!.horizons.first!
      .changes.mass!
    return interval[1] - interval[0]
  }

  test('narrow what is known of body mass', () => {
    const end = 7 * WEEKS.at(-1)!
    expect(halfWidth(daily(0, end))).toBeLessThan(0.8 * halfWidth([]))
  })

  test('of a check-in’s own week count once: in its mass', () => {
    const week = daily(7 * 24 - 6, 7 * 24 + 1)
    const checkIns = checkInsBy(week)
    expect(halfWidth(week, checkIns)).toBeCloseTo(halfWidth([], checkIns), 9)
  })

  test('after the newest check-in change nothing about it', () => {
    const later = daily(7 * 24 + 3, 7 * 24 + 40)
    expect(halfWidth(later)).toBeCloseTo(halfWidth([]), 9)
  })
})

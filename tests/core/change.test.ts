import { describe, expect, test } from 'vitest'
import { compare, comparedWith, dueState, estimate, seriesBy, type CheckInRecord } from '#core'
import { fold } from './support'

const folds = { chest: 10, abdominal: 20, thigh: 12 }

test('both check-ins are computed at the later age, and the birthday is given apart', () => {
  const man = (ageYears: number) => ({ sex: 'male', ageYears, massKg: 80 }) as const
  const same = compare(
    'jackson-pollock-3',
    { subject: man(39), values: folds },
    { subject: man(40), values: folds },
  )
  expect(same.fatPercent).toBe(0)
  expect(same.sumMm).toBe(0)
  const [at39, at40] = [39, 40].map(
    (age) => estimate('jackson-pollock-3', man(age), folds).fatPercent,
  )
  expect(same.dueToAge).toBeCloseTo(at40! - at39!, 12)
  expect(same.dueToAge).toBeGreaterThan(0)
})

test('crossing an age row of Durnin and Womersley is said, and bridged', () => {
  const values = { biceps: 5, triceps: 5, subscapular: 5, iliac_crest: 5 }
  const at = (ageYears: number) => ({ subject: { sex: 'male', ageYears } as const, values })
  const crossed = compare('durnin-womersley-4', at(29), at(30))
  expect(crossed.fatPercent).toBe(0)
  expect(crossed.dueToAge).toBeCloseTo(4, 0)
  expect(crossed.crossedRow).toMatchObject({ from: { from: 20, to: 29 }, to: { from: 30, to: 39 } })
  expect(compare('durnin-womersley-4', at(30), at(31)).crossedRow).toBeUndefined()
})

describe('a series', () => {
  const person = { sex: 'male', birthDate: '1986-05-04', heightCm: 180 } as const
  const sheet = (
    protocolId: string,
    measuredOn: string,
    sites: Record<string, number>,
  ): CheckInRecord => ({
    protocolId,
    conversion: 'siri',
    measuredOn,
    readings: Object.entries(sites).map(([site, value]) => fold(site as 'chest', 1, value)),
  })
  const seven = sheet('seven-fold', '2026-01-10', {
    ...folds,
    midaxillary: 11,
    triceps: 9,
    subscapular: 12,
    suprailiac: 14,
  })
  const three = sheet('three-fold', '2026-03-10', folds)

  test('leaves a gap where the sites of the newest equation are not all there', () => {
    const [first, second] = seriesBy(person, [three, seven], seven)
    expect(first!.estimate).toBeNull()
    expect(second!.estimate!.equationId).toBe('jackson-pollock-7')
  })

  test('compared is the latest that the same equation reads, else one with anything in common, else the latest', () => {
    const tape = sheet('tape-only', '2026-04-10', {})
    expect(comparedWith(person, seven, [tape, seven, three])).toBe(seven)
    expect(comparedWith(person, seven, [tape, three])).toBe(three)
    expect(comparedWith(person, seven, [tape])).toBe(tape)
    expect(comparedWith(person, seven, [])).toBeUndefined()
  })
})

test.each([
  [null, 'first', null],
  ['2026-03-01', 'coming', -1],
  ['2026-02-28', 'due', 0],
  ['2026-02-26', 'due', 2],
  ['2026-02-25', 'late', 3],
] as const)('every 28 days, last on %s, seen on 28 March: %s', (last, state, daysPast) => {
  expect(dueState(last, 28, '2026-03-28')).toMatchObject({ state, daysPast })
})

import { told } from '../support/words'
import { describe, expect, test } from 'vitest'
import {
  CM_PER_INCH,
  findingsOf,
  formatLength,
  KG_PER_POUND,
  lengthText,
  signedLength,
  type CheckInRecord,
  type Finding,
  type GirthId,
  type Reading,
  type SkinfoldId,
} from '#core'
import { fold } from './support'

/* What disagrees is said to disagree; the numbers are common practice, no source. */

const woman = { sex: 'female', birthDate: '1990-06-15', heightCm: 165.1 } as const
const INCHES = { length: 'in', mass: 'lb' } as const

let serial = 0
const reading = (
  kind: Reading['kind'],
  site: GirthId | null,
  value: number,
  trial = 1,
): Reading => ({
  ...{ id: `d${serial++}`, kind, site, standard: null, trial, value, supersedes: null },
  takenAt: '2026-01-01T09:00:00Z',
})
const record = (
  readings: Reading[],
  measuredOn = '2026-03-08',
  girths: GirthId[] = [],
): CheckInRecord => ({
  ...{ protocolId: 'seven-fold', conversion: 'siri', measuredOn, readings, extraGirths: girths },
})
const found = (
  now: CheckInRecord,
  earlier: CheckInRecord[] = [],
  units?: typeof INCHES,
): Finding[] => findingsOf(woman, now, earlier, { skill: 'trained' }, { units })
const thrice = (site: SkinfoldId, values: number[]) => values.map((v, i) => fold(site, i + 1, v))

describe('readings of one site that do not settle', () => {
  test('24, 28 and 20 on a first visit are 8 mm apart, and no lost decimal', () => {
    const [first, ...more] = found(record(thrice('thigh', [24, 28, 20])))
    expect(first).toMatchObject({ kind: 'apart', sites: ['thigh'], suggestions: [] })
    expect(told(first!.evidence)).toBe(
      'Thigh: 3 readings 8.0 mm apart (24.0, 28.0, 20.0). Measure again.',
    )
    expect(more).toEqual([])
  })

  test.each([
    [[24, 28, 26], 'four apart, as a third trial is taken for'],
    [[24, 28, 24], 'two agree'],
    [[24, 23, 25], 'all agree'],
  ])('%s are not asked about: %s', (values) => {
    expect(found(record(thrice('thigh', values)))).toEqual([])
  })

  test('a decimal point lost in one of three is still that', () => {
    const [first] = found(record(thrice('thigh', [24, 2.4, 24])))
    expect(first).toMatchObject({ kind: 'decimal' })
    expect(first!.suggestions[0]).toMatchObject({ trial: 2, value: 24 })
  })

  test('a caliper misread throughout is still found where nobody reads so much', () => {
    const [first] = found(record(thrice('triceps', [1.9, 2.1])))
    expect(first?.kind).not.toBe('apart')
    const tenfold = found(record(thrice('thigh', [2, 2.1])), [
      record(thrice('thigh', [20, 21]), '2026-02-08'),
    ])
    expect(tenfold[0]).toMatchObject({ kind: 'decimal' })
  })
})

describe('a girth within a week', () => {
  const waist = (inches: number, on: string) =>
    record([reading('girth', 'waist', inches * CM_PER_INCH)], on, ['waist'])

  test('half an inch is asked about, in the unit that is read', () => {
    const [asked] = found(waist(28.5, '2026-03-08'), [waist(28, '2026-03-01')], INCHES)
    expect(told(asked)).toMatchObject({ kind: 'girth jump', sites: ['waist'] })
    expect(told(asked!.evidence)).toBe(
      'Waist, narrowest is 1/2 in more than 7 days ago: is the tape at the same height?',
    )
    const [inCm] = found(waist(28.5, '2026-03-08'), [waist(28, '2026-03-07')])
    expect(told(inCm!.evidence)).toMatch(/^Waist, narrowest is 1\.3 cm more than yesterday/)
  })

  test('a quarter is not, nor half an inch in a month', () => {
    expect(found(waist(28.25, '2026-03-08'), [waist(28, '2026-03-01')], INCHES)).toEqual([])
    expect(found(waist(28.5, '2026-03-29'), [waist(28, '2026-03-01')], INCHES)).toEqual([])
  })
})

describe('weight, height and waist', () => {
  const body = (pounds: number, inches: number) =>
    record(
      [
        reading('girth', 'waist', inches * CM_PER_INCH),
        reading('mass', null, pounds * KG_PER_POUND),
      ],
      '2026-03-08',
      ['waist'],
    )
  test('250 lb at 65 in with a waist of 28 in contradict one another', () => {
    const contradictions = found(body(250, 28), [], INCHES).filter(({ sites }) =>
      sites.includes('height'),
    )
    expect(told(contradictions.map(({ evidence }) => evidence))).toEqual([
      'A BMI of 41.6 and waist, narrowest, of 28.0 in contradict each other: check weight, height and waist.',
    ])
    expect(contradictions[0]!.sites).toEqual(['waist', 'mass', 'height'])
  })
  test.each([
    [250, 46],
    [130, 27],
    [105, 23.5],
    [180, 36],
  ])('%i lb with %f in do not', (pounds, inches) =>
    expect(found(body(pounds, inches), [], INCHES)).toEqual([]),
  )
})

describe('the unit that is read is the unit that is seen', () => {
  test('quarters, eighths and sixteenths stay, decimals stay decimals', () => {
    const inches = (value: number) => lengthText(value * CM_PER_INCH, 'in')
    expect(inches(28.25)).toBe('28 1/4')
    expect(inches(28.125)).toBe('28 1/8')
    expect(inches(28.3125)).toBe('28 5/16')
    expect(inches(0.5)).toBe('1/2')
    expect(inches(28)).toBe('28.0')
    expect(inches(28.2)).toBe('28.2')
    expect(lengthText(71.5, 'in')).toBe('28.1')
    expect(lengthText(71.5, 'cm')).toBe('71.5')
    expect(signedLength(-0.25 * CM_PER_INCH, 'in')).toBe('−1/4')
    expect(signedLength(0.5 * CM_PER_INCH, 'in')).toBe('+1/2')
    expect(signedLength(0, 'in')).toBe('0.0')
    expect(formatLength(32.75 * CM_PER_INCH, 'in')).toBe('32 3/4 in')
  })

  test('what is found speaks pounds and inches', () => {
    const earlier = record([reading('mass', null, 62)], '2026-02-08')
    const [mass] = found(record([reading('mass', null, 137)]), [earlier], INCHES)
    expect(told(mass!.evidence)).toMatch(
      /^Body mass 302\.0 lb looks like .* \(136\.7 lb by the record\)\.$/,
    )
  })
})

import { told } from '../support/words'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  ageOn,
  compressionDriftsOf,
  daysBetween,
  everyResultOf,
  findingsOf,
  lastValues,
  nextGirth,
  protocolById,
  minimalDetectableChangeOfSum,
  readingsInForce,
  resultOf,
  SEVEN_FOLDS,
  sheetOf,
  siteError,
  valueVariance,
  workingOf,
  Z95,
  type CheckInRecord,
  type Measured,
  type MeasurementSetup,
  type Reading,
} from '#core'
import { fold, plausibleValue } from './support'

/* A check-in in hand, against those before it. The person and the sheets are invented for testing. */

const woman = { sex: 'female', birthDate: '1990-06-15', heightCm: 168 } as const
const setup: MeasurementSetup = { skill: 'trained' }
const SHEET = [9, 11, 17, 13.5, 21, 16, 26]

let serial = 0
const bare = (kind: 'mass' | 'height', value: number, more: Partial<Reading> = {}): Reading => ({
  ...{ id: `${kind} ${serial++}`, kind, site: null, standard: null, trial: 1, value },
  ...{ takenAt: '2026-01-01T09:00:00Z', supersedes: null, ...more },
})

function record(measuredOn: string, readings: Reading[], more: Partial<CheckInRecord> = {}) {
  const usual = { protocolId: 'seven-fold', conversion: 'siri', measuredOn, readings } as const
  return { ...usual, ...more } as CheckInRecord
}
const folds = (values: readonly number[], trial = 1) =>
  SEVEN_FOLDS.map((site, i) => fold(site, trial, values[i]!))

const last = record('2026-02-01', [...folds(SHEET), bare('mass', 62)])

describe('the last value of a site', () => {
  const seven = protocolById('seven-fold')

  test('is the latest of the same site in the same standard, whatever set it was taken by', () => {
    const older = record('2026-01-01', folds([8, 8, 8, 8, 8, 8, 8]))
    const three = record('2026-03-01', [fold('triceps', 1, 16), fold('triceps', 2, 17)], {
      protocolId: 'three-fold',
    })
    const elsewhere = record('2026-04-01', [fold('abdominal', 1, 30, { standard: 'int' })], {
      protocolId: 'eight-fold-int',
    })
    const found = lastValues(seven, 'female', [elsewhere, three, last, older])
    expect(found.triceps).toEqual({ value: 16.5, trials: 2, measuredOn: '2026-03-01' })
    expect(found.abdominal).toEqual({ value: 21, trials: 1, measuredOn: '2026-02-01' })
    expect(Object.keys(found)).toHaveLength(7)
    expect(lastValues(seven, 'female', [])).toEqual({})
  })

  test('is as corrected, and never a superseded one', () => {
    const slip = fold('thigh', 1, 62)
    const mended = record('2026-03-01', [slip, fold('thigh', 1, 26, { supersedes: slip.id })])
    expect(lastValues(seven, 'female', [mended, last]).thigh).toMatchObject({ value: 26 })
  })
})

describe('what asks for a second look', () => {
  const now = (readings: Reading[], more: Partial<CheckInRecord> = {}) =>
    record('2026-03-01', readings, more)
  const kinds = (check: CheckInRecord, earlier: CheckInRecord[] = [last]) =>
    findingsOf(woman, check, earlier, setup).map(
      ({ kind, sites }) => `${kind}: ${sites.join(', ')}`,
    )
  const honest = [8.5, 11, 16.5, 13, 20.5, 15.5, 25.5]

  test('an honest sheet is not questioned, with or without one before it', () => {
    expect(kinds(now([...folds(honest), bare('mass', 61.5)]))).toEqual([])
    expect(kinds(now([...folds(honest), bare('mass', 61.5)]), [])).toEqual([])
  })

  test('two sites changed about, against their last values', () => {
    const [chest, midaxillary, triceps, ...rest] = honest
    const swapped = now(folds([triceps!, midaxillary!, chest!, ...rest]))
    expect(kinds(swapped)).toEqual(['swap: chest, triceps'])
    const [finding] = findingsOf(woman, swapped, [last], setup)
    expect(finding!.suggestions).toEqual([
      { site: 'chest', trial: 1, value: chest },
      { site: 'triceps', trial: 1, value: triceps },
    ])
  })

  test('the last body mass counts from the check-in that has one, the last height from the record', () => {
    const unweighed = record('2026-02-15', folds(SHEET))
    const pounds = now([...folds(honest), bare('mass', 136.7)])
    expect(kinds(pounds, [unweighed, last])).toEqual(['unit: mass'])
    // 5'6" typed as 56 in: the height on record is 168 cm.
    const inches = now([...folds(honest), bare('height', 56 * 2.54)])
    expect(kinds(inches)).toEqual(['unit: height'])
    // Nothing was measured today: the height on record is held against nothing.
    expect(kinds(now(folds(honest), { heightCm: 150 }))).toEqual([])
    // A height taken earlier is the one in force on the day, and goes before that of the record.
    expect(kinds(now([...folds(honest), bare('height', 151)], { heightCm: 151 }))).toEqual([])
  })

  test('a body mass that a scale has sent is no slip of the fingers', () => {
    const pounds = (more: Partial<Reading>) => now([...folds(honest), bare('mass', 136.7, more)])
    expect(kinds(pounds({ sentBy: null }))).toEqual(['unit: mass'])
    expect(kinds(pounds({ sentBy: 'Scale' }))).toEqual([])
  })

  test('digits of a height changed about are told from feet and inches', () => {
    const [finding] = findingsOf(woman, now([bare('height', 186)]), [last], setup)
    expect(finding).toMatchObject({ kind: 'transposition', sites: ['height'] })
    expect(told(finding!.evidence)).toMatch(/two digits swapped/)
    expect(finding!.suggestions).toEqual([{ site: 'height', trial: null, value: 168 }])
  })

  test('a correction takes its finding away', () => {
    const slip = fold('thigh', 1, 2.6)
    const readings = [...folds(honest).slice(0, 6), slip]
    expect(kinds(now(readings))).toEqual(['decimal: thigh'])
    const mended = [...readings, fold('thigh', 1, 26, { supersedes: slip.id })]
    expect(kinds(now(mended))).toEqual([])
  })

  test('folds that read less each time are named once, at their own site', () => {
    const pressed = [28, 26, 24].map((mm, i) => fold('thigh', i + 1, mm))
    const steady = [12, 12.5, 12].map((mm, i) => fold('chest', i + 1, mm))
    expect(compressionDriftsOf(woman, now([...pressed, ...steady]), setup)).toMatchObject([
      { site: 'thigh', drop: 4 },
    ])
  })
})

describe('the smallest detectable change of the folds so far', () => {
  const measured = (readings: Reading[], more: Partial<Measured> = {}): Measured => ({
    ...record('2026-03-01', readings),
    setup,
    ...more,
  })
  const detectable = (now: Measured, then?: Measured) =>
    minimalDetectableChangeOfSum(woman, now, then)

  test('grows with each fold taken, shrinks with a second trial, and half again with another tester', () => {
    expect(detectable(measured([]))).toBeUndefined()
    let before = 0
    for (let taken = 1; taken <= 7; taken++) {
      const reach = detectable(measured(folds(SHEET).slice(0, taken)))!
      expect(reach).toBeGreaterThan(before)
      before = reach
    }
    const single = measured(folds(SHEET))
    expect(detectable(measured([...folds(SHEET), ...folds(SHEET, 2)]))!).toBeLessThan(before)
    expect(detectable(single, { ...single, testerId: 'another' })! / before).toBeCloseTo(1.5, 9)
    const variance = SEVEN_FOLDS.reduce(
      (total, site) => total + 2 * valueVariance(siteError(site, setup), 1),
      0,
    )
    expect(before).toBeCloseTo(Z95 * Math.sqrt(variance), 9)
  })

  test('girths and the scale do not enter it', () => {
    const taped = measured(
      [...folds(SHEET), bare('mass', 62), { ...bare('mass', 80), kind: 'girth', site: 'waist' }],
      { extraGirths: ['waist'] },
    )
    expect(detectable(taped)).toBe(detectable(measured(folds(SHEET))))
  })
})

describe('the result of a check-in', () => {
  const values = fc.tuple(...SEVEN_FOLDS.map((site) => plausibleValue(site)))
  const masses = fc.integer({ min: 450, max: 1200 }).map((n) => n / 10)

  test('ends the working, heads every equation, and stands on readings in force in any order', () => {
    fc.assert(
      fc.property(values, masses, fc.nat(), (sheet, kg, seed) => {
        const readings = [...folds(sheet), bare('mass', kg)]
        const check = record('2026-03-01', readings)
        const result = resultOf(woman, check)
        const steps = workingOf(woman, check)
        const [lead, ...others] = everyResultOf(woman, check)
        expect(result.ok).toBe(steps.ok)
        expect(lead!.equation.id).toBe('jackson-pollock-7')
        expect(new Set(others.map(({ equation }) => equation.id)).size).toBe(others.length)
        if (!result.ok) return
        const { fatPercent, fatMassKg, leanMassKg } = result.value
        expect(fatMassKg! + leanMassKg!).toBeCloseTo(kg, 9)
        expect(fatMassKg! / kg).toBeCloseTo(fatPercent / 100, 12)
        const turned = [...readings.slice(seed % 8), ...readings.slice(0, seed % 8)]
        expect(resultOf(woman, { ...check, readings: turned })).toEqual(result)
        // A superseded reading more changes nothing.
        const [first, ...rest] = readings
        const slip = { ...first!, id: 'slip', value: first!.value + 5 }
        const mended = [slip, { ...first!, supersedes: 'slip' }, ...rest]
        expect(resultOf(woman, { ...check, readings: mended })).toEqual(result)
        expect(readingsInForce(mended)).toHaveLength(readings.length)
      }),
      { numRuns: 60 },
    )
  })

  test('says what is missing, and needs no height where none enters', () => {
    const [, ...six] = folds(SHEET)
    const result = resultOf(woman, record('2026-03-01', six))
    expect(result.ok).toBe(false)
    expect(told(!result.ok && result.error.said)).toMatch(/^Chest: enter 2 to 100 mm\.$/)
    expect(sheetOf(woman, record('2026-03-01', six)).missing).toEqual(['chest'])
    expect(resultOf({ ...woman, heightCm: null }, last).ok).toBe(true)
  })

  test('a height of the check-in comes first, then the one in force on its day, then the record’s', () => {
    const heightIn = (readings: Reading[], heightCm?: number) =>
      sheetOf(woman, record('2026-03-01', readings, { heightCm })).subject.heightCm
    expect(heightIn([bare('height', 170), bare('height', 171, { trial: 2 })], 165)).toBe(170.5)
    expect(heightIn([], 165)).toBe(165)
    expect(heightIn([])).toBe(168)
  })

  test('the age is that of the day, in whole years', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20_000 }), (days) => {
        const on = new Date(Date.UTC(1990, 5, 15) + days * 86_400_000).toISOString().slice(0, 10)
        const age = ageOn(woman.birthDate, on)
        const hadBirthday = on.slice(5) >= woman.birthDate.slice(5)
        expect(age).toBe(Number(on.slice(0, 4)) - 1990 - (hadBirthday ? 0 : 1))
        expect(daysBetween(woman.birthDate, on)).toBe(days)
      }),
    )
  })
})

test('girths are asked for in the order of the set, twice round, a third time only where apart', () => {
  const protocol = protocolById('tape-only')
  const sites = protocol.girths.female
  const apart = sites.at(-1)!
  const readings: Reading[] = []
  const asked: string[] = []
  for (let step; (step = nextGirth(protocol, 'female', readings));) {
    asked.push(`${step.site} ${step.trial}`)
    // The last girth reads two centimetres off the second time.
    const value = 80 + (step.site === apart && step.trial === 2 ? 2 : 0)
    readings.push({ ...bare('mass', value), kind: 'girth', ...step })
  }
  const round = (trial: number) => sites.map((site) => `${site} ${trial}`)
  expect(asked).toEqual([...round(1), ...round(2), `${apart} 3`])
  expect(nextGirth(protocol, 'female', [], new Set(sites))).toBeUndefined()
  expect(nextGirth(protocol, 'female', [], new Set(sites.slice(1)))!.site).toBe(sites[0])
})

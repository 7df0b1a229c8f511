import { told } from '../support/words'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  bandsOf,
  basisOf,
  followedFolds,
  foldSumName,
  foldSumOf,
  goalOf,
  readDifferences,
  minimalDetectableChangeOfSum,
  NINE_FOLDS,
  protocolById,
  SEVEN_FOLDS,
  sheetOf,
  standardWithin,
  sumGap,
  targetsOf,
  type LandmarkStandard,
  type Measured,
  type OwnProtocol,
  type Sex,
  type SkinfoldId,
  type StartingPoint,
  usualRules,
} from '#core'
import { fold, plausibleValue } from './support'

/*
 * What was measured is what is followed: a set's sum is of all its folds, an equation's sum is another quantity.
 */

const person = (sex: Sex) => ({ sex, birthDate: '1990-06-15', heightCm: 172 }) as const
const EIGHT = protocolById('eight-fold-int').folds.female

function taken(
  measuredOn: string,
  folds: readonly SkinfoldId[],
  values: readonly number[],
  standard: LandmarkStandard,
  more: Partial<Measured>,
): Measured {
  return {
    ...{ protocolId: 'seven-fold', conversion: 'siri', measuredOn, setup: { skill: 'trained' } },
    ...{ testerId: 'a', caliperId: 'c' },
    readings: folds.map((site, i) =>
      fold(site, 1, values[i]!, { standard: standardWithin(site, standard)! }),
    ),
    ...more,
  }
}
const eight = (on: string, values: readonly number[]) =>
  taken(on, EIGHT, values, 'int', { protocolId: 'eight-fold-int' })

describe('eight folds that all fell, from 104 to 86 mm (common practice, no source)', () => {
  // Triceps, subscapular, biceps, iliac crest, supraspinale, abdominal, front thigh, medial calf.
  const then = eight('2026-03-01', [14, 12, 7, 16, 11, 17, 17, 10])
  const now = eight('2026-04-12', [11.5, 10, 6, 13, 9, 14, 14, 8.5])

  test.each<[Sex, number]>([
    ['female', 4],
    ['male', 7],
  ])('%s: the sum is of all eight, the equation’s of %i', (sex, added) => {
    const judged = readDifferences(person(sex), then, now)
    expect(foldSumOf(sheetOf(person(sex), then))).toEqual({ folds: EIGHT, mm: 104 })
    expect(foldSumOf(sheetOf(person(sex), now))!.mm).toBe(86)
    expect(judged.sum).toEqual({ mm: -18, folds: EIGHT, isWhole: true })
    expect(judged.equationFolds).toHaveLength(added)
    const part = (values: readonly number[]) =>
      judged.equationFolds.reduce((total, site) => total + values[EIGHT.indexOf(site)]!, 0)
    const [before, after] = [then, now].map(({ readings }) => part(readings.map((r) => r.value)))
    expect(judged.comparison!.after.sumMm).toBeCloseTo(after!, 9)
    expect(judged.comparison!.sumMm).toBeCloseTo(after! - before!, 9)
  })
})

test('an own set of nine has the sum of its nine, not the seven of its equation', () => {
  const folds: SkinfoldId[] = [...SEVEN_FOLDS, 'biceps', 'medial_calf']
  const own: OwnProtocol = {
    ...{ id: 'own-nine', name: 'Nine of ours', standard: 'us', folds, girths: [] },
    ...usualRules('us'),
  }
  const nine = (on: string, mm: number) =>
    taken(
      on,
      folds,
      folds.map(() => mm),
      'us',
      { protocolId: own.id, ownProtocol: own },
    )
  const judged = readDifferences(person('male'), nine('2026-03-01', 12), nine('2026-04-01', 10))
  expect(judged.sum!.mm).toBe(-18)
  expect(judged.equationFolds).toHaveLength(7)
  expect(judged.comparison!.sumMm).toBeCloseTo(-14, 9)
})

describe('between different sets', () => {
  const sevenOf = (on: string, values: readonly number[]) =>
    taken(on, SEVEN_FOLDS, values, 'us', {})
  const three = protocolById('three-fold').folds.female
  const threeOf = (on: string, values: readonly number[]) =>
    taken(on, three, values, 'us', { protocolId: 'three-fold' })
  const values = (folds: readonly SkinfoldId[]) => fc.tuple(...folds.map(plausibleValue))

  test('the folds in common are followed, and the label says which', () => {
    const woman = person('female')
    fc.assert(
      fc.property(values(SEVEN_FOLDS), values(three), (before, after) => {
        const [then, now] = [sevenOf('2026-03-01', before), threeOf('2026-04-01', after)]
        const judged = readDifferences(woman, then, now)
        expect(judged.sum).toMatchObject({ folds: three, isWhole: false })
        const earlier = three.reduce(
          (sum, site) => sum + before[SEVEN_FOLDS.findIndex((s) => s === site)]!,
          0,
        )
        const later = after.reduce((sum, mm) => sum + mm, 0)
        expect(judged.sum!.mm).toBeCloseTo(later - earlier, 9)
        // The rail and the bands of the curve know one error.
        const reach = minimalDetectableChangeOfSum(woman, now, then)!
        const basis = basisOf(woman, now, followedFolds([then, now].map((m) => sheetOf(woman, m))))
        const bands = [then, now].map((m) => bandsOf(woman, m, basis).sum!)
        expect(bands.map(({ value }) => value)).toEqual([
          expect.closeTo(earlier, 9),
          expect.closeTo(later, 9),
        ])
        expect(Math.hypot(...bands.map(({ halfWidth }) => halfWidth))).toBeCloseTo(reach, 9)
      }),
      { numRuns: 100, seed: 13 },
    )
    expect(told(foldSumName(three, false))).toBe(
      'Sum of the 3 shared folds: triceps, suprailiac, thigh',
    )
    expect(told(foldSumName(three, true))).toBe('Sum of 3 folds')
  })

  test('a series is followed by what the newest and the others have, in one landmark standard', () => {
    const woman = person('female')
    const sheets = (all: Measured[]) => all.map((m) => sheetOf(woman, m))
    const sevens = [12, 11].map((mm, i) =>
      sevenOf(
        `2026-0${i + 1}-01`,
        SEVEN_FOLDS.map(() => mm),
      ),
    )
    const whole = followedFolds(sheets(sevens))!
    expect(whole.folds.map(({ site }) => site)).toEqual(SEVEN_FOLDS)
    expect(whole.whole).toBe(true)

    const mixed = sheets([...sevens, threeOf('2026-03-01', [12, 11, 20])])
    const followed = followedFolds(mixed)!
    expect(followed.folds.map(({ site }) => site)).toEqual(three)
    expect(followed.whole).toBe(false)
    expect(mixed.map((sheet) => foldSumOf(sheet, followed.folds)!.mm)).toEqual([36, 33, 43])

    // Triceps, subscapular and abdominal of the international standard are other places under the same names.
    const foreign = sheets([
      eight(
        '2025-12-01',
        EIGHT.map(() => 9),
      ),
      ...sevens,
    ])
    expect(followedFolds(foreign)).toEqual(whole)
    expect(foldSumOf(foreign[0]!, whole.folds)).toBeUndefined()
    expect(told(sumGap(foreign[0]!, whole.folds))).toMatch(
      /^located by another landmark standard, or taken in another way: .*triceps/,
    )
    expect(told(sumGap(sheets([threeOf('2026-03-01', [12, 11, 20])])[0]!, whole.folds))).toMatch(
      /^not taken: chest, midaxillary/,
    )
    expect(sumGap(foreign[1]!, whole.folds)).toBeUndefined()
    expect(followedFolds(sheets([]))).toBeUndefined()
  })

  test('a set without an equation has its sum with its error', () => {
    const own: OwnProtocol = {
      ...{ id: 'own-two', name: 'Two', standard: 'us', folds: ['chest', 'biceps'], girths: [] },
      ...usualRules('us'),
    }
    const two = (on: string, mm: number) =>
      taken(on, own.folds, [mm, mm], 'us', { protocolId: own.id, ownProtocol: own })
    const [then, now] = [two('2026-03-01', 14), two('2026-04-01', 6)]
    const judged = readDifferences(person('male'), then, now)
    expect(judged.comparison).toBeUndefined()
    expect(judged.equationFolds).toEqual([])
    expect(judged.sum!.mm).toBe(-16)
    const band = bandsOf(person('male'), now, basisOf(person('male'), now)).sum!
    expect(band.value).toBe(12)
    expect(Math.SQRT2 * band.halfWidth).toBeCloseTo(
      minimalDetectableChangeOfSum(person('male'), now, then)!,
      9,
    )
  })
})

test('a goal is for one of the two sums, and is turned into fat by its number of folds', () => {
  const start: StartingPoint = {
    ...{ sex: 'male', ageYears: 35, fatKg: 16, leanKg: 64, standardError: 3.5 },
    sum: { folds: [...NINE_FOLDS], mm: 120 },
    equationSum: { folds: [...SEVEN_FOLDS], mm: 95 },
  }
  for (const kind of ['sum', 'equationSum'] as const) {
    const goal = { kind, value: start[kind]!.mm - 16 }
    expect(goalOf(kind, goal, start)).toBe(goal.value)
    expect(goalOf(kind === 'sum' ? 'equationSum' : 'sum', goal, start)).toBeUndefined()
    // 8 mm a kilogram on seven folds (judgement, no source).
    const lost = (16 / 8) * (7 / start[kind]!.folds.length)
    expect(targetsOf(goal, start).aim.fatKg).toBeCloseTo(16 - lost, 9)
  }
})

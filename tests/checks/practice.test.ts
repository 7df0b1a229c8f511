import { told } from '../support/words'
import { describe, expect, test } from 'vitest'
import {
  bodyMassIndex,
  classify,
  correctedGirth,
  fatPercentile,
  KG_PER_POUND,
  normalisedLeanMassIndex,
  NORM_TABLES,
  waistToHip,
} from '#core'

/* Worked values of the trade (common practice, no source). */
describe('worked values', () => {
  test('190 lb at 70 in: BMI 27.26, not the 26.5 of rounding each step', () => {
    expect(bodyMassIndex(190 * KG_PER_POUND, 70 * 2.54)).toBeCloseTo(27.26, 2)
  })

  test('waist over hip', () => {
    expect(waistToHip(39, 40)).toBeCloseTo(0.975, 3)
    expect(waistToHip(38, 37)).toBeCloseTo(1.027, 3)
  })

  test('167 lb at 9.7 % is 16.2 lb of fat', () => expect((167 * 9.7) / 100).toBeCloseTo(16.2, 1))
})

/* Kouri EM et al., Clin J Sport Med 1995;5:223-228 (from memory): at 1.80 m the normalised index is the index. */
test('lean mass index brought to 1.80 m', () => {
  expect(normalisedLeanMassIndex(64.8, 180)).toBeCloseTo(20, 9)
  expect(normalisedLeanMassIndex(64.8, 170) - 64.8 / 1.7 ** 2).toBeCloseTo(0.61, 9)
})

/* Standard anthropometry: girth less pi times the fold. */
test('a corrected girth', () => expect(correctedGirth(32, 10)).toBeCloseTo(32 - Math.PI, 12))

describe('ranges', () => {
  /* Medians of the Cooper Institute data as printed by the American College of Sports Medicine, from memory. */
  test.each([
    ['male', [16.6, 20.0, 22.1, 23.6, 24.2]],
    ['female', [21.5, 22.8, 25.5, 28.4, 29.2]],
  ] as const)('medians, %s', (sex, medians) => {
    medians.forEach((fat, i) =>
      expect(fatPercentile(fat, { sex, ageYears: 25 + 10 * i })).toBeCloseTo(50, 0),
    )
  })

  test('a percentile never rises with fat', () => {
    for (const sex of ['male', 'female'] as const) {
      for (let age = 20; age < 80; age += 10) {
        const at = Array.from({ length: 60 }, (_, fat) =>
          fatPercentile(fat, { sex, ageYears: age })!,
        )
        expect([...at].sort((a, b) => b - a)).toEqual(at)
      }
    }
    expect(fatPercentile(20, { sex: 'male', ageYears: 19 })).toBeNull()
  })

  const man = { sex: 'male', ageYears: 45 } as const
  const woman = { sex: 'female', ageYears: 45 } as const

  /* Each with the source that check-values names; edges belong to the higher band. */
  test.each([
    ['ace', 12, man, 'athletes'],
    ['ace', 25, man, 'above the average range'],
    ['ace', 22, woman, 'fitness'],
    ['gallagher-white', 25, man, 'as at BMI 25 to 30'],
    ['coaching-age', 20, man, 'in the range'],
    ['health-range', 33, woman, 'above the range'],
    ['bmi-who', 25, man, 'pre-obese'],
    ['whr-who', 0.9, man, 'at risk'],
    ['waist-who', 90, woman, 'substantially increased'],
    ['waist-acsm', 120, man, 'high'],
    ['waist-acsm', 121, man, 'very high'],
    ['whtr-nice', 0.49, man, 'healthy'],
  ] as const)('%s %f', (table, value, person, band) => {
    expect(told(classify(table, value, person)!.band.name)).toBe(band)
  })

  test('a table fed with another waist than its own says so', () => {
    expect(told(classify('waist-who', 90, man, 'abdomen')!.girthNote)).toMatch(
      /^Made for another landmark: waist, midway or hip crests/,
    )
    expect(classify('waist-who', 90, man, 'iliac')!.girthNote).toBeUndefined()
  })

  test('every table names its source, and its bands leave no gap', () => {
    for (const table of NORM_TABLES) {
      expect(table.source).not.toBe('')
      for (const person of [man, woman]) {
        // A growth reference says nothing of adults.
        const bands = (table.bands(person.sex, person.ageYears) ?? table.bands(person.sex, 12))!
        expect(bands[0]!.from).toBe(-Infinity)
        expect(bands.at(-1)!.to).toBe(Infinity)
        bands.slice(1).forEach((band, i) => expect(band.from).toBe(bands[i]!.to))
      }
    }
  })
})

import { told } from '../support/words'
import { describe, expect, test } from 'vitest'
import { estimate, type Subject, working } from '#core'

/*
 * Durnin and Womersley's own fat % table, Br J Nutr 1974;32:77-97, Siri. Recalled from memory of the source. Its youngest
 * column is the mean of the two youngest rows.
 */
const TABLE: [sum: number, men17to29: number, men40to49: number, women30to39: number][] = [
  [20, 8.1, 12.2, 17.0],
  [30, 12.9, 17.7, 21.8],
  [40, 16.4, 21.4, 25.5],
  [60, 21.2, 27.1, 30.6],
  [80, 24.8, 31.2, 34.3],
  [100, 27.6, 34.4, 37.2],
  [120, 30.0, 37.0, 39.6],
  [150, 32.9, 40.2, 42.6],
]

function fat(sum: number, subject: Subject) {
  const each = sum / 4
  const folds = { biceps: each, triceps: each, subscapular: each, iliac_crest: each }
  return estimate('durnin-womersley-4', subject, folds).fatPercent
}

test.each(TABLE)('sum %f mm', (sum, young, forties, women) => {
  const men = (ageYears: number) => fat(sum, { sex: 'male', ageYears })
  expect(Math.abs((men(18) + men(25)) / 2 - young)).toBeLessThanOrEqual(0.2)
  expect(Math.abs(men(45) - forties)).toBeLessThanOrEqual(0.2)
  expect(Math.abs(fat(sum, { sex: 'female', ageYears: 35 }) - women)).toBeLessThanOrEqual(0.2)
})

describe('the rows jump at their edges and are never interpolated', () => {
  /* A man with S = 20: 8.0 % at 29, 12.0 % at 30 (from the coefficients, common knowledge of the table). */
  test('a man with a sum of 20 mm', () => {
    expect(fat(20, { sex: 'male', ageYears: 29.9 })).toBeCloseTo(8.0, 1)
    expect(fat(20, { sex: 'male', ageYears: 30 })).toBeCloseTo(12.0, 1)
  })

  test('and the working names the row', () => {
    const folds = { biceps: 5, triceps: 5, subscapular: 5, iliac_crest: 5 }
    const steps = working('durnin-womersley-4', { sex: 'male', ageYears: 34 }, folds)
    expect(told(steps.map((s) => s.formula)).join()).toMatch(/row 30 to 39 years/)
  })
})

import { describe, expect, test } from 'vitest'
import { estimate, KG_PER_POUND } from '#core'
import { womanFolds } from '../support/woman-row'

/* Printed tables by sum and age, as recalled from memory of their sources; columns: the middles of four age bands. */
type PrintedTable = [sum: number, ...at25to55: number[]][]

/*
 * Men's fat % by sum of chest + abdominal + thigh and age, Siri, printed with Jackson AS, Pollock ML, Phys Sportsmed
 * 1985;13(5):76-90. Row: middle of the 3 mm band.
 */
const MEN_THREE_FOLDS: PrintedTable = [
  [9, 1.8, 2.9, 3.9, 5.0],
  [21, 5.7, 6.8, 7.9, 8.9],
  [30, 8.5, 9.6, 10.7, 11.8],
  [42, 12.2, 13.3, 14.4, 15.5],
  [51, 14.8, 15.9, 17.1, 18.2],
  [60, 17.4, 18.5, 19.7, 20.8],
  [84, 23.8, 25.0, 26.1, 27.3],
  [99, 27.4, 28.6, 29.8, 31.0],
  [126, 33.3, 34.5, 35.8, 37.0],
]

/* Women's fat % by sum of triceps + abdominal + suprailiac and age, same paper: the direct form. */
const WOMEN_THREE_FOLDS: PrintedTable = [
  [10, 9.0, 9.4, 9.7, 10.1],
  [30, 16.4, 16.8, 17.1, 17.5],
  [50, 22.9, 23.3, 23.7, 24.0],
  [70, 28.6, 28.9, 29.3, 29.7],
  [90, 33.3, 33.7, 34.0, 34.4],
  [110, 37.1, 37.5, 37.9, 38.2],
]

/* How far a cell may be off: the women's are right to the last printed digit. */
describe.each([
  {
    ...{ id: 'jackson-pollock-3', sex: 'male' as const, table: MEN_THREE_FOLDS, within: 0.1 },
    folds: ['chest', 'abdominal', 'thigh'],
  },
  {
    ...{
      id: 'jackson-pollock-3-direct',
      sex: 'female' as const,
      table: WOMEN_THREE_FOLDS,
      within: 0,
    },
    folds: ['triceps', 'abdominal', 'suprailiac'],
  },
])('the printed table of $id, $sex', ({ id, sex, table, within, folds }) => {
  test.each(table)('sum %f mm', (sum, ...printed) => {
    const values = Object.fromEntries(folds.map((site) => [site, sum / 3]))
    printed.forEach((fat, column) => {
      const { fatPercent } = estimate(id, { sex, ageYears: 25 + 10 * column }, values)
      const shown = within ? fatPercent : Math.round(fatPercent * 10) / 10
      expect(Math.abs(shown - fat)).toBeLessThanOrEqual(within + 1e-4)
    })
  })
})

test('the direct form goes by no density', () => {
  const folds = { triceps: 10, abdominal: 10, suprailiac: 10 }
  const subject = { sex: 'female', ageYears: 25 } as const
  expect(estimate('jackson-pollock-3-direct', subject, folds).conversion).toBe('direct')
})

describe('worked values of seven folds (common practice, no source)', () => {
  const even = (sum: number) => {
    const each = sum / 7
    return {
      chest: each,
      midaxillary: each,
      triceps: each,
      subscapular: each,
      abdominal: each,
      suprailiac: each,
      thigh: each,
    }
  }

  test('a man of 20 with a sum of 113.0 mm has about 15 %', () => {
    const { fatPercent } = estimate('jackson-pollock-7', { sex: 'male', ageYears: 20 }, even(113))
    expect(fatPercent).toBeCloseTo(15, 0)
  })

  test('a woman of 21 with a sum of 105.5 mm has between 20 and 21 %', () => {
    const { fatPercent } = estimate(
      'jackson-pollock-7',
      { sex: 'female', ageYears: 21 },
      even(105.5),
    )
    expect(fatPercent).toBeGreaterThan(20)
    expect(fatPercent).toBeLessThan(21)
  })

  const woman = { sex: 'female', ageYears: 34, massKg: 121 * KG_PER_POUND } as const

  test('a woman of 34 at 121 lb has 11.84 % and 106.67 lb lean', () => {
    const { fatPercent, leanMassKg } = estimate('jackson-pollock-7', woman, womanFolds)
    expect(fatPercent).toBeCloseTo(11.84, 2)
    expect(leanMassKg! / KG_PER_POUND).toBeCloseTo(106.67, 2)
  })

  test('with the subscapular mistyped as 4 she has 11.48 %', () => {
    const { fatPercent } = estimate('jackson-pollock-7', woman, { ...womanFolds, subscapular: 4 })
    expect(fatPercent).toBeCloseTo(11.48, 2)
  })
})

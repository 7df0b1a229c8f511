import { expect, test } from 'vitest'
import { fatPercentOf } from '#core'

/*
 * Siri and Brozek on measured densities: Penrose KW, Nelson AG, Fisher AG, Med Sci Sports Exerc 1985;17:189, first rows
 * of the public StatLib file. Recalled from memory of the source.
 */
test.each([
  [1.0708, 12.3, 12.6],
  [1.0853, 6.1, 6.9],
  [1.0414, 25.3, 24.6],
  [1.0751, 10.4, 10.9],
  [1.034, 28.7, 27.8],
])('density %f', (density, siri, brozek) => {
  expect(fatPercentOf(density, 'siri')).toBeCloseTo(siri, 1)
  expect(Math.abs(fatPercentOf(density, 'brozek') - brozek)).toBeLessThanOrEqual(0.06)
})

/* Where the two lines cross follows from their coefficients: (495 - 457) / (450 - 414.2). */
test('Siri and Brozek agree at a density of 1.06145, 16.34 %', () => {
  expect(fatPercentOf(1.06145, 'siri')).toBeCloseTo(16.34, 1)
  expect(fatPercentOf(1.06145, 'brozek')).toBeCloseTo(fatPercentOf(1.06145, 'siri'), 2)
})

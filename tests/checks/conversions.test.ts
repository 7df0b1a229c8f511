import { expect, test } from 'vitest'
import { CONVERSIONS, convertsFor, estimate, fatPercentOf } from '#core'

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

/*
 * A conversion reads no fat where the density is that of what is not fat: 1.100 by Siri, 1.113 of Black men (Schutte 1984),
 * 1.106 of Black women (Ortiz 1992), 1.097 of White women (Heyward and Stolarczyk 1996, table). From memory of the sources.
 */
test.each([
  ['schutte', 1.113, 0.002],
  ['ortiz', 1.106, 0.002],
  ['white-women', 1.097, 0.002],
  ['siri', 1.1, 1e-9],
] as const)('%s says no fat at the density of what is not fat', (id, lean, within) => {
  const { a, b } = CONVERSIONS[id]
  expect(Math.abs(a / b - lean)).toBeLessThanOrEqual(within)
  expect(fatPercentOf(a / b, id)).toBeCloseTo(0, 9)
})

/* By hand, at a density of 1.05: 437/1.05 - 393 = 23.190; 485/1.05 - 439 = 22.905; 501/1.05 - 457 = 20.143. */
test('worked by hand at 1.05 g/cm³', () => {
  expect(fatPercentOf(1.05, 'schutte')).toBeCloseTo(23.19, 2)
  expect(fatPercentOf(1.05, 'ortiz')).toBeCloseTo(22.905, 2)
  expect(fatPercentOf(1.05, 'white-women')).toBeCloseTo(20.143, 2)
})

test('a conversion made on one sex is refused to the other, with those that are accepted', () => {
  expect(convertsFor('schutte', 'female')).toBe(false)
  const folds = { triceps: 20, suprailiac: 15, thigh: 25 }
  const woman = { sex: 'female', ageYears: 30 } as const
  expect(() => estimate('jackson-pollock-3', woman, folds, { conversion: 'schutte' })).toThrow(
    expect.objectContaining({ input: 'conversion', problem: 'outside-domain', got: 'schutte' }),
  )
  const { density, fatPercent } = estimate('jackson-pollock-3', woman, folds, {
    conversion: 'ortiz',
  })
  expect(fatPercent).toBeCloseTo(485 / density! - 439, 9)
})

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  EQUATIONS,
  estimate,
  InputError,
  SEVEN_FOLDS,
  working,
  type Subject,
  type Values,
} from '#core'
import { plausibleValue, thrownBy } from './support'

const man: Subject = { sex: 'male', ageYears: 40, massKg: 80 }
const folds: Values = Object.fromEntries(SEVEN_FOLDS.map((site) => [site, 15]))

describe('what is refused names the input, what was got and what is accepted', () => {
  const refuse = (run: () => unknown) => {
    const error = thrownBy(run)
    expect(error).toBeInstanceOf(InputError)
    return error as InputError
  }

  test.each([
    ['a missing fold', { ...folds, thigh: undefined }, 'thigh', /Thigh: is missing/],
    ['no number', { ...folds, chest: NaN }, 'chest', /Chest: got NaN. Accepted: 2 to 100 mm/],
    ['a decimal point lost', { ...folds, abdominal: 195 }, 'abdominal', /got 195/],
    ['a fold of nothing', { ...folds, triceps: 0 }, 'triceps', /got 0/],
  ])('%s', (_what, values, input, words) => {
    const error = refuse(() => estimate('jackson-pollock-7', man, values as Values))
    expect(error.input).toBe(input)
    expect(error.message).toMatch(words)
  })

  test('ages under the youngest, and decimals floored', () => {
    expect(
      refuse(() => estimate('jackson-pollock-7', { ...man, ageYears: 17.9 }, folds)).input,
    ).toBe('ageYears')
    const at40 = estimate('jackson-pollock-7', man, folds)
    expect(estimate('jackson-pollock-7', { ...man, ageYears: 40.9 }, folds)).toEqual(at40)
  })

  test('another school, equation, sex or conversion', () => {
    const options = { school: 'int' } as const
    expect(refuse(() => estimate('jackson-pollock-7', man, folds, options)).input).toBe('school')
    expect(refuse(() => estimate('no-such', man, folds)).input).toBe('equation')
    expect(
      refuse(() => estimate('jackson-pollock-7', { ...man, sex: 'x' as 'male' }, folds)).input,
    ).toBe('sex')
    expect(
      refuse(() => estimate('jackson-pollock-7', man, folds, { conversion: 'x' as 'siri' })).input,
    ).toBe('conversion')
  })

  test('a sum past the turning point, with a warning from 90 % of it', () => {
    const women = { sex: 'female', ageYears: 30 } as const
    const past = { triceps: 73, suprailiac: 73, thigh: 73 }
    expect(refuse(() => estimate('jackson-pollock-3', women, past)).input).toBe('sum')
    const close = estimate('jackson-pollock-3', women, { triceps: 66, suprailiac: 66, thigh: 66 })
    expect(close.warnings.join()).toMatch(/turns over/)
  })

  test('over the oldest age and outside the sample only warns', () => {
    const { warnings } = estimate('jackson-pollock-7', { ...man, ageYears: 70 }, folds)
    expect(warnings).toEqual([expect.stringMatching(/oldest of the source \(61\)/)])
    const lean = Object.fromEntries(SEVEN_FOLDS.map((site) => [site, 4]))
    expect(estimate('jackson-pollock-7', man, lean).warnings.join()).toMatch(/outside the sample/)
  })
})

test('the working ends in the estimate, and its terms add up to the density', () => {
  const steps = working('jackson-pollock-7', man, folds)
  const result = estimate('jackson-pollock-7', man, folds)
  const value = (label: string) => steps.find((s) => s.label === label)!.value
  expect(value('Sum S')).toBe(105)
  expect(value('constant') + value('S term') + value('S² term') + value('age term')).toBeCloseTo(
    result.density!,
    12,
  )
  expect(value('Fat % (Siri)')).toBe(result.fatPercent)
  expect(value('Lean mass')).toBe(result.leanMassKg)
  expect(result.fatMassKg! + result.leanMassKg!).toBeCloseTo(80, 12)
})

describe('properties over every equation', () => {
  const cases = EQUATIONS.flatMap((equation) =>
    equation.variants.map((variant) => ({ equation, variant })),
  )

  test.each(cases)(
    '$equation.id, $variant.sex: more fold never gives less fat',
    ({ equation, variant }) => {
      const sites = [...variant.folds, ...variant.girths]
      fc.assert(
        fc.property(
          fc.record(Object.fromEntries(sites.map((site) => [site, plausibleValue(site)]))),
          fc.integer({ min: variant.ages.youngest, max: variant.ages.oldest }),
          fc.constantFrom(...variant.folds),
          fc.double({ min: 0, max: 5, noNaN: true }),
          (values, ageYears, site, more) => {
            const subject: Subject = { sex: variant.sex, ageYears }
            const fat = (v: Values) => estimate(equation.id, subject, v).fatPercent
            try {
              expect(fat({ ...values, [site]: values[site]! + more })).toBeGreaterThanOrEqual(
                fat(values) - 1e-9,
              )
            } catch (error) {
              if (!(error instanceof InputError)) throw error
            }
          },
        ),
      )
    },
  )

  test('no input whatever makes NaN or Infinity', () => {
    const anything = fc.oneof(fc.double(), fc.constant(undefined), fc.integer(), fc.string())
    fc.assert(
      fc.property(
        fc.constantFrom(...cases),
        fc.array(anything, { minLength: 10, maxLength: 10 }),
        anything,
        anything,
        ({ equation, variant }, values, ageYears, massKg) => {
          const typed = Object.fromEntries(
            variant.folds.map((site, i) => [site, values[i]]),
          ) as Values
          const subject = { sex: variant.sex, ageYears, massKg } as Subject
          try {
            const numbers = Object.values(estimate(equation.id, subject, typed)).filter(
              (v) => typeof v === 'number',
            )
            expect(numbers.every(Number.isFinite)).toBe(true)
          } catch (error) {
            if (!(error instanceof InputError)) throw error
          }
        },
      ),
      { numRuns: 500 },
    )
  })
})

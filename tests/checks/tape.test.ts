import { told } from '../support/words'
import { describe, expect, test } from 'vitest'
import {
  administrativeNavy,
  CM_PER_INCH,
  estimate,
  type InputError,
  type Sex,
  type Values,
} from '#core'
import { thrownBy } from '../core/support'

const inch = (value: number) => value * CM_PER_INCH

function navy(sex: Sex, heightIn: number, girthsIn: Values) {
  const girths = Object.fromEntries(Object.entries(girthsIn).map(([g, v = NaN]) => [g, inch(v)]))
  return { subject: { sex, ageYears: 30, heightCm: inch(heightIn) }, girths }
}

describe('the inch form (worked values, common practice, no source)', () => {
  test.each([
    ['male', 72, { neck: 17, abdomen: 34 }, 12.5, 1],
    ['male', 76, { neck: 22, abdomen: 38 }, 8.59, 2],
    ['female', 65, { neck: 14, waist: 28, hip: 36 }, 21.8, 1],
  ] as const)('%s of %f in', (sex, height, girths, fat, digits) => {
    const { subject, girths: cm } = navy(sex, height, girths)
    expect(estimate('navy-inch', subject, cm).fatPercent).toBeCloseTo(fat, digits)
  })
})

/*
 * Constants of the same form in centimetres: +30.2952 men, -104.9121 women (they follow from the inch form; feeding
 * centimetres to the inch constants is a known slip).
 */
test('in centimetres it is the same line with another constant', () => {
  const man = estimate(
    'navy-inch',
    { sex: 'male', ageYears: 30, heightCm: 180 },
    { neck: 40, abdomen: 90 },
  )
  expect(man.fatPercent).toBeCloseTo(86.01 * Math.log10(50) - 70.041 * Math.log10(180) + 30.2952, 3)
  const woman = estimate(
    'navy-inch',
    { sex: 'female', ageYears: 30, heightCm: 165 },
    { neck: 33, waist: 74, hip: 98 },
  )
  expect(woman.fatPercent).toBeCloseTo(
    163.205 * Math.log10(139) - 97.684 * Math.log10(165) - 104.9121,
    3,
  )
})

test('the density form is a separate fit, about 0.3 points away in ordinary cases', () => {
  const { subject, girths } = navy('male', 70, { neck: 15.5, abdomen: 36 })
  const [density, inches] = ['hodgdon-beckett', 'navy-inch'].map(
    (id) => estimate(id, subject, girths).fatPercent,
  )
  expect(Math.abs(density! - inches!)).toBeGreaterThan(0)
  expect(Math.abs(density! - inches!)).toBeLessThan(0.5)
})

test('administrative rounding is a second figure: neck up, abdomen down, height nearest, whole percent', () => {
  const { subject, girths } = navy('male', 70.3, { neck: 15.1, abdomen: 36.9 })
  const figure = administrativeNavy(subject, girths)
  expect(figure.values.neck! / CM_PER_INCH).toBeCloseTo(15.5, 9)
  expect(figure.values.abdomen! / CM_PER_INCH).toBeCloseTo(36.5, 9)
  expect(figure.heightCm / CM_PER_INCH).toBeCloseTo(70.5, 9)
  expect(Number.isInteger(figure.fatPercent)).toBe(true)
  const exact = administrativeNavy(
    ...(Object.values(navy('male', 72, { neck: 17, abdomen: 34 })) as [never, never]),
  )
  expect(exact.values.neck! / CM_PER_INCH).toBeCloseTo(17, 9)
  // 12.53 % unrounded (above), so 13 in whole percent.
  expect(exact.fatPercent).toBe(13)
})

test('a neck at or over the abdomen is refused, and the logarithm of nothing never taken', () => {
  const { subject, girths } = navy('male', 72, { neck: 24.5, abdomen: 24.4 })
  const error = thrownBy(() => estimate('navy-inch', subject, girths)) as InputError
  expect(error).toMatchObject({ name: 'InputError', input: 'neck' })
})

describe('the abdomen of Tran and Weltman', () => {
  const woman = { sex: 'female', ageYears: 40, heightCm: 165 } as const

  test('is the mean of two levels when both are taken, the navel alone otherwise, and it says which', () => {
    const one = estimate('tran-weltman', woman, { abdomen: 90, hip: 100 })
    const two = estimate('tran-weltman', woman, { abdomen: 92, waist_midway: 88, hip: 100 })
    expect(two.fatPercent).toBe(one.fatPercent)
    expect(told(one.warnings).join()).toMatch(/navel alone/)
    expect(two.warnings).toEqual([])
  })

  test('turns over at 115.6 cm for women: refused past it', () => {
    const error = thrownBy(() => estimate('tran-weltman', woman, { abdomen: 116, hip: 130 }))
    expect(error).toMatchObject({ name: 'InputError', input: 'abdomen' })
  })
})

/* A girth that stands on a half inch stays there, whatever its centimetres hold in binary. */
test('half inches stay half inches', () => {
  for (let halves = 24; halves <= 48; halves++) {
    const neck = (halves / 2) * 2.54
    const { values } = administrativeNavy(
      { sex: 'male', ageYears: 30, heightCm: 180 },
      { neck, abdomen: neck + 50 },
    )
    expect(values.neck, `${halves / 2} in`).toBeCloseTo(neck, 9)
  }
})

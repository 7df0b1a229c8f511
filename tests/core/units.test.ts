import { tell, told } from '../support/words'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  formatAsTyped,
  InputError,
  parseFold,
  parseGirth,
  parseHeight,
  parseMass,
  unrounded,
} from '#core'
import { thrownBy } from './support'

const message = (run: () => unknown) => {
  const error = thrownBy(run)
  expect(error).toBeInstanceOf(InputError)
  return tell((error as InputError).said)
}

describe('heights', () => {
  test.each([
    ['5\'10"', 177.8, '5 ft 10 in'],
    ['5’ 10½”', 179.07, '5 ft 10.5 in'],
    ['5 ft 10 1/2', 179.07, '5 ft 10.5 in'],
    ['6\'2"', 187.96, '6 ft 2 in'],
    ["6'", 182.88, '6 ft 0 in'],
    ['5 10', 177.8, '5 ft 10 in'],
    ['70 in', 177.8, '70 in'],
    ['70', 177.8, '70 in'],
    ['178', 178, '178 cm'],
    ['178cm', 178, '178 cm'],
    ['1,78', 178, '1.78 m'],
    ['1.78 m', 178, '1.78 m'],
  ])('%s', (typed, cm, readAs) => {
    const height = parseHeight(typed)
    expect(height.value).toBeCloseTo(cm, 9)
    expect(told(height.readAs)).toBe(readAs)
  })

  test.each(['', 'tall', '5.10', '5\'14"', '17.8', '1780', '1.234,5', '-178', '178 kg', '1/0'])(
    'refuses %s',
    (typed) => {
      expect(message(() => parseHeight(typed))).toMatch(/^Height: enter .*10"/)
    },
  )
})

describe('masses', () => {
  test.each([
    ['75.5kg', undefined, 75.5],
    ['82,5 kg', undefined, 82.5],
    ['167 lb', undefined, 75.74992579],
    ['12 st 4 lb', undefined, 78.01788764],
    ['12 st', undefined, 76.20351816],
    ['167', 'lb', 75.74992579],
    ['75.5', 'kg', 75.5],
  ] as const)('%s', (typed, unit, kg) => expect(parseMass(typed, unit).value).toBeCloseTo(kg, 8))

  test('a bare number without a unit in use is ambiguous', () => {
    expect(message(() => parseMass('80'))).toMatch(/Body mass: .* Got “80”/)
  })

  test.each(['12 st 14 lb', '1000 lb', '8 kg', 'x'])('refuses %s', (typed) => {
    expect(message(() => parseMass(typed, 'kg'))).toMatch(/^Body mass: .* Got/)
  })
})

test('girths, in inches with fractions and in centimetres', () => {
  expect(parseGirth('12 3/4 in').value).toBeCloseTo(32.385, 9)
  expect(parseGirth('12 3/4').value).toBeCloseTo(32.385, 9)
  expect(parseGirth('32.4 cm').value).toBe(32.4)
  expect(parseGirth('34', 'in').value).toBeCloseTo(86.36, 9)
  expect(message(() => parseGirth('34', undefined, 'waist', 'Waist'))).toMatch(
    /^Waist: .* Got “34”/,
  )
})

test('folds, and inches with a warning that calipers read millimeters', () => {
  expect(told(parseFold('12,5'))).toMatchObject({ value: 12.5, unit: 'mm', warnings: [] })
  expect(told(parseFold('1/4"'))).toMatchObject({
    value: 6.35,
    warnings: [expect.stringMatching(/millimeters/)],
  })
  expect(message(() => parseFold('twelve', 'thigh', 'Thigh'))).toMatch(/^Thigh: .* Got “twelve”/)
})

describe('what was typed is given back, and reads as the same value again', () => {
  const quarters = (min: number, max: number) =>
    fc.integer({ min: min * 4, max: max * 4 }).map((n) => n / 4)

  test('lengths', () => {
    fc.assert(
      fc.property(
        quarters(110, 240),
        fc.constantFrom('cm', 'm', 'in', 'ft in' as const),
        (value, unit) => {
          const shown = formatAsTyped(value, unit)
          const again = parseHeight(shown)
          expect(again.unit).toBe(unit)
          expect(formatAsTyped(again.value, unit)).toBe(shown)
          expect(Math.abs(again.value - value)).toBeLessThanOrEqual(0.5)
        },
      ),
    )
  })

  test('masses', () => {
    fc.assert(
      fc.property(
        quarters(30, 300),
        fc.constantFrom('kg', 'lb', 'st lb' as const),
        (value, unit) => {
          const shown = formatAsTyped(value, unit)
          const again = parseMass(shown)
          expect(again.unit).toBe(unit)
          expect(formatAsTyped(again.value, unit)).toBe(shown)
        },
      ),
    )
  })

  test('no text whatever makes anything but a finite value or an InputError', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        for (const parse of [parseHeight, parseMass, parseGirth, parseFold]) {
          try {
            expect(Number.isFinite(parse(text as string).value)).toBe(true)
          } catch (error) {
            if (!(error instanceof InputError)) throw error
          }
        }
      }),
    )
  })

  test('unrounded numbers keep every digit', () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), (value) => {
        expect(Number(unrounded(value).replace('−', '-'))).toBe(value === 0 ? 0 : value)
      }),
    )
  })
})

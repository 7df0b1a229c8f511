import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  attempt,
  CM_PER_INCH,
  EQUATIONS,
  estimate,
  KG_PER_POUND,
  limitsOf,
  type Sex,
  type SiteId,
  type Subject,
  type Values,
} from '#core'

/*
 * Every published form written out a second time, as it is printed (from memory of the sources that the registry cites),
 * so that a slip in one of the two shows. S is the sum of the folds, g the girths in cm, h height in cm, m mass in kg.
 */
interface Given {
  S: number
  age: number
  h: number
  m: number
  v: Record<string, number>
}
type Form = (given: Given) => number

const log = Math.log10
const siri = (density: number) => 495 / density - 450
const inches = (cm: number) => cm / CM_PER_INCH
const pounds = (kg: number) => kg / KG_PER_POUND

/** The row of Durnin and Womersley for an age: c - m log10 S. */
function byAge(rows: [from: number, c: number, m: number][]): Form {
  return ({ S, age }) => {
    const [, c, m] = rows.findLast(([from]) => age >= from)!
    return siri(c - m * log(S))
  }
}

const FORMS: Record<string, Partial<Record<Sex, Form>>> = {
  'jackson-pollock-7': {
    male: ({ S, age }) => siri(1.112 - 0.00043499 * S + 0.00000055 * S ** 2 - 0.00028826 * age),
    female: ({ S, age }) => siri(1.097 - 0.00046971 * S + 0.00000056 * S ** 2 - 0.00012828 * age),
  },
  'jackson-pollock-3': {
    male: ({ S, age }) => siri(1.10938 - 0.0008267 * S + 0.0000016 * S ** 2 - 0.0002574 * age),
    female: ({ S, age }) => siri(1.0994921 - 0.0009929 * S + 0.0000023 * S ** 2 - 0.0001392 * age),
  },
  'jackson-pollock-3-upper': {
    male: ({ S, age }) => siri(1.1125025 - 0.0013125 * S + 0.0000055 * S ** 2 - 0.000244 * age),
    female: ({ S, age }) => siri(1.089733 - 0.0009245 * S + 0.0000025 * S ** 2 - 0.0000979 * age),
  },
  'jackson-pollock-4': {
    female: ({ S, age }) => siri(1.096095 - 0.0006952 * S + 0.0000011 * S ** 2 - 0.0000714 * age),
  },
  'jackson-pollock-4-direct': {
    male: ({ S, age }) => 0.29288 * S - 0.0005 * S ** 2 + 0.15845 * age - 5.76377,
    female: ({ S, age }) => 0.29669 * S - 0.00043 * S ** 2 + 0.02963 * age + 1.4072,
  },
  'jackson-pollock-3-direct': {
    male: ({ S, age }) => 0.39287 * S - 0.00105 * S ** 2 + 0.15772 * age - 5.18845,
    female: ({ S, age }) => 0.41563 * S - 0.00112 * S ** 2 + 0.03661 * age + 4.03653,
  },
  'durnin-womersley-4': {
    male: byAge([
      [17, 1.162, 0.063],
      [20, 1.1631, 0.0632],
      [30, 1.1422, 0.0544],
      [40, 1.162, 0.07],
      [50, 1.1715, 0.0779],
    ]),
    female: byAge([
      [16, 1.1549, 0.0678],
      [20, 1.1599, 0.0717],
      [30, 1.1423, 0.0632],
      [40, 1.1333, 0.0612],
      [50, 1.1339, 0.0645],
    ]),
  },
  'sloan-2': {
    male: ({ v }) => siri(1.1043 - 0.001327 * v.thigh! - 0.00131 * v.subscapular!),
    female: ({ v }) => siri(1.0764 - 0.00081 * v.suprailiac_sloan! - 0.00088 * v.triceps!),
  },
  'withers-7': { male: ({ S }) => siri(1.0988 - 0.0004 * S) },
  'withers-4': { female: ({ S }) => siri(1.17484 - 0.07229 * log(S)) },
  'carter-6': {
    male: ({ S }) => 0.1051 * S + 2.585,
    female: ({ S }) => 0.1548 * S + 3.58,
  },
  'faulkner-4': { male: ({ S }) => 0.153 * S + 5.783 },
  'evans-7': {
    male: ({ S }) => 10.566 + 0.12077 * S - 8.057,
    female: ({ S }) => 10.566 + 0.12077 * S,
  },
  'evans-3': {
    male: ({ S }) => 8.997 + 0.24658 * S - 6.343,
    female: ({ S }) => 8.997 + 0.24658 * S,
  },
  'slaughter-2-calf': {
    male: ({ S }) => 0.735 * S + 1,
    female: ({ S }) => 0.61 * S + 5.1,
  },
  'nine-site-ratio': {
    male: ({ S, m }) => (27 * S) / pounds(m),
    female: ({ S, m }) => 100 * (S / pounds(m)) * 0.27,
  },
  'hodgdon-beckett': {
    male: ({ v, h }) => siri(1.0324 - 0.19077 * log(v.abdomen! - v.neck!) + 0.15456 * log(h)),
    female: ({ v, h }) =>
      siri(1.29579 - 0.35004 * log(v.waist! + v.hip! - v.neck!) + 0.221 * log(h)),
  },
  'navy-inch': {
    male: ({ v, h }) => 86.01 * log(inches(v.abdomen! - v.neck!)) - 70.041 * log(inches(h)) + 36.76,
    female: ({ v, h }) =>
      163.205 * log(inches(v.waist! + v.hip! - v.neck!)) - 97.684 * log(inches(h)) - 78.387,
  },
  'army-one-site': {
    male: ({ v, m }) => -26.97 - 0.12 * pounds(m) + 1.99 * inches(v.abdomen!),
    female: ({ v, m }) => -9.15 - 0.015 * pounds(m) + 1.27 * inches(v.abdomen!),
  },
  'tran-weltman': {
    male: ({ v, m }) =>
      -47.371817 +
      0.57914807 * v.abdomen! +
      0.25189114 * v.hip! +
      0.21366088 * v.iliac! -
      0.35595404 * m,
    female: ({ v, h, age }) =>
      siri(
        1.168297 -
          0.002824 * v.abdomen! +
          0.0000122098 * v.abdomen! ** 2 -
          0.000733128 * v.hip! +
          0.000510477 * h -
          0.000216161 * age,
      ),
  },
  'tran-weltman-density': {
    male: ({ v, m }) =>
      siri(1.21142 + 0.00085 * m - 0.0005 * v.iliac! - 0.00061 * v.hip! - 0.00138 * v.abdomen!),
  },
  'weltman-obese': {
    male: ({ v, m }) => 0.31457 * v.abdomen! - 0.10969 * m + 10.8336,
    female: ({ v, h, m }) => 0.11077 * v.abdomen! - 0.17666 * h + 0.14354 * m + 51.03301,
  },
  'relative-fat-mass': {
    male: ({ v, h }) => 64 - (20 * h) / v.iliac!,
    female: ({ v, h }) => 76 - (20 * h) / v.iliac!,
  },
  'deurenberg-bmi': {
    male: ({ m, h, age }) => (1.2 * m) / (h / 100) ** 2 + 0.23 * age - 10.8 - 5.4,
    female: ({ m, h, age }) => (1.2 * m) / (h / 100) ** 2 + 0.23 * age - 5.4,
  },
}

describe('every registered form is its printed one', () => {
  const cases = EQUATIONS.flatMap(({ id, variants }) =>
    variants.map((variant) => ({ id, variant })),
  )

  test.each(cases)('$id, $variant.sex', ({ id, variant }) => {
    const printed = FORMS[id]![variant.sex]!
    const sites: SiteId[] = [...variant.folds, ...variant.girths]
    const soft = (site: SiteId) => {
      const { softLow, softHighMale } = limitsOf(site)
      return fc.double({ min: softLow, max: (softLow + softHighMale) / 2, noNaN: true })
    }
    let compared = 0
    fc.assert(
      fc.property(
        fc.record(Object.fromEntries(sites.map((site) => [site, soft(site)]))),
        fc.integer({
          min: variant.ages?.youngest ?? 18,
          max: Math.min(variant.ages?.oldest ?? 70, 90),
        }),
        fc.double({ min: 150, max: 200, noNaN: true }),
        fc.double({ min: 50, max: 130, noNaN: true }),
        (v, age, h, m) => {
          const subject: Subject = { sex: variant.sex, ageYears: age, heightCm: h, massKg: m }
          const result = attempt(() => estimate(id, subject, v as Values))
          if (!result.ok) return
          compared++
          const S = variant.folds.reduce((sum, site) => sum + v[site]!, 0)
          expect(result.value.fatPercent).toBeCloseTo(printed({ S, age, h, m, v }), 8)
        },
      ),
      { numRuns: 200 },
    )
    expect(compared).toBeGreaterThan(10)
  })

  test('and none is without one', () => {
    const registered = EQUATIONS.flatMap(({ id, variants }) =>
      variants.map(({ sex }) => `${id} ${sex}`),
    )
    const written = Object.entries(FORMS).flatMap(([id, by]) =>
      Object.keys(by).map((sex) => `${id} ${sex}`),
    )
    expect(registered.sort()).toEqual(written.sort())
  })
})

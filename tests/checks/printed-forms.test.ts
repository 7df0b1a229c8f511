import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  attempt,
  CM_PER_INCH,
  EQUATIONS,
  estimate,
  KG_PER_POUND,
  limitsOf,
  PUBERTY_STAGES,
  type Puberty,
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
  puberty: Puberty
}
type Form = (given: Given) => number

const log = Math.log10
const siri = (density: number) => 495 / density - 450
const bmi = (m: number, h: number) => m / (h / 100) ** 2
/** Fat % where so much of a mass is lean. */
const left = (m: number, lean: number) => 100 * (1 - lean / m)
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
  'ball-7': { male: ({ S, age }) => 0.465 + 0.18 * S - 0.0002406 * S ** 2 + 0.06619 * age },
  'ball-3-hip': {
    female: ({ S, v, age }) =>
      -6.40665 + 0.41946 * S - 0.00126 * S ** 2 + 0.12515 * v.hip! + 0.06473 * age,
  },
  'peterson-4': {
    male: ({ S, h, age }) => 20.94878 + 0.1166 * age - 0.11666 * h + 0.42696 * S - 0.00159 * S ** 2,
    female: ({ S, h, m, age }) =>
      22.18945 +
      0.06368 * age +
      0.60404 * bmi(m, h) -
      0.1452 * h +
      0.30919 * S -
      0.00099562 * S ** 2,
  },
  'withers-6': { male: ({ S, age }) => siri(1.10326 - 0.00031 * age - 0.00036 * S) },
  'withers-4-girths': {
    female: ({ S, age, v, h }) =>
      siri(
        1.14075 -
          0.04959 * log(S) +
          0.00044 * age -
          0.000612 * v.waist! +
          0.000284 * h -
          0.000505 * v.hip! +
          0.000331 * v.bust!,
      ),
  },
  'parizkova-10': {
    male: ({ S }) => 22.32 * log(S) - 29,
    female: ({ S }) => 39.572 * log(S) - 61.25,
  },
  'petroski-4': {
    male: ({ S, age }) =>
      siri(1.10726863 - 0.00081201 * S + 0.00000212 * S ** 2 - 0.00041761 * age),
    female: ({ S, age }) => siri(1.1954713 - 0.07513507 * log(S) - 0.00041072 * age),
  },
  'guedes-3': {
    male: ({ S }) => siri(1.17136 - 0.06706 * log(S)),
    female: ({ S }) => siri(1.1665 - 0.07063 * log(S)),
  },
  'wilmore-behnke-folds': {
    male: ({ v }) => siri(1.08543 - 0.000886 * v.abdominal! - 0.0004 * v.thigh!),
    female: ({ v }) =>
      siri(1.06234 - 0.00068 * v.subscapular! - 0.00039 * v.triceps! - 0.00025 * v.thigh!),
  },
  'wilmore-behnke-lean': {
    male: ({ v, m }) => left(m, 44.636 + 1.0817 * m - 0.7396 * v.abdomen!),
    female: ({ v, m }) =>
      left(m, 8.629 + 0.68 * m - 0.163 * v.subscapular! - 0.1 * v.triceps! - 0.054 * v.thigh!),
  },
  'katch-mcardle-3': {
    male: ({ v }) =>
      siri(1.09665 - 0.00103 * v.triceps! - 0.00056 * v.subscapular! - 0.00054 * v.abdominal!),
  },
  'katch-mcardle-2-elbow': {
    female: ({ v }) =>
      siri(
        1.09246 -
          0.00049 * v.subscapular! -
          0.00075 * v.suprailiac! +
          0.0071 * v.humerus! -
          0.00121 * v.thigh_girth!,
      ),
  },
  'yuhasz-6': { male: ({ S }) => 3.64 + 0.097 * S, female: ({ S }) => 4.56 + 0.143 * S },
  'durnin-rahaman-4': {
    male: ({ S }) => siri(1.161 - 0.0632 * log(S)),
    female: ({ S }) => siri(1.1581 - 0.072 * log(S)),
  },
  'durnin-rahaman-youth': {
    male: ({ S }) => siri(1.1533 - 0.0643 * log(S)),
    female: ({ S }) => siri(1.1369 - 0.0598 * log(S)),
  },
  'lean-waist': {
    male: ({ v, age }) => 0.567 * v.waist_midway! + 0.101 * age - 31.8,
    female: ({ v, age }) => 0.439 * v.waist_midway! + 0.221 * age - 9.4,
  },
  'lean-waist-triceps': {
    male: ({ v, age }) => 0.353 * v.waist_midway! + 0.756 * v.triceps! + 0.235 * age - 26.4,
    female: ({ v, age }) => 0.232 * v.waist_midway! + 0.657 * v.triceps! + 0.215 * age - 5.5,
  },
  'ymca-tape': {
    male: ({ v, m }) =>
      (100 * (-98.42 + 4.15 * inches(v.abdomen!) - 0.082 * pounds(m))) / pounds(m),
    female: ({ v, m }) =>
      (100 * (-76.76 + 4.15 * inches(v.abdomen!) - 0.082 * pounds(m))) / pounds(m),
  },
  'forsyth-sinning-4': {
    male: ({ v }) =>
      siri(
        1.10647 -
          0.00162 * v.subscapular! -
          0.00144 * v.abdominal! -
          0.00077 * v.triceps! +
          0.00071 * v.midaxillary!,
      ),
  },
  'forsyth-sinning-2': {
    male: ({ v }) => siri(1.103 - 0.00168 * v.subscapular! - 0.00127 * v.abdominal!),
  },
  'stewart-hannan-2': {
    male: ({ v, m }) =>
      (100 * (331.5 * v.abdominal! + 356.2 * v.front_thigh! + 111.9 * m - 9108)) / (1000 * m),
  },
  'thorland-7': {
    male: ({ S }) => siri(1.1091 - 0.00052 * S + 0.00000032 * S ** 2),
    female: ({ S }) => siri(1.1046 - 0.00059 * S + 0.0000006 * S ** 2),
  },
  'thorland-3': {
    male: ({ S }) => siri(1.1136 - 0.00154 * S + 0.00000516 * S ** 2),
    female: ({ S }) => siri(1.0987 - 0.00122 * S + 0.00000263 * S ** 2),
  },
  'lohman-wrestlers': { male: ({ S }) => siri(1.0982 - 0.000815 * S + 0.00000084 * S ** 2) },
  'reilly-4': {
    male: ({ v }) =>
      5.174 +
      0.124 * v.front_thigh! +
      0.147 * v.abdominal! +
      0.196 * v.triceps! +
      0.13 * v.medial_calf!,
  },
  'visser-2': {
    male: ({ S }) => siri(0.0186 - 0.03 * log(S) + 1.0481),
    female: ({ S }) => siri(-0.03 * log(S) + 1.0481),
  },
  'boileau-2': {
    male: ({ S }) => 1.35 * S - 0.012 * S ** 2 - 4.4,
    female: ({ S }) => 1.35 * S - 0.012 * S ** 2 - 2.4,
  },
  'slaughter-2': {
    male: ({ S, puberty }) =>
      S <= 35
        ? 1.21 * S - 0.008 * S ** 2 - { before: 1.7, in: 3.4, after: 5.5 }[puberty]
        : 0.783 * S + 1.6,
    female: ({ S }) => (S <= 35 ? 1.33 * S - 0.013 * S ** 2 - 2.5 : 0.546 * S + 9.7),
  },
  'deurenberg-bmi-youth': {
    male: ({ m, h, age }) => 1.51 * bmi(m, h) - 0.7 * age - 3.6 + 1.4,
    female: ({ m, h, age }) => 1.51 * bmi(m, h) - 0.7 * age + 1.4,
  },
  'deurenberg-4-youth': {
    male: ({ S, age, puberty }) =>
      siri(
        {
          before: 1.1133 - 0.0561 * log(S) + 0.0017 * age,
          in: 1.0555 - 0.0352 * log(S) + 0.0038 * age,
          after: 1.1324 - 0.0429 * log(S),
        }[puberty],
      ),
    female: ({ S, age, puberty }) =>
      siri(
        {
          before: 1.1187 - 0.063 * log(S) + 0.0019 * age,
          in: 1.1074 - 0.0504 * log(S) + 0.0016 * age,
          after: 1.183 - 0.0813 * log(S),
        }[puberty],
      ),
  },
  'brook-4': {
    male: ({ S }) => siri(1.169 - 0.0788 * log(S)),
    female: ({ S }) => siri(1.2063 - 0.0999 * log(S)),
  },
  'gallagher-bmi': {
    male: ({ m, h, age }) =>
      64.5 - 848 / bmi(m, h) + 0.079 * age - 16.4 + 0.05 * age + 39 / bmi(m, h),
    female: ({ m, h, age }) => 64.5 - 848 / bmi(m, h) + 0.079 * age,
  },
  'gomez-ambrosi-bmi': {
    male: ({ m, h, age }) => {
      const b = bmi(m, h)
      return (
        -44.988 + 0.503 * age + 3.172 * b - 0.026 * b ** 2 - 0.02 * b * age + 0.00021 * b ** 2 * age
      )
    },
    female: ({ m, h, age }) => {
      const b = bmi(m, h)
      return (
        -44.988 +
        0.503 * age +
        10.689 +
        3.172 * b -
        0.026 * b ** 2 +
        0.181 * b -
        0.02 * b * age -
        0.005 * b ** 2 +
        0.00021 * b ** 2 * age
      )
    },
  },
  'adiposity-index': {
    male: ({ v, h }) => v.hip! / (h / 100) ** 1.5 - 18,
    female: ({ v, h }) => v.hip! / (h / 100) ** 1.5 - 18,
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
        fc.constantFrom(...PUBERTY_STAGES),
        (v, age, h, m, puberty) => {
          const body = { ageYears: age, heightCm: h, massKg: m }
          const subject: Subject = { sex: variant.sex, ...body, puberty }
          const result = attempt(() => estimate(id, subject, v as Values))
          if (!result.ok) return
          compared++
          const S = variant.folds.reduce((sum, site) => sum + v[site]!, 0)
          expect(result.value.fatPercent).toBeCloseTo(printed({ S, age, h, m, v, puberty }), 8)
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

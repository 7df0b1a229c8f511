import { randomLcg, randomNormal } from 'd3-random'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  attempt,
  bodyRoundness,
  bodyShapeIndex,
  BONE_IDS,
  chartDistance,
  chartPoint,
  conicityIndex,
  correctedGirth,
  FIVE_WAY_MEASURES,
  fiveWayMasses,
  FOUR_WAY_MEASURES,
  fourWayMasses,
  limitsOf,
  measuredSomatotype,
  MUSCLE_EQUATIONS,
  MATIEGKA_MEASURES,
  matiegkaMasses,
  muscleFigure,
  type GroupTerm,
  PHANTOM,
  PHANTOM_HEIGHT_CM,
  phantomScore,
  profileOf,
  PROTOCOLS,
  sitesOf,
  SOMATOTYPE_MEASURES,
  somatotypeDistance,
  somatotypeMove,
  somatotypeName,
  somatotypeOf,
  waistToHeightLimited,
  type Measure,
  type Measures,
  type Somatotype,
} from '#core'
import { tell } from '../support/words'

/** The measures of a whole profile, of nobody: numbers that are easy to work with. */
const MAN: Measures = {
  ...{ height: 180, mass: 80, triceps: 8, subscapular: 9, supraspinale: 7, medial_calf: 6 },
  ...{ abdominal: 12, front_thigh: 10, upper_arm_flexed: 34, upper_arm_relaxed: 33 },
  ...{ calf_girth: 38, humerus: 7.2, femur: 9.9, mid_thigh_girth: 56, forearm: 28, wrist: 17 },
  ...{ chest_girth: 98, waist: 80, thigh_girth: 58, ankle: 23, head: 57, sitting_height: 94 },
  ...{ biacromial: 40, biiliocristal: 28, chest_breadth: 29, chest_depth: 19, wrist_breadth: 5.8 },
  ...{ biceps: 4, inner_forearm: 5, tenth_rib: 8, ankle_breadth: 7.3 },
}

/** The phantom itself: what it measures is what its own values are. */
const PHANTOM_ITSELF: Measures = {
  ...Object.fromEntries(Object.entries(PHANTOM).map(([id, known]) => [id, known!.mean])),
  height: PHANTOM_HEIGHT_CM,
}

describe('the somatotype of Heath and Carter', () => {
  test('is what the printed forms give, worked out by hand', () => {
    /*
     * x = (8 + 9 + 7) 170.18 / 180 = 22.6907: -0.7182 + 0.1451 x - 0.00068 x^2 + 0.0000014 x^3 = 2.2405.
     * 0.858 7.2 + 0.601 9.9 + 0.188 (34 - 0.8) + 0.161 (38 - 0.6) - 0.131 180 + 4.5 = 5.3105.
     * 180 / 80^(1/3) = 41.7743: 0.732 41.7743 - 28.58 = 1.9988.
     */
    const type = somatotypeOf(MAN)
    expect(type.endomorphy).toBeCloseTo(2.2405, 4)
    expect(type.mesomorphy).toBeCloseTo(5.3105, 4)
    expect(type.ectomorphy).toBeCloseTo(1.9988, 4)
    // x = 1.9988 - 2.2405, y = 2 x 5.3105 - (2.2405 + 1.9988).
    expect(chartPoint(type).x).toBeCloseTo(-0.2417, 4)
    expect(chartPoint(type).y).toBeCloseTo(6.38175, 4)
    // 180 / 95^(1/3) = 39.4484: 0.463 39.4484 - 17.63 = 0.6346; 180 / 110^(1/3) = 37.567, under 38.25.
    expect(somatotypeOf({ ...MAN, mass: 95 }).ectomorphy).toBeCloseTo(0.6346, 3)
    expect(somatotypeOf({ ...MAN, mass: 110 }).ectomorphy).toBe(0.1)
  })

  test('distances: along one component, and on the chart', () => {
    const of = (endomorphy: number, mesomorphy: number, ectomorphy: number): Somatotype => ({
      ...{ endomorphy, mesomorphy, ectomorphy },
    })
    expect(somatotypeDistance(of(2, 5, 3), of(2, 5, 3))).toBe(0)
    expect(somatotypeDistance(of(2, 5, 3), of(4, 4, 1))).toBe(3)
    // Points (1, 5) and (-3, 3): sqrt(3 16 + 4).
    expect(chartDistance(of(2, 5, 3), of(4, 4, 1))).toBeCloseTo(Math.sqrt(52), 12)
  })

  test.each([
    [[3, 3, 2.5], 'central'],
    [[5, 2, 2], 'balanced endomorph'],
    [[5, 3.5, 1], 'mesomorphic endomorph'],
    [[4, 4.3, 1], 'mesomorph-endomorph'],
    [[3, 5, 1], 'endomorphic mesomorph'],
    [[2, 5, 2.3], 'balanced mesomorph'],
    [[1, 5, 3], 'ectomorphic mesomorph'],
    [[1, 4, 4], 'mesomorph-ectomorph'],
    [[1, 3, 5], 'mesomorphic ectomorph'],
    [[2, 2, 5], 'balanced ectomorph'],
    [[3, 1, 5], 'endomorphic ectomorph'],
    [[4, 1, 4], 'endomorph-ectomorph'],
    [[5, 1, 3], 'ectomorphic endomorph'],
  ] as const)('%j is called %s', ([endomorphy, mesomorphy, ectomorphy], name) => {
    expect(tell(somatotypeName({ endomorphy, mesomorphy, ectomorphy }))).toBe(name)
  })

  test('what the measuring leaves open is what 4,000 repeats scatter by', () => {
    const errors: Measures = {
      ...{ triceps: 0.5, subscapular: 0.6, supraspinale: 0.6, medial_calf: 0.5, height: 0.3 },
      ...{ mass: 0.5, humerus: 0.06, femur: 0.07, upper_arm_flexed: 0.3, calf_girth: 0.2 },
    }
    const { is, errors: open, point, pointErrors } = measuredSomatotype(MAN, errors)
    const normal = randomNormal.source(randomLcg(0.7))()
    const draws = Array.from({ length: 4000 }, () =>
      somatotypeOf({
        ...MAN,
        ...Object.fromEntries(
          (Object.entries(errors) as [Measure, number][]).map(([id, sd]) => [
            id,
            MAN[id]! + sd * normal(),
          ]),
        ),
      }),
    )
    const sdOf = (value: (type: Somatotype) => number, about: number) =>
      Math.sqrt(draws.reduce((sum, one) => sum + (value(one) - about) ** 2, 0) / draws.length)
    for (const component of ['endomorphy', 'mesomorphy', 'ectomorphy'] as const)
      expect(sdOf((type) => type[component], is[component]) / open[component]).toBeCloseTo(1, 1)
    expect(sdOf((type) => chartPoint(type).x, point.x) / pointErrors.x).toBeCloseTo(1, 1)
    expect(sdOf((type) => chartPoint(type).y, point.y) / pointErrors.y).toBeCloseTo(1, 1)
  })

  test('a move is clear where it is more than the measuring of two days explains', () => {
    const errors: Measures = { triceps: 0.5, subscapular: 0.6, supraspinale: 0.6, humerus: 0.06 }
    const at = (measures: Measures) => measuredSomatotype({ ...MAN, ...measures }, errors)
    const none = somatotypeMove(at({}), at({ triceps: 8.4 }))
    expect(none.clear).toEqual([])
    const fatter = somatotypeMove(at({}), at({ triceps: 11, subscapular: 12, supraspinale: 10 }))
    expect(fatter.clear).toEqual(['endomorphy'])
    expect(fatter.by.endomorphy).toBeCloseTo(0.949, 3)
    expect(fatter.errors.endomorphy).toBeCloseTo(
      Math.hypot(
        at({}).errors.endomorphy,
        at({ triceps: 11, subscapular: 12, supraspinale: 10 }).errors.endomorphy,
      ),
      12,
    )
  })
})

describe('the phantom', () => {
  test('scores: a fold by the height, a mass by its cube', () => {
    // (10 x 170.18 / 180 - 15.4) / 4.47 and (80 (170.18 / 180)^3 - 64.58) / 8.6.
    expect(phantomScore('triceps', 10, 180)).toBeCloseTo(-1.3301, 4)
    expect(phantomScore('mass', 80, 180)).toBeCloseTo(0.3521, 4)
    expect(phantomScore('own_fold_calf', 10, 180)).toBeUndefined()
    for (const { z } of profileOf({ sex: 'male', measures: PHANTOM_ITSELF, errors: {} }).phantom)
      expect(z).toBeCloseTo(0, 12)
  })

  test('its corrected girths and sums are what its own single values make', () => {
    const p = (id: keyof typeof PHANTOM) => PHANTOM[id]!.mean
    const less = (girth: keyof typeof PHANTOM, fold: keyof typeof PHANTOM) =>
      correctedGirth(p(girth), p(fold))
    const [arm, chest] = [less('upper_arm_relaxed', 'triceps'), less('chest_girth', 'subscapular')]
    const [thigh, calf] = [less('thigh_girth', 'front_thigh'), less('calf_girth', 'medial_calf')]
    expect(arm).toBeCloseTo(22.05, 1)
    expect(chest).toBeCloseTo(82.46, 1)
    expect(thigh).toBeCloseTo(47.34, 1)
    expect(calf).toBeCloseTo(30.22, 1)
    expect(arm + p('forearm') + chest + thigh + calf).toBeCloseTo(207.21, 1)
    expect(p('biacromial') + p('biiliocristal') + 2 * p('humerus') + 2 * p('femur')).toBeCloseTo(
      98.88,
      2,
    )
    expect(p('chest_depth') + p('chest_breadth') + less('waist', 'abdominal')).toBeCloseTo(
      109.35,
      1,
    )
  })
})

describe('masses of the parts', () => {
  test('the phantom’s are the schools’ own, and add up to its mass', () => {
    const four = fourWayMasses(PHANTOM_ITSELF)
    expect(four.parts.fat).toBeCloseTo(12.13, 6)
    expect(four.parts.rest).toBeCloseTo(16.41, 6)
    expect(four.parts.bone).toBeCloseTo(10.49, 6)
    // By girths less folds that are rounded in print.
    expect(four.parts.muscle).toBeCloseTo(25.55, 1)
    expect(four.sum).toBeCloseTo(64.58, 1)
    const five = fiveWayMasses(PHANTOM_ITSELF, 'male')
    expect(five.parts.adipose).toBeCloseTo(25.6, 1)
    expect(five.parts.muscle).toBeCloseTo(24.5, 1)
    expect(five.parts.bone).toBeCloseTo(6.7 + 1.2, 2)
    expect(five.parts.rest).toBeCloseTo(6.1, 1)
    // 68.308 x 64.58^0.425 x 170.18^0.725 cm² x 0.207 cm x 1.05 g/cm³.
    expect(five.parts.skin).toBeCloseTo(3.6169, 3)
  })

  test('Matiegka’s are what his forms give, worked out by hand', () => {
    /*
     * Muscle: girths less pi folds 32.7434, 26.4292, 52.8584 and 36.1150, a mean radius of 5.89454: 6.5 r^2 180 g.
     * Bone: a mean breadth of 7.55: 1.2 b^2 180 g. Skin and fat: half the mean fold is 3.75 mm, over
     * 71.84 80^0.425 180^0.725 = 19964.2 cm²: 0.13 times both. The rest: 0.206 80.
     */
    const { parts, sum } = matiegkaMasses(MAN)
    expect(parts.muscle).toBeCloseTo(40.6524, 3)
    expect(parts.bone).toBeCloseTo(12.3125, 3)
    expect(parts.skinFat).toBeCloseTo(9.7326, 3)
    expect(parts.rest).toBeCloseTo(16.48, 6)
    expect(sum).toBeCloseTo(79.1775, 3)
  })

  test('say how far their sum is from the scale, and which measure is missing', () => {
    for (const made of [fourWayMasses(MAN), fiveWayMasses(MAN, 'male'), matiegkaMasses(MAN)]) {
      const sum = Object.values<number>(made.parts).reduce((a, b) => a + b, 0)
      expect(made.sum).toBeCloseTo(sum, 12)
      expect(made.off).toBeCloseTo(sum - 80, 12)
      expect(made.offPercent).toBeCloseTo((100 * (sum - 80)) / 80, 12)
      expect(Math.abs(made.offPercent)).toBeLessThan(10)
    }
    for (const [work, wanted] of [
      [fourWayMasses, FOUR_WAY_MEASURES],
      [(of: Measures) => fiveWayMasses(of, 'female'), FIVE_WAY_MEASURES],
      [matiegkaMasses, MATIEGKA_MEASURES],
      [somatotypeOf, SOMATOTYPE_MEASURES],
    ] as const)
      for (const id of wanted) {
        const made = attempt(() => work({ ...MAN, [id]: undefined }) as unknown)
        expect(made.ok ? 'made' : [made.error.input, made.error.problem]).toEqual([id, 'missing'])
      }
  })
})

describe('muscle and bone', () => {
  /*
   * Girths less folds: 33 - 0.8 pi = 30.4867; 56 - pi = 52.8584; 38 - 0.6 pi = 36.1150.
   * Lee: 1.8 (0.00744 30.4867^2 + 0.00088 52.8584^2 + 0.00441 36.1150^2) + 2.4 - 0.048 30 + 7.8;
   * 0.244 80 + 7.8 1.8 + 6.6 - 0.098 30 - 3.3. Martin: 180 (0.0553 52.8584^2 + 0.0987 28^2 + 0.0331 36.1150^2) - 2445 g.
   * Arm: 30.4867^2 / 4 pi - 10. Thigh: 4.68 56 - 2.09 10 - 80.99. Rocha: 3.02 (1.8^2 0.058 0.099 400)^0.712.
   * Doupe: 180 (0.031 52.8584^2 + 0.064 36.1150^2 + 0.089 30.4867^2) - 3006 g. Würch: 0.241 80.
   */
  test.each([
    ['lee-limbs', 35.9863],
    ['lee-mass', 33.92],
    ['martin', 47.0661],
    ['arm-muscle', 63.9625],
    ['thigh-muscle', 160.19],
    ['rocha-bone', 12.6077],
    ['doupe', 42.4997],
    ['wurch-rest', 19.28],
  ])('%s, worked out by hand', (id, value) => {
    const equation = MUSCLE_EQUATIONS.find((one) => one.id === id)!
    expect(muscleFigure(equation, MAN, { sex: 'male', ageYears: 30 })).toBeCloseTo(value, 3)
  })

  test('Lee’s terms for groups are in it only where they are set, and are told apart', () => {
    // Lee 2000, from memory: -2.0 and 1.1 with girths, -1.2 and 1.4 without.
    const of = (groupTerm?: GroupTerm) => {
      const inputs = { sex: 'male', ageYears: 30, groupTerm, measures: MAN, errors: {} } as const
      const { figures } = profileOf(inputs)
      return new Map(figures.map((one) => [one.equation.id, one]))
    }
    const off = of()
    for (const [group, byLimbs, byMass] of [
      ['asian', -2, -1.2],
      ['black', 1.1, 1.4],
    ] as const) {
      const on = of(group)
      const moved = [...on].flatMap(([id, { value, groupTerm }]) => {
        expect(value - off.get(id)!.value).toBeCloseTo(groupTerm, 9)
        return groupTerm === 0 ? [] : [[id, groupTerm]]
      })
      expect(moved).toEqual([
        ['lee-limbs', byLimbs],
        ['lee-mass', byMass],
      ])
    }
  })

  test('of a boy of 12, worked out by hand, and of no grown man', () => {
    const equation = MUSCLE_EQUATIONS.find(({ id }) => id === 'poortmans')!
    const boy: Measures = {
      ...{ height: 150, upper_arm_relaxed: 24, triceps: 10, mid_thigh_girth: 46, front_thigh: 15 },
      ...{ calf_girth: 31, medial_calf: 11 },
    }
    // 1.5 (0.0064 (24 - pi)^2 + 0.0032 (46 - 1.5 pi)^2 + 0.0015 (31 - 1.1 pi)^2) + 2.56 + 0.136 12.
    expect(muscleFigure(equation, boy, { sex: 'male', ageYears: 12 })).toBeCloseTo(18.2581, 3)
    const of = (ageYears?: number) =>
      attempt(() => muscleFigure(equation, boy, { sex: 'male', ageYears }))
    for (const age of [30, undefined]) expect(of(age)).toMatchObject({ ok: false })
    const martin = MUSCLE_EQUATIONS.find(({ id }) => id === 'martin')!
    expect(attempt(() => muscleFigure(martin, MAN, { sex: 'female' }))).toMatchObject({
      error: { input: 'sex', problem: 'outside-domain' },
    })
  })

  test('shape, worked out by hand', () => {
    const man = { ...MAN, waist: 85 }
    // 0.85 / (24.6914^(2/3) sqrt 1.8); 364.2 - 365.5 sqrt(1 - (0.85 / 2 pi)^2 / 0.9^2); 0.85 / (0.109 sqrt(80 / 1.8)).
    expect(bodyShapeIndex(man, 'waist')).toBeCloseTo(0.074717, 6)
    expect(bodyRoundness(man, 'waist')).toBeCloseTo(2.85264, 4)
    expect(conicityIndex(man, 'waist')).toBeCloseTo(1.16972, 4)
    expect(waistToHeightLimited(man, 'waist')).toBeCloseTo(85 / 180, 12)
    // 114 kg at 180 cm is a BMI of 35.2.
    expect(waistToHeightLimited({ ...man, mass: 114 }, 'waist')).toBeUndefined()
  })
})

describe('a whole profile', () => {
  test('says what is there, and what one measure more would give, nearest first', () => {
    const errors = Object.fromEntries(Object.keys(MAN).map((id) => [id, 0.1])) as Measures
    const whole = profileOf({ sex: 'male', ageYears: 30, measures: MAN, errors })
    expect(whole.wanting).toEqual([])
    expect(whole.figures.map(({ equation }) => equation.id)).toEqual([
      ...['lee-limbs', 'lee-mass', 'martin', 'doupe', 'arm-muscle', 'thigh-muscle', 'rocha-bone'],
      'wurch-rest',
    ])
    for (const { measuring } of whole.figures) expect(measuring).toBeGreaterThan(0)
    for (const error of Object.values(whole.fourWay!.errors)) expect(error).toBeGreaterThan(0)
    const without = profileOf({
      ...{ sex: 'male', ageYears: 30, errors },
      measures: { ...MAN, femur: undefined, head: undefined },
    })
    expect(without.somatotype).toBeUndefined()
    expect(without.wanting.map(({ what, missing }) => [tell(what), missing])).toEqual([
      ['Somatotype', ['femur']],
      ['Four masses (Drinkwater and Ross)', ['femur']],
      ['Four masses (Matiegka)', ['femur']],
      ['Bone (Rocha)', ['femur']],
      ['Five masses (Kerr)', ['head', 'femur']],
    ])
  })

  test('no measures whatever make NaN or throw', () => {
    const ids = Object.keys(MAN) as Measure[]
    const anything = fc.oneof(fc.double(), fc.constant(undefined), fc.double({ min: 1, max: 200 }))
    fc.assert(
      fc.property(
        fc.array(anything, { minLength: ids.length, maxLength: ids.length }),
        (values) => {
          const measures = Object.fromEntries(ids.map((id, i) => [id, values[i]])) as Measures
          const made = profileOf({ sex: 'female', ageYears: 20, measures, errors: { height: 0.3 } })
          for (const { value } of made.figures) expect(Number.isFinite(value)).toBe(true)
          for (const { value } of made.shape) expect(Number.isFinite(value)).toBe(true)
        },
      ),
      { numRuns: 300 },
    )
  })

  test('the two profiles are of 17 measures and of some 40, with landmarks, limits and 1 % for bones', () => {
    const of = (id: string) => PROTOCOLS.find((one) => one.id === id)!
    const count = (id: string) => sitesOf(of(id), 'male').length + of(id).wants.length
    expect(count('restricted-profile')).toBe(17)
    expect(count('full-profile')).toBe(44)
    for (const id of ['restricted-profile', 'full-profile']) {
      expect(of(id).foldTrials.tolerance).toMatchObject({ kind: 'percent', value: 5 })
      expect(of(id).girthTrials.tolerance).toEqual({ kind: 'percent', value: 1 })
    }
    for (const id of BONE_IDS) {
      const { hardLow, softLow, softHighMale, hardHigh } = limitsOf(id)
      expect(hardLow < softLow && softLow < softHighMale && softHighMale < hardHigh, id).toBe(true)
    }
    const wants = [
      ...[...SOMATOTYPE_MEASURES, ...FOUR_WAY_MEASURES, ...FIVE_WAY_MEASURES, ...MATIEGKA_MEASURES],
    ]
    const taken = new Set<string>([...sitesOf(of('full-profile'), 'female'), 'height', 'mass'])
    expect(wants.filter((id) => !taken.has(id))).toEqual([])
    const restricted = new Set<string>([...sitesOf(of('restricted-profile'), 'male')])
    expect(
      SOMATOTYPE_MEASURES.filter((id) => id !== 'height' && id !== 'mass' && !restricted.has(id)),
    ).toEqual([])
  })
})

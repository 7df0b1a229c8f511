import { refusalOf } from '../support/words'
import { expect, test } from 'vitest'
import {
  energyPlan,
  FAT_KCAL_PER_KG,
  FAT_SUPPLY_KCAL,
  KG_PER_POUND,
  LEAN_KCAL_PER_KG,
  gramsOf,
  nutrientPlan,
  readLabel,
  RESTING_FORMS,
  STATIC_KCAL_PER_KG,
  type StartingPoint,
} from '#core'

const KJ_PER_KCAL = 4.184
const body = (more: Partial<StartingPoint>): StartingPoint => ({
  ...{ sex: 'male', ageYears: 30, heightCm: 180, fatKg: 16, leanKg: 64, standardError: null },
  ...more,
})

test('resting need by the printed forms', () => {
  // Cunningham 1991 Am J Clin Nutr 54:963-969 and 1980 Am J Clin Nutr 33:2372-2374 (coefficients from memory).
  expect(RESTING_FORMS.lean.kcal(body({}))).toBeCloseTo(370 + 21.6 * 64, 9)
  expect(RESTING_FORMS.athlete.kcal(body({}))).toBeCloseTo(500 + 22 * 64, 9)
  // Mifflin et al. 1990 Am J Clin Nutr 51:241-247 (from memory): 10 kg + 6.25 cm - 5 age + 5 or - 161.
  expect(RESTING_FORMS.mass.kcal(body({}))).toBe(800 + 1125 - 150 + 5)
  expect(RESTING_FORMS.mass.kcal(body({ sex: 'female' }))).toBe(800 + 1125 - 150 - 161)
  // ten Haaf, Weijs 2014 PLoS One 9:e108460; Roza, Shizgal 1984 Am J Clin Nutr 40:168-182 (from memory); 80 kg, 180 cm, 30 years:
  // 954.88 + 1057.9104 - 243.87 + 191.027 + 29.279; 88.362 + 1071.76 + 863.82 - 170.31; 447.593 + 739.76 + 557.64 - 129.9.
  expect(RESTING_FORMS.recreational.kcal(body({}))).toBeCloseTo(1989.2264, 4)
  expect(RESTING_FORMS.recreational.kcal(body({ sex: 'female' }))).toBeCloseTo(1798.1994, 4)
  expect(RESTING_FORMS['mass-1984'].kcal(body({}))).toBeCloseTo(1853.632, 3)
  expect(RESTING_FORMS['mass-1984'].kcal(body({ sex: 'female' }))).toBeCloseTo(1615.093, 3)
})

test('energy densities and the ceiling in kJ, as their papers have them', () => {
  // Hall 2008 Int J Obes 32:573-576: 39.5 and 7.6 MJ/kg; Alpert 2005 J Theor Biol 233:1-13: 290 kJ/kg a day (from memory).
  expect(FAT_KCAL_PER_KG * KJ_PER_KCAL).toBeCloseTo(39_500, -1)
  expect(LEAN_KCAL_PER_KG * KJ_PER_KCAL).toBeCloseTo(7600, -1)
  expect(FAT_SUPPLY_KCAL * KJ_PER_KCAL).toBeCloseTo(290, 0)
})

test('1 lb and 2 lb a week by the static rule are 500 and 1000 kcal a day (common practice, no source)', () => {
  const deficit = (pounds: number) =>
    energyPlan(body({ fatKg: 40, leanKg: 70 }), {
      ...{ form: 'lean', activity: 1.55, paceKg: pounds * KG_PER_POUND },
    }).deficitKcal
  expect(deficit(1)).toBeCloseTo(500, 9)
  expect(deficit(2)).toBeCloseTo(1000, 9)
  expect(STATIC_KCAL_PER_KG).toBeCloseTo(7716, 0)
})

/* Worked values of the trade: common practice, no source. */
test.each([
  [12, 250, 43],
  [5, 120, 37.5],
  [23, 440, 47],
])('label: %s g of fat of %s kcal are %s %% of its energy', (fatG, kcal, percent) => {
  const { lines } = readLabel({ fatG, carbohydrateG: 0, proteinG: 0, kcal })
  expect(lines[0]!.ofEnergy).toBeCloseTo(percent, percent % 1 ? 9 : 0)
})

test('label: 25 g of protein and 34 g of carbohydrate of 440 kcal are 23 % and 31 %', () => {
  const label = { fatG: 23, carbohydrateG: 34, proteinG: 25, kcal: 440, servings: 2 }
  const { lines, kcalPackage, notes } = readLabel(label)
  const share = (part: string) => Math.round(lines.find((l) => l.part === part)!.ofEnergy)
  expect([share('protein'), share('carbohydrate')]).toEqual([23, 31])
  expect(kcalPackage).toBe(880)
  expect(notes).toEqual([])
  // The per cent of the daily value is another number: 34 g of the 275 g meant for a day.
  expect(lines.find((l) => l.part === 'carbohydrate')!.ofDailyValue).toBeCloseTo(12.4, 1)
})

test('60 % of 2000 kcal from carbohydrate is 300 g; 20 and 35 % from fat are 44 and 78 g', () => {
  const carbohydrate = nutrientPlan(2000, { proteinG: 50, carbohydrateG: 300 })
  expect(carbohydrate.parts.carbohydrate.percent).toBeCloseTo(60, 9)
  for (const [share, grams] of [
    [0.2, 44],
    [0.35, 78],
  ] as const) {
    const { parts } = nutrientPlan(2000, { proteinG: 100, fatShare: share })
    expect(Math.round(parts.fat.grams)).toBe(grams)
  }
})

test('0.8, 1.2 and 1.7 g of protein a kg at 90 kg are 288, 432 and 612 kcal', () => {
  const kcal = [0.8, 1.2, 1.7].map((perKg) =>
    Math.round(nutrientPlan(2500, { proteinG: perKg * 90 }).parts.protein.kcal),
  )
  expect(kcal).toEqual([288, 432, 612])
})

/* Common practice, no source: 180 lb at 15 % fat and 2400 kcal a day. */
test('nutrients of any energy by body mass, by lean mass and by its share', () => {
  const base = { kcal: 2400, massKg: 81.65, leanKg: 69.4 }
  expect(gramsOf('protein', { value: 2, by: 'perKg' }, base)).toBeCloseTo(163.3, 9)
  expect(gramsOf('protein', { value: 2.3, by: 'perLeanKg' }, base)).toBeCloseTo(159.62, 9)
  // 40, 30 and 30 % of 2400 kcal: 240 g, 180 g and 80 g.
  expect(gramsOf('carbohydrate', { value: 40, by: 'percent' }, base)).toBeCloseTo(240, 9)
  expect(gramsOf('protein', { value: 30, by: 'percent' }, base)).toBeCloseTo(180, 9)
  expect(gramsOf('fat', { value: 30, by: 'percent' }, base)).toBeCloseTo(80, 9)
  expect(gramsOf('carbohydrate', { value: 250, by: 'grams' }, { kcal: 2400 })).toBe(250)
  const { parts, conflicts } = nutrientPlan(2400, {
    ...{ proteinG: 180, carbohydrateG: 240, fatShare: 0.3 },
  })
  expect(parts.fat.grams).toBeCloseTo(80, 9)
  expect(conflicts).toEqual([])
  expect(refusalOf(() => gramsOf('protein', { value: 2, by: 'perKg' }, { kcal: 2400 }))).toMatch(
    /^Body mass: enter a mass/,
  )
  expect(refusalOf(() => gramsOf('fat', { value: 120, by: 'percent' }, base))).toMatch(
    /^Fat: enter .*100% of energy\. Got/,
  )
})

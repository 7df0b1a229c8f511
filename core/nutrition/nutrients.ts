import { COMMON_PRACTICE } from '../units/said'
import { type Message, say, type Words } from '../say'
import { inputError } from '../errors'
import { KCAL_PER_GRAM } from '../planning/energy'

export type Nutrient = 'protein' | 'carbohydrate' | 'fat'
export const NUTRIENTS: readonly Nutrient[] = ['protein', 'carbohydrate', 'fat']

/** What a kind of training asks for. */
export interface TrainingTargets {
  id: string
  name: Message
  /** g per kg of body mass a day, lowest and highest. */
  proteinPerKg: [number, number]
  /** g per kg of lean mass a day, where that is the better measure. */
  proteinPerLeanKg?: [number, number]
  carbohydratePerKg: [number, number]
  source: Words
}

export const TRAINING_TARGETS: readonly TrainingTargets[] = [
  {
    ...{ id: 'none', name: say('nutrition.littleTraining'), proteinPerKg: [0.8, 1.2] },
    ...{ carbohydratePerKg: [3, 5], source: COMMON_PRACTICE },
  },
  {
    ...{ id: 'strength', name: say('nutrition.strength'), proteinPerKg: [1.6, 2.2] },
    ...{ carbohydratePerKg: [3, 5], source: COMMON_PRACTICE },
  },
  {
    ...{ id: 'endurance', name: say('nutrition.endurance'), proteinPerKg: [1.2, 2] },
    carbohydratePerKg: [5, 10],
    source:
      'Academy of Nutrition and Dietetics, Dietitians of Canada, American College of Sports Medicine, Med Sci Sports Exerc 2016;48:543-568 (from memory)',
  },
  {
    ...{ id: 'lean', name: say('nutrition.gettingLeanWhileTraining'), proteinPerKg: [1.8, 2.7] },
    ...{ proteinPerLeanKg: [2.3, 3.1], carbohydratePerKg: [2, 4] },
    source: 'Helms ER et al., Int J Sport Nutr Exerc Metab 2014;24:127-138 (from memory)',
  },
]

/** Fat is not planned under this share of energy. Common practice, no source. */
export const LEAST_FAT_SHARE = 0.2

/** What is wanted. Fat is what is left, unless it is asked for; then carbohydrate is. */
export interface NutrientWish {
  proteinG: number
  /** g; left out, it takes what is left. */
  carbohydrateG?: number
  /** Share of energy, 0 to 1. Where both this and carbohydrate are named, carbohydrate gives way. */
  fatShare?: number
}

export interface NutrientPart {
  grams: number
  kcal: number
  /** Share of energy, 0 to 100. */
  percent: number
}

export interface NutrientPlan {
  parts: Record<Nutrient, NutrientPart>
  kcal: number
  /** What did not fit, in sentences; the plan is then the nearest that does. */
  conflicts: Message[]
}

function partsOf(grams: Record<Nutrient, number>): Record<Nutrient, NutrientPart> {
  const total = NUTRIENTS.reduce((sum, n) => sum + grams[n] * KCAL_PER_GRAM[n], 0)
  return Object.fromEntries(
    NUTRIENTS.map((n) => {
      const kcal = grams[n] * KCAL_PER_GRAM[n]
      return [n, { grams: grams[n], kcal, percent: (100 * kcal) / total }]
    }),
  ) as Record<Nutrient, NutrientPart>
}

/**
 * Protein, carbohydrate and fat that add up exactly to an energy target. Protein is kept first, then the least fat;
 * carbohydrate gives way where the wishes do not fit.
 *
 * @param kcal energy a day
 * @throws InputError naming what is no number, or protein that alone does not fit
 */
export function nutrientPlan(kcal: number, wish: NutrientWish): NutrientPlan {
  const { proteinG, carbohydrateG, fatShare } = wish
  const number = (input: string, label: Message, value: number | undefined, high: number) => {
    if (value !== undefined && !(value >= 0 && value <= high)) {
      throw inputError(input, 'impossible', label, value, say('nutrition.n0', { high }))
    }
  }
  if (!(kcal >= 500 && kcal <= 10_000)) {
    throw inputError(
      'kcal',
      'impossible',
      say('nutrition.energy'),
      kcal,
      say('nutrition.n50010000KcalDay'),
    )
  }
  number('proteinG', say('nutrition.protein'), proteinG, 1000)
  number('carbohydrateG', say('nutrition.carbohydrate'), carbohydrateG, 2000)
  number('fatShare', say('nutrition.fatShareEnergy'), fatShare, 1)
  const proteinKcal = proteinG * KCAL_PER_GRAM.protein
  const leastFatKcal = LEAST_FAT_SHARE * kcal
  if (proteinKcal + leastFatKcal > kcal) {
    throw inputError(
      'proteinG',
      'outside-domain',
      say('nutrition.protein'),
      say('nutrition.gKcal', {
        proteinG: Math.round(proteinG),
        proteinKcal: Math.round(proteinKcal),
        kcal: Math.round(kcal),
      }),
      say('nutrition.upGWhichLeavesFat', {
        kcal: Math.floor((kcal - leastFatKcal) / KCAL_PER_GRAM.protein),
        leastFatShare: 100 * LEAST_FAT_SHARE,
      }),
    )
  }
  const conflicts: Message[] = []
  const left = kcal - proteinKcal
  let fatKcal: number
  if (carbohydrateG === undefined) {
    fatKcal = (fatShare ?? 0.3) * kcal
    if (fatKcal > left) {
      conflicts.push(
        say('nutrition.fatGProteinDoFit', {
          fatShare: Math.round((fatShare ?? 0.3) * 100),
          proteinG: Math.round(proteinG),
          kcal: Math.round(kcal),
        }),
      )
      fatKcal = left
    }
  } else {
    const least = Math.max(leastFatKcal, fatShare === undefined ? 0 : fatShare * kcal)
    const wanted = carbohydrateG * KCAL_PER_GRAM.carbohydrate
    const room = left - Math.min(least, left)
    if (wanted > room) {
      conflicts.push(
        say('nutrition.gCarbohydrateKcalDoFit', {
          carbohydrateG: Math.round(carbohydrateG),
          wanted: Math.round(wanted),
          kcal: Math.round(kcal),
          proteinG: Math.round(proteinG),
          least: Math.round((100 * Math.min(least, left)) / kcal),
          room: Math.floor(room / KCAL_PER_GRAM.carbohydrate),
        }),
      )
    }
    fatKcal = left - Math.min(wanted, room)
  }
  const parts = partsOf({
    protein: proteinG,
    fat: fatKcal / KCAL_PER_GRAM.fat,
    carbohydrate: (left - fatKcal) / KCAL_PER_GRAM.carbohydrate,
  })
  return { parts, kcal, conflicts }
}

/**
 * Whole numbers that still add up to the whole: each is rounded down, and the largest remainders are rounded up.
 *
 * @param values whose sum is (nearly) whole
 */
export function wholeParts(values: readonly number[]): number[] {
  const floors = values.map(Math.floor)
  let missing = Math.round(values.reduce((a, b) => a + b, 0)) - floors.reduce((a, b) => a + b, 0)
  const order = values.map((v, i) => [v - floors[i]!, i] as const).sort((a, b) => b[0] - a[0])
  for (const [, i] of order) if (missing-- > 0) floors[i]!++
  return floors
}

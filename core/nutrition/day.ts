import { type Message, num, say } from '../say'
import { inputError } from '../errors'
import { attempt } from '../outcome'
import { KCAL_PER_GRAM } from '../planning/energy'
import { type AmountBase, type NutrientAmount, gramsOf } from './amounts'
import { NUTRIENTS, type Nutrient, type NutrientPlan, nutrientPlan } from './nutrients'

/** What nobody eats; it changes what protein is made of. */
export const DIETS = ['everything', 'vegetarian', 'vegan'] as const
export type Diet = (typeof DIETS)[number]

/** The nutrients of a day as they are wished for. */
export interface DayWish {
  protein: NutrientAmount
  /** Left out, it takes what is left. */
  carbohydrate?: NutrientAmount
  /** Left out, 30 % of energy, or what is left. */
  fat?: NutrientAmount
  /** Meals a day, 1 to 8. */
  meals: number
  diet: Diet
}

/**
 * The nutrients of a day that add up to its energy.
 *
 * @throws InputError naming `protein`, `carbohydrate`, `fat`, or the mass that one is counted by
 */
export function dayOf(wish: DayWish, base: AmountBase): NutrientPlan {
  const [protein, carbohydrate, fat] = NUTRIENTS.map((nutrient) => {
    const amount = wish[nutrient]
    return amount && gramsOf(nutrient, amount, base)
  })
  return nutrientPlan(base.kcal, {
    proteinG: protein!,
    carbohydrateG: carbohydrate,
    fatShare: fat === undefined ? undefined : (fat * KCAL_PER_GRAM.fat) / base.kcal,
  })
}

export interface Meal {
  /** g of each. */
  grams: Record<Nutrient, number>
  kcal: number
  /** Protein, g per kg of body mass; undefined where the mass is not known. */
  proteinPerKg?: number
  /** What there is to say of its protein, in a sentence. */
  note: Message
}

/**
 * Protein of one meal that builds muscle best, g per kg of body mass: about 0.4, up to 0.55.
 * Schoenfeld BJ, Aragon AA, J Int Soc Sports Nutr 2018;15:10 (from memory).
 */
export const MEAL_PROTEIN_PER_KG: readonly [number, number] = [0.4, 0.55]

export const MOST_MEALS = 8

/**
 * One of so many like meals of a day.
 *
 * @throws InputError naming `meals`
 */
export function mealOf({ parts, kcal }: NutrientPlan, meals: number, massKg?: number): Meal {
  if (!(Number.isInteger(meals) && meals >= 1 && meals <= MOST_MEALS)) {
    const accepted = say('nutrition.wholeNumber1', { mostMeals: MOST_MEALS })
    throw inputError('meals', 'impossible', say('nutrition.mealsDay'), meals, accepted)
  }
  const proteinPerKg = massKg === undefined ? undefined : parts.protein.grams / meals / massKg
  return {
    grams: Object.fromEntries(NUTRIENTS.map((n) => [n, parts[n].grams / meals])) as Meal['grams'],
    kcal: kcal / meals,
    ...(proteinPerKg === undefined ? {} : { proteinPerKg }),
    note: noteOn(proteinPerKg),
  }
}

function noteOn(perKg: number | undefined): Message {
  const [enough, most] = MEAL_PROTEIN_PER_KG
  const usual = say('nutrition.aboutGProteinPerKg', { enough })
  if (perKg === undefined) return say('nutrition.usualBuildingMuscle', { usual })
  if (perKg < enough - 0.05) {
    return say('nutrition.gProteinPerKgBody', { perKg: num(perKg, 2), usual })
  }
  if (perKg > most + 0.05) {
    return say('nutrition.gProteinPerKgBody2', { perKg: num(perKg, 2), most })
  }
  return say('nutrition.gProteinPerKgBody3', { perKg: num(perKg, 2) })
}

/** How much more plant protein is planned to build as much. Common practice, no source. */
const PLANT_PROTEIN_MORE = say('nutrition.aboutTenthMore')

/** What to look after without meat, or without anything of animals. Common practice, no source. */
export const DIET_NOTES: Readonly<Record<Diet, readonly Message[]>> = {
  everything: [],
  vegetarian: [
    say('nutrition.vegetarianEggsMilkYogurtCheese'),
    say('nutrition.ironComesLessEasilyPlants'),
  ],
  vegan: [
    say('nutrition.veganTofuTempehSeitanBeans', { plantProteinMore: PLANT_PROTEIN_MORE }),
    say('nutrition.vitaminB12DoesComePlants'),
  ],
}

/** Nutrients as a plan keeps them. */
export type MealsWish = DayWish & { meals: number }

/**
 * The nutrients of a kept plan, of the day and of a meal.
 *
 * @returns undefined where none were kept, or they do not go with the plan's energy
 */
export function nutrientsOfPlan<W extends MealsWish>({
  nutrients,
  intakeKcal,
  fatKg,
  leanKg,
}: {
  nutrients?: W
  intakeKcal: number
  fatKg: number
  leanKg: number
}) {
  if (!nutrients) return undefined
  const massKg = fatKg + leanKg
  const found = attempt(() => {
    const day = dayOf(nutrients, { kcal: intakeKcal, massKg, leanKg })
    return { day, meal: mealOf(day, nutrients.meals, massKg), ...nutrients }
  })
  return found.ok ? found.value : undefined
}

import type { Nutrient } from './nutrients'
import { inputError } from '../errors'
import { KCAL_PER_GRAM } from '../planning/energy'

/** What an amount is counted by: body mass, lean mass, a share of the energy, or as it is. */
export const AMOUNT_BASES = ['perKg', 'perLeanKg', 'percent', 'grams'] as const
export type AmountBasis = (typeof AMOUNT_BASES)[number]

export interface NutrientAmount {
  /** g/kg, g per kg of lean mass, % of energy, or g. */
  value: number
  by: AmountBasis
}

/** What amounts are counted from; kcal a day and kg. */
export interface AmountBase {
  kcal: number
  massKg?: number
  leanKg?: number
}

const NAMES: Record<Nutrient, string> = {
  protein: 'Protein',
  carbohydrate: 'Carbohydrate',
  fat: 'Fat',
}

/**
 * An amount in grams a day.
 *
 * @throws InputError naming the nutrient where it is no number, or the body mass or lean mass that it is counted by
 */
export function gramsOf(
  nutrient: Nutrient,
  { value, by }: NutrientAmount,
  { kcal, massKg, leanKg }: AmountBase,
): number {
  const [high, accepted] = {
    perKg: [15, '0 to 15 g a kg'],
    perLeanKg: [20, '0 to 20 g a kg of lean mass'],
    percent: [100, '0 to 100 % of energy'],
    grams: [2000, '0 to 2000 g'],
  }[by] as [number, string]
  if (!(value >= 0 && value <= high)) {
    throw inputError(nutrient, 'impossible', NAMES[nutrient], value, accepted)
  }
  if (by === 'grams') return value
  if (by === 'percent') return ((value / 100) * kcal) / KCAL_PER_GRAM[nutrient]
  const kg = by === 'perKg' ? massKg : leanKg
  if (kg === undefined) {
    throw inputError(
      by === 'perKg' ? 'massKg' : 'leanKg',
      'missing',
      by === 'perKg' ? 'Body mass' : 'Lean mass',
      undefined,
      'a mass, or an amount in g or % of energy',
    )
  }
  return value * kg
}

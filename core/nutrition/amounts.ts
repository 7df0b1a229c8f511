import { type Message, say } from '../say'
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

const NAMES: Record<Nutrient, Message> = {
  protein: say('nutrition.protein'),
  carbohydrate: say('nutrition.carbohydrate'),
  fat: say('nutrition.fat'),
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
    perKg: [15, say('nutrition.n015GKg')],
    perLeanKg: [20, say('nutrition.n020GKgLean')],
    percent: [100, say('nutrition.n0100Energy')],
    grams: [2000, say('nutrition.n02000G')],
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
      by === 'perKg' ? say('nutrition.bodyMass') : say('nutrition.leanMass'),
      undefined,
      say('nutrition.massAmountGEnergy'),
    )
  }
  return value * kg
}

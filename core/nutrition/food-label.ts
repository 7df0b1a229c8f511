import { type Message, say } from '../say'
import { inputError } from '../errors'
import { KCAL_PER_GRAM } from '../planning/energy'

/** What stands on a label, per serving. */
export interface FoodLabel {
  fatG: number
  carbohydrateG: number
  proteinG: number
  alcoholG?: number
  /** As printed; without it the energy is computed from the grams. */
  kcal?: number
  servingG?: number
  servings?: number
}

export type LabelPart = 'fat' | 'carbohydrate' | 'protein' | 'alcohol'

/** Daily values of the label, g a day of 2000 kcal. US Food and Drug Administration, 21 CFR 101.9, 2016 (from memory). */
const DAILY_VALUES: Partial<Record<LabelPart, number>> = {
  fat: 78,
  carbohydrate: 275,
  protein: 50,
}

export interface LabelLine {
  part: LabelPart
  gramsServing: number
  gramsPackage: number | undefined
  kcalServing: number
  /** Share of this food's energy, per cent. */
  ofEnergy: number
  /** Share of the day's amount, per cent, which is what the label prints. */
  ofDailyValue: number | undefined
}

export interface LabelReading {
  kcalServing: number
  kcalPackage: number | undefined
  /** Energy of the grams by 9, 4, 4 and 7 kcal. */
  kcalOfGrams: number
  lines: LabelLine[]
  notes: Message[]
}

/** Printed and computed energy differ by rounding and fibre; beyond this share it is worth a look. */
const OFF_BY = 0.2

/**
 * Reads a food label: what share of its energy is fat, carbohydrate and protein, beside the per cent of the daily value
 * that the label prints, which is something else.
 *
 * @throws InputError naming what is no number of grams, or an energy of nothing
 */
export function readLabel(label: FoodLabel): LabelReading {
  const amounts: [LabelPart, Message, number][] = [
    ['fat', say('nutrition.fat'), label.fatG],
    ['carbohydrate', say('nutrition.carbohydrate'), label.carbohydrateG],
    ['protein', say('nutrition.protein'), label.proteinG],
    ['alcohol', say('nutrition.alcohol'), label.alcoholG ?? 0],
  ]
  for (const [part, name, grams] of amounts) {
    if (!(grams >= 0 && grams <= 2000)) {
      throw inputError(`${part}G`, 'impossible', name, grams, say('nutrition.n02000GServing'))
    }
  }
  const weight = amounts.reduce((sum, [, , grams]) => sum + grams, 0)
  if (label.servingG !== undefined && weight > label.servingG + 0.5) {
    throw inputError(
      'servingG',
      'impossible',
      say('nutrition.servingSize'),
      label.servingG,
      say('nutrition.leastGParts', { value: weight.toFixed(1) }),
    )
  }
  const kcalOfGrams = amounts.reduce((sum, [part, , grams]) => sum + grams * KCAL_PER_GRAM[part], 0)
  const kcalServing = label.kcal ?? kcalOfGrams
  if (!(kcalServing > 0))
    throw inputError(
      'kcal',
      'impossible',
      say('nutrition.energy'),
      kcalServing,
      say('nutrition.above0Kcal'),
    )
  const { servings } = label
  if (servings !== undefined && !(servings > 0)) {
    throw inputError(
      'servings',
      'impossible',
      say('nutrition.servingsPackage'),
      servings,
      say('nutrition.above0'),
    )
  }
  const notes: Message[] = []
  if (label.kcal !== undefined && Math.abs(kcalOfGrams / label.kcal - 1) > OFF_BY) {
    notes.push(
      say('nutrition.gramsMakeKcalLabelSays', {
        kcalOfGrams: Math.round(kcalOfGrams),
        kcal: label.kcal,
      }),
    )
  }
  return {
    ...{ kcalServing, kcalOfGrams, notes },
    kcalPackage: servings && kcalServing * servings,
    lines: amounts
      .filter(([part, , grams]) => part !== 'alcohol' || grams > 0)
      .map(([part, , gramsServing]) => {
        const daily = DAILY_VALUES[part]
        const kcal = gramsServing * KCAL_PER_GRAM[part]
        return {
          ...{ part, gramsServing, kcalServing: kcal },
          gramsPackage: servings && gramsServing * servings,
          ofEnergy: (100 * kcal) / kcalServing,
          ofDailyValue: daily && (100 * gramsServing) / daily,
        }
      }),
  }
}

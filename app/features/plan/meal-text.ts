import type { Meal } from '#core'

/** A meal in a line, with what to mind of it. */
export const mealText = ({ kcal, grams, note }: Meal): string =>
  t('plan.mealLine', {
    kcal: fixed(kcal, 0),
    protein: fixed(grams.protein, 0),
    carbohydrate: fixed(grams.carbohydrate, 0),
    fat: fixed(grams.fat, 0),
    note,
  })

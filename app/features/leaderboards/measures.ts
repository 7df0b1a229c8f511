import type { BoardMeasure } from '#core'

/** What a board ranks by, in words and in its unit. */
export const MEASURE_WORDS: Record<BoardMeasure, { name: string; mass: boolean; unit: string }> = {
  recomposition: { name: 'net swing: fat lost plus lean gained', mass: true, unit: '' },
  fatMass: { name: 'change of fat mass', mass: true, unit: '' },
  fatPercent: { name: 'change of fat %', mass: false, unit: 'points' },
  sum: { name: 'change of the sum of all folds', mass: false, unit: 'mm' },
  equationSum: { name: 'change of the equation’s sum', mass: false, unit: 'mm' },
}

import type { BoardMeasure } from '#core'

const SHOWN = {
  recomposition: { mass: true, unit: undefined },
  fatMass: { mass: true, unit: undefined },
  fatPercent: { mass: false, unit: 'leaderboards.points' },
  sum: { mass: false, unit: 'leaderboards.mm' },
  equationSum: { mass: false, unit: 'leaderboards.mm' },
} as const satisfies Record<BoardMeasure, object>

/** What a leaderboard ranks by, in words; its unit, where it is not the coach's unit of mass. */
export function measureWords(measure: BoardMeasure) {
  const { mass, unit } = SHOWN[measure]
  return { name: t(`leaderboards.measures.${measure}`), mass, unit: unit ? t(unit) : '' }
}

import { lengthIn, massIn, type BoardMeasure } from '#core'

const SHOWN = {
  recomposition: 'mass',
  fatMass: 'mass',
  fatPercent: 'points',
  sum: 'mm',
  equationSum: 'mm',
  bodyMass: 'mass',
  waist: 'length',
} as const satisfies Record<BoardMeasure, string>

/** What a leaderboard ranks by, in words. */
export const measureName = (measure: BoardMeasure): string => t(`leaderboards.measures.${measure}`)

/** Whether its figures are in the coach's unit of mass. */
export const isMass = (measure: BoardMeasure): boolean => SHOWN[measure] === 'mass'

/** Figures of a measure in the units of this screen. */
export function useBoardUnits(measure: () => BoardMeasure) {
  const massUnit = useMassUnit()
  const lengthUnit = useLengthUnit()
  const kind = computed(() => SHOWN[measure()])
  const unit = computed(() => {
    if (kind.value === 'mass') return massUnit.value
    if (kind.value === 'length') return lengthUnit.value
    return t(`leaderboards.${kind.value}`)
  })
  function scale(value: number): number {
    if (kind.value === 'mass') return massIn(value, massUnit.value)
    return kind.value === 'length' ? lengthIn(value, lengthUnit.value) : value
  }
  return { unit, scale, figure: (value: number) => `${fixed(scale(value), 1)} ${unit.value}` }
}

/** What may lie between two who are not clearly apart. */
export function errorName(measure: BoardMeasure): string {
  const by = measure === 'bodyMass' || measure === 'waist' ? measure : 'folds'
  return t(`leaderboards.errors.${by}`)
}

/** Which way is ranked first. */
export const isGood = (measure: BoardMeasure, change: number): boolean =>
  measure === 'recomposition' ? change > 0 : change < 0

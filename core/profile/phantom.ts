import type { SiteId } from '../anatomy/ids'
import type { Measure, Measures } from './measures'

/*
 * The human phantom: one build of either sex to which proportions are brought, 170.18 cm tall. Ross WD, Wilson NC. Acta
 * Paediatr Belg 1974;28 Suppl:169-182. Mass and folds grade A, girths, breadths and lengths grade B; all from memory.
 */

/** cm. */
export const PHANTOM_HEIGHT_CM = 170.18

export interface PhantomValue {
  /** Mean, in the unit of the measure. */
  mean: number
  sd: number
  grade: 'A' | 'B'
}

const [a, b] = (['A', 'B'] as const).map((grade) => (mean: number, sd: number): PhantomValue => ({
  mean,
  sd,
  grade,
})) as [(mean: number, sd: number) => PhantomValue, (mean: number, sd: number) => PhantomValue]

/** What the phantom measures: folds by the international standard. */
export const PHANTOM: Readonly<Partial<Record<SiteId | 'mass', PhantomValue>>> = {
  mass: a(64.58, 8.6),
  triceps: a(15.4, 4.47),
  subscapular: a(17.2, 5.07),
  biceps: a(8, 2),
  iliac_crest: a(22.4, 6.8),
  supraspinale: a(15.4, 4.47),
  abdominal: a(25.4, 7.78),
  front_thigh: a(27, 8.33),
  medial_calf: a(16, 4.67),
  head: b(56, 1.44),
  neck: b(34.91, 1.73),
  upper_arm_relaxed: b(26.89, 2.33),
  upper_arm_flexed: b(29.41, 2.37),
  forearm: b(25.13, 1.41),
  wrist: b(16.35, 0.72),
  chest_girth: b(87.86, 5.18),
  waist: b(71.91, 4.45),
  hip: b(94.67, 5.58),
  thigh_girth: b(55.82, 4.23),
  calf_girth: b(35.25, 2.3),
  ankle: b(21.71, 1.33),
  biacromial: b(38.04, 1.92),
  biiliocristal: b(28.84, 1.75),
  chest_breadth: b(27.92, 1.74),
  chest_depth: b(17.5, 1.38),
  humerus: b(6.48, 0.35),
  femur: b(9.52, 0.48),
  sitting_height: b(89.92, 4.5),
}

/** To which power of the height a measure grows: masses by its third. */
const powerOf = (id: Measure) => (id === 'mass' ? 3 : 1)

/**
 * How far a measure is from the phantom's once the height is taken out, in the phantom's standard deviations.
 *
 * @param value mm, cm or kg as the measure has it
 * @returns undefined where the phantom has no such measure
 */
export function phantomScore(
  id: SiteId | 'mass',
  value: number,
  heightCm: number,
): number | undefined {
  const known = PHANTOM[id]
  if (!known) return undefined
  return (value * (PHANTOM_HEIGHT_CM / heightCm) ** powerOf(id) - known.mean) / known.sd
}

/** Every measure that the phantom has too, with its score; none without a height. */
export function phantomScores(measures: Measures): { id: SiteId | 'mass'; z: number }[] {
  const { height } = measures
  if (height === undefined) return []
  return (Object.keys(PHANTOM) as (SiteId | 'mass')[]).flatMap((id) => {
    const value = measures[id]
    return value === undefined ? [] : [{ id, z: phantomScore(id, value, height)! }]
  })
}

import { isSkinfold } from '../anatomy/ids'
import { type Region, regionOf } from '../anatomy/regions'
import type { Judgement } from './judgement'
import { type Direction, directionOf, moved } from './verdict'

/** Everything that the rules of the sentence look at. */
export interface Situation {
  fat: Direction
  lean: Direction
  mass: Direction
  folds: Direction
  /** Whether instruments, people or conditions are the same; `no` where nothing was measured both times. */
  comparable: 'like' | 'differs' | 'no'
  /** Body mass falls faster than 1 % a week. */
  tooFast: boolean
  /** The only region of the body in which folds moved, where there is one. */
  region: Region | null
}

/** Loss of body mass faster than this is too fast, % a week. See the cautions in the docs. */
const FASTEST_LOSS_PERCENT_A_WEEK = 1

/** The only region in which folds moved likely or clearly, while the folds elsewhere did not; else null. */
function onlyRegion({ folds }: Judgement): Region | null {
  const regions = new Set<Region>()
  const all = new Set<Region>()
  for (const { site, verdict } of folds) {
    if (!isSkinfold(site)) continue
    const region = regionOf(site)
    if (region === undefined) continue
    all.add(region)
    if (moved(directionOf(verdict))) regions.add(region)
  }
  const [only] = regions
  return regions.size === 1 && all.size > 1 ? only! : null
}

/** Loss of body mass in % of the earlier mass a week; negative for a gain, undefined without two masses and a day. */
function lossPerWeek({ quantities, massThenKg, weeks }: Judgement): number | undefined {
  if (!quantities.mass || massThenKg === undefined || weeks <= 0) return undefined
  return (-100 * quantities.mass.change) / massThenKg / weeks
}

/** A judgement as the rules see it. Fat is the fat mass, or the fat % where no mass was taken. */
export function situationOf(judgement: Judgement): Situation {
  const { quantities, folds, girths, differs } = judgement
  const loss = lossPerWeek(judgement)
  const nothing = folds.length + girths.length === 0 && !quantities.mass
  return {
    fat: directionOf(quantities.fatMass ?? quantities.fatPercent),
    lean: directionOf(quantities.leanMass),
    mass: directionOf(quantities.mass),
    folds: directionOf(quantities.sum),
    comparable: nothing ? 'no' : differs.length > 0 ? 'differs' : 'like',
    tooFast:
      directionOf(quantities.mass) === 'down' &&
      loss !== undefined &&
      loss > FASTEST_LOSS_PERCENT_A_WEEK,
    region: onlyRegion(judgement),
  }
}

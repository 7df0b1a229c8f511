import { type SiteId, isSkinfold } from '../anatomy/ids'
import { limitsOf } from '../anatomy/limits'

/*
 * How likely a set of readings is from an honest tester, given the last check-in.
 *
 * Every site of a kind moves by one common share c of its last value, and by a little of its own; the mark is found
 * again with the re-mark error, and each trial repeats with the repeat error. c is not known, so the likelihood is
 * summed over a grid of it. A slip of the hand is then a correction that makes the whole sheet much more likely.
 */

const LOG_TWO_PI = Math.log(2 * Math.PI)

/** Log density of a normal distribution. */
export function logNormal(x: number, mean: number, variance: number): number {
  return -0.5 * (LOG_TWO_PI + Math.log(variance) + (x - mean) ** 2 / variance)
}

/** log(sum(exp(values))) without overflow. */
export function logSumExp(values: readonly number[]): number {
  let largest = -Infinity
  for (const value of values) if (value > largest) largest = value
  if (largest === -Infinity) return -Infinity
  let sum = 0
  for (const value of values) sum += Math.exp(value - largest)
  return largest + Math.log(sum)
}

/** How far a kind of site moves between two check-ins four weeks apart. Judgement. */
interface Drift {
  /** Common change: mean and standard deviation, as shares of the last value. */
  mean: number
  sd: number
  /** Each site's own part beside the common one, as a share. */
  own: number
  grid: number[]
}

function grid(from: number, to: number, steps: number): number[] {
  return Array.from({ length: steps + 1 }, (_, i) => from + ((to - from) * i) / steps)
}

const FOLD_DRIFT: Drift = { mean: -0.03, sd: 0.08, own: 0.04, grid: grid(-0.4, 0.3, 35) }
const GIRTH_DRIFT: Drift = { mean: 0, sd: 0.025, own: 0.012, grid: grid(-0.12, 0.12, 24) }

const USUAL_WEEKS = 4
const WIDEST_TIME = 3

/** More time explains more change, by the root of the time. */
export function timeFactor(weeks: number | undefined): number {
  return Math.min(WIDEST_TIME, Math.sqrt(Math.max(1, (weeks ?? USUAL_WEEKS) / USUAL_WEEKS)))
}

/** What the model knows before the readings. */
export interface Expectation {
  /** Technical error of one trial at a site, and of finding the mark again another day: mm or cm. */
  errorOf(site: SiteId): { repeat: number; relocation: number }
  /** Smallest step of the caliper, mm. */
  graduationMm?: number
  sex: 'male' | 'female'
  /** Weeks since the last check-in. */
  weeks?: number
  /** Site values of the last check-in with the trials they stand on. */
  last: Partial<Record<SiteId, { value: number; trials: number }>>
}

/** Trials of the sites of one kind, in the order they were taken. */
export type Trials = ReadonlyMap<SiteId, readonly number[]>

/** The sheet of one kind (folds or girths) with the likelihood of each site at each common change. */
export class SheetLikelihood {
  readonly grid: number[]
  private readonly own: number
  private readonly prior: number[]
  private readonly sites = new Map<SiteId, number[]>()
  private readonly total: number[]

  constructor(
    kind: 'fold' | 'girth',
    trials: Trials,
    private readonly known: Expectation,
    /** Further evidence on the common change, such as body mass: log likelihood at each point of the grid. */
    evidence?: (change: number) => number,
  ) {
    const drift = kind === 'fold' ? FOLD_DRIFT : GIRTH_DRIFT
    const time = timeFactor(known.weeks)
    this.grid = drift.grid
    this.own = drift.own * time
    const weights = drift.grid.map((c) => logNormal(c, drift.mean, (drift.sd * time) ** 2))
    const norm = logSumExp(weights)
    this.prior = weights.map((w, i) => w - norm + (evidence?.(drift.grid[i]!) ?? 0))
    for (const [site, values] of trials) this.sites.set(site, this.along(site, values))
    this.total = this.prior.map((p, i) => {
      let sum = p
      for (const likelihood of this.sites.values()) sum += likelihood[i]!
      return sum
    })
  }

  /** Log likelihood of the sheet as typed. */
  asTyped(): number {
    return logSumExp(this.total)
  }

  /** Log likelihood of the sheet with the trials of some sites replaced. */
  corrected(replaced: Trials): number {
    const parts = [...replaced].map(([site, values]) => ({
      before: this.sites.get(site)!,
      after: this.along(site, values),
    }))
    return logSumExp(
      this.total.map((sum, i) => parts.reduce((t, p) => t - p.before[i]! + p.after[i]!, sum)),
    )
  }

  /** Log likelihood of the sheet when one site is free to have moved by itself. */
  released(site: SiteId, values: readonly number[]): number {
    const last = this.known.last[site]!.value
    const before = this.sites.get(site)!
    const freed = this.along(site, values, Math.max(4, 0.35 * last) ** 2)
    return logSumExp(this.total.map((sum, i) => sum - before[i]! + freed[i]!))
  }

  /** Log likelihood of one site's trials at each common change. */
  private along(site: SiteId, values: readonly number[], extra = 0): number[] {
    const error = this.known.errorOf(site)
    const repeat = error.repeat ** 2
    const relocation = error.relocation ** 2
    const n = values.length
    const mean = values.reduce((a, b) => a + b, 0) / n
    const scatter = values.reduce((a, x) => a + (x - mean) ** 2, 0)
    const within =
      -0.5 * ((n - 1) * (LOG_TWO_PI + Math.log(repeat)) + Math.log(n) + scatter / repeat)
    const last = this.known.last[site]
    if (!last) {
      const { softLow, softHighMale, softHighFemale } = limitsOf(site)
      const high = this.known.sex === 'male' ? softHighMale : softHighFemale
      const likelihood =
        within + logNormal(mean, (softLow + high) / 2.4, ((high - softLow) / 2.6) ** 2 + repeat / n)
      return this.grid.map(() => likelihood)
    }
    const spread = (this.own * last.value) ** 2 + relocation + extra + repeat / n
    const lastVariance = relocation + repeat / last.trials
    return this.grid.map(
      (c) => within + logNormal(mean, last.value * (1 + c), spread + (1 + c) ** 2 * lastVariance),
    )
  }
}

/** Sorts the trials of a sheet into folds and girths. */
export function byKind(trials: Trials): Record<'fold' | 'girth', Map<SiteId, readonly number[]>> {
  const kinds = {
    fold: new Map<SiteId, readonly number[]>(),
    girth: new Map<SiteId, readonly number[]>(),
  }
  for (const [site, values] of trials) {
    if (values.length > 0) kinds[isSkinfold(site) ? 'fold' : 'girth'].set(site, values)
  }
  return kinds
}

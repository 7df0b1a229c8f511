import { type SiteId, isSkinfold } from '../anatomy/ids'
import { softLimitsOf } from '../anatomy/limits'

/*
 * How likely a set of readings is from an honest tester, given the last check-in.
 *
 * Every site of a kind moves by one common share c of its last value, and by a little of its own; the mark m is found
 * again with the re-mark error, and each trial repeats with the repeat error. Neither c nor m is known, so the
 * likelihood is summed over a grid of both. Trials have the tails of Student's t with 8 degrees of freedom, the mark
 * those of 12: a hand slips a little more often than a normal distribution allows. A slip of the keys is then a
 * correction that makes the whole sheet much more likely.
 */

const LOG_TWO_PI = Math.log(2 * Math.PI)

/** Log density of a normal distribution. */
export function logNormal(x: number, mean: number, variance: number): number {
  return -0.5 * (LOG_TWO_PI + Math.log(variance) + (x - mean) ** 2 / variance)
}

/** Log density of a Cauchy distribution about 0: what may lie anywhere, though sooner near than far. */
export function logCauchy(x: number, width: number): number {
  return -Math.log(Math.PI * width * (1 + (x / width) ** 2))
}

/** log(sum(exp(values))) without overflow. */
export function logSumExp(values: ArrayLike<number>): number {
  let largest = -Infinity
  for (let i = 0; i < values.length; i++) if (values[i]! > largest) largest = values[i]!
  if (largest === -Infinity) return -Infinity
  let sum = 0
  for (let i = 0; i < values.length; i++) sum += Math.exp(values[i]! - largest)
  return largest + Math.log(sum)
}

/*
 * Density of Student's t with 8 and with 12 degrees of freedom: constant (1 + z^2 / f)^-((f + 1) / 2), where the constant
 * is gamma((f + 1) / 2) / (gamma(f / 2) sqrt(f pi)). Products of the base are a good deal faster than powers.
 */
const TRIAL_FREEDOM = 8
const AT_THE_MARK = 0.386_699
const trialPower = (base: number) => {
  const square = base * base
  return 1 / (square * square * Math.sqrt(base))
}
const MARK_FREEDOM = 12
const MARK_CONSTANT = 0.390_727
function markAt(z: number): number {
  const base = 1 + (z * z) / MARK_FREEDOM
  const cube = base * base * base
  return MARK_CONSTANT / (cube * cube * Math.sqrt(base))
}

/** How far a kind of site moves between two check-ins four weeks apart. Judgement. */
interface Drift {
  /** Common change: mean and standard deviation, as shares of the last value. */
  mean: number
  sd: number
  /** Each site's own part beside the common one, as a share. */
  own: number
  /** What all sites of a visit are off by together, as a share: the day and the handling. */
  session: number
  /** Of the value, that the error of a trial grows by. */
  growth: number
  changes: number[]
  /** Least and greatest mark, mm or cm, and the share by which each mark of the grid is over the one before. */
  marks: { low: number; high: number; step: number }
}

function grid(from: number, to: number, steps: number): number[] {
  return Array.from({ length: steps + 1 }, (_, i) => from + ((to - from) * i) / steps)
}

const DRIFT: Record<'fold' | 'girth', Drift> = {
  fold: {
    ...{ mean: -0.03, sd: 0.08, own: 0.04, session: 0.015, growth: 0.03 },
    changes: grid(-0.4, 0.3, 28),
    marks: { low: 1, high: 130, step: 0.04 },
  },
  girth: {
    ...{ mean: 0, sd: 0.025, own: 0.012, session: 0.005, growth: 0 },
    changes: grid(-0.12, 0.12, 24),
    marks: { low: 8, high: 260, step: 0.005 },
  },
}
const kindOf = (site: SiteId) => (isSkinfold(site) ? 'fold' : 'girth')

const USUAL_WEEKS = 4
const WIDEST_TIME = 3

/** More time explains more change, by the root of the time. */
export function timeFactor(weeks: number | undefined): number {
  return Math.min(WIDEST_TIME, Math.sqrt(Math.max(1, (weeks ?? USUAL_WEEKS) / USUAL_WEEKS)))
}

/** What the model knows before the readings. */
export interface Expectation {
  /** Technical error of one trial at a thin fold or girth, and of finding the mark again another day: mm or cm. */
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

/** The error of a trial at a site that reads so much: a thick fold repeats less well than a thin one. mm or cm. */
export function repeatAt(site: SiteId, value: number, { errorOf }: Expectation): number {
  return grown(site, errorOf(site).repeat, value)
}

// A root of squares by hand: this runs for every mark of every site, and hypot is slow.
const grown = (site: SiteId, repeat: number, value: number) => {
  const growth = DRIFT[kindOf(site)].growth * value
  return Math.sqrt(repeat * repeat + growth * growth)
}

/** All that a fold is off by together with the others of its day, as a share, against those of another day. */
export const SESSION_SHARE = Math.SQRT2 * DRIFT.fold.session

const SITE_REACH = 1.7

/** What is expected of one site before its trials: how probable each mark is at each common change. */
class SiteExpectation {
  /** Marks of the grid, mm or cm. */
  private readonly marks: number[]
  private readonly repeats: number[]
  /** Probability of each mark at each common change, row by row; one row where the change says nothing. */
  private readonly rows: Float64Array[]

  constructor(
    site: SiteId,
    known: Expectation,
    reach: [low: number, high: number],
    /** mm or cm that the site may have moved by itself. */
    { alone = 0 } = {},
  ) {
    const { marks, changes, own } = DRIFT[kindOf(site)]
    this.marks = []
    const low = Math.max(marks.low, reach[0] / SITE_REACH)
    const high = Math.min(marks.high, reach[1] * SITE_REACH)
    for (let mark = low; mark <= high; mark *= 1 + marks.step) this.marks.push(mark)
    const error = known.errorOf(site)
    this.repeats = this.marks.map((mark) => grown(site, error.repeat, mark))
    const width = Math.log(1 + marks.step)
    const last = known.last[site]
    if (!last) {
      const usual = usualMark(site, known.sex)
      this.rows = [Float64Array.from(this.marks, (mark) => usual(mark) * width)]
      return
    }
    const repeat = grown(site, error.repeat, last.value)
    // Finding the mark again grows with the fold as repeating does.
    const relocated = error.relocation * (repeat / error.repeat)
    const spread = Math.hypot(
      own * timeFactor(known.weeks) * last.value,
      Math.SQRT2 * relocated,
      repeat / Math.sqrt(last.trials),
      alone,
    )
    this.rows = changes.map((change) => {
      const centre = last.value * (1 + change)
      const row = new Float64Array(this.marks.length)
      for (let i = 0; i < row.length; i++) {
        const mark = this.marks[i]!
        row[i] = (markAt((mark - centre) / spread) / spread) * mark * width
      }
      return row
    })
  }

  /** Log likelihood of trials at each common change; nothing measured is nothing said. */
  along(values: readonly number[], changes: number): number[] {
    if (values.length === 0) return new Array<number>(changes).fill(0)
    const { scaled, largest } = this.atMarks(values)
    const of = (row: Float64Array) => {
      let sum = 0
      for (let i = 0; i < row.length; i++) sum += row[i]! * scaled[i]!
      return Math.log(sum) + largest
    }
    if (this.rows.length > 1) return this.rows.map(of)
    return new Array<number>(changes).fill(of(this.rows[0]!))
  }

  /** Likelihood of the trials at each mark, as a share of the greatest. */
  private atMarks(values: readonly number[]) {
    const scaled = new Float64Array(this.marks.length)
    for (let i = 0; i < scaled.length; i++) {
      const mark = this.marks[i]!
      const repeat = this.repeats[i]!
      let [product, densest] = [1, 1]
      for (let k = 0; k < values.length; k++) {
        const z = (values[k]! - mark) / repeat
        product *= 1 + (z * z) / TRIAL_FREEDOM
        densest *= AT_THE_MARK / repeat
      }
      // One power of the product is that of its factors.
      scaled[i] = trialPower(product) * densest
    }
    let most = 0
    for (const likelihood of scaled) if (likelihood > most) most = likelihood
    for (let i = 0; i < scaled.length; i++) scaled[i]! /= most
    return { scaled, largest: Math.log(most) }
  }
}

/** From the lower to the upper soft limit are so many standard deviations of a first value's logarithm. Judgement. */
const SOFT_RANGE = 4

/** What anybody may have at a site, mm or cm. */
function usualCentre(site: SiteId, sex: 'male' | 'female'): number {
  const { softLow, softHigh } = softLimitsOf(site, sex)
  return Math.sqrt(softLow * softHigh)
}

/** How usual a mark is in anybody, as a density of its logarithm. */
function usualMark(site: SiteId, sex: 'male' | 'female') {
  const { softLow, softHigh } = softLimitsOf(site, sex)
  const centre = Math.log(usualCentre(site, sex))
  const sd = Math.log(softHigh / softLow) / SOFT_RANGE
  return (mark: number) => markAt((Math.log(mark) - centre) / sd) / sd
}

/** A site that moves by itself may have moved by this share of its last value, or by so many mm or cm. */
const ALONE_SHARE = 0.35
const ALONE_LEAST = 4

/** Where the mark of a site can be. Of folds every mark is looked at, so that another site's readings can stand here. */
function reachOf(site: SiteId, values: readonly number[], { last }: Expectation): [number, number] {
  if (isSkinfold(site)) return [0, Infinity]
  const seen = [...values, ...(last[site] ? [last[site].value] : [])]
  return [Math.min(...seen), Math.max(...seen)]
}

/** The sheet of one kind (folds or girths) with the likelihood of each site at each common change. */
export class SheetLikelihood {
  readonly changes: number[]
  private readonly sites = new Map<SiteId, number[]>()
  private readonly expected = new Map<SiteId, SiteExpectation>()
  private readonly total: number[]
  private readonly honest: number

  constructor(
    kind: 'fold' | 'girth',
    trials: Trials,
    private readonly known: Expectation,
    /** Further evidence on the common change, such as body mass: log likelihood at each change. */
    evidence?: (change: number) => number,
  ) {
    const drift = DRIFT[kind]
    const time = timeFactor(known.weeks)
    this.changes = drift.changes
    const variance = (drift.sd * time) ** 2 + 2 * drift.session ** 2
    const weights = drift.changes.map((c) => logNormal(c, drift.mean, variance))
    const norm = logSumExp(weights)
    const prior = weights.map((w, i) => w - norm + (evidence?.(drift.changes[i]!) ?? 0))
    for (const [site, values] of trials) {
      this.expected.set(site, new SiteExpectation(site, known, reachOf(site, values, known)))
      this.sites.set(site, this.along(site, values))
    }
    this.total = prior.map((p, i) => {
      let sum = p
      for (const likelihood of this.sites.values()) sum += likelihood[i]!
      return sum
    })
    this.honest = logSumExp(this.total)
  }

  /** Log likelihood of the sheet as typed. */
  asTyped(): number {
    return this.honest
  }

  /** Log likelihood of the sheet with the trials of some sites replaced; none left is a site not measured. */
  corrected(replaced: Trials): number {
    const parts = [...replaced].map(([site, values]) => ({
      before: this.sites.get(site)!,
      after: this.along(site, values),
    }))
    return logSumExp(
      this.total.map((sum, i) => parts.reduce((t, p) => t - p.before[i]! + p.after[i]!, sum)),
    )
  }

  /**
   * Log likelihood of the sheet if a site had so many trials exactly where they are expected: hardly any others could
   * make it more likely, so that most sites need no second look.
   */
  most(site: SiteId, trials: number): number {
    const before = this.sites.get(site)!
    const { last, sex } = this.known
    const expected = last[site]?.value ?? usualCentre(site, sex)
    const best = Math.max(...this.along(site, new Array<number>(trials).fill(expected)))
    return logSumExp(this.total.map((sum, i) => sum - before[i]! + best))
  }

  /** Log likelihood of the sheet when one site is free to have moved by itself. */
  released(site: SiteId, values: readonly number[]): number {
    const before = this.sites.get(site)!
    const { value } = this.known.last[site]!
    const freed = new SiteExpectation(site, this.known, reachOf(site, values, this.known), {
      alone: Math.max(ALONE_LEAST, ALONE_SHARE * value),
    }).along(values, this.changes.length)
    return logSumExp(this.total.map((sum, i) => sum - before[i]! + freed[i]!))
  }

  private along(site: SiteId, values: readonly number[]): number[] {
    return this.expected.get(site)!.along(values, this.changes.length)
  }
}

/** Sorts the trials of a sheet into folds and girths. */
export function byKind(trials: Trials): Record<'fold' | 'girth', Map<SiteId, readonly number[]>> {
  const kinds = {
    fold: new Map<SiteId, readonly number[]>(),
    girth: new Map<SiteId, readonly number[]>(),
  }
  for (const [site, values] of trials) {
    if (values.length > 0) kinds[kindOf(site)].set(site, values)
  }
  return kinds
}

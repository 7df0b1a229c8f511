import { randomGamma, randomLcg, randomNormal, randomUniform } from 'd3-random'
import {
  estimate,
  expectedMass,
  limitsOf,
  protocolById,
  RELOCATION_SHARE,
  SEVEN_FOLDS,
  siteError,
  siteValue,
  usualRepeatError,
  wantsAnotherTrial,
  type Sex,
  type SiteId,
  type Skill,
  type EntryErrorContext,
  type Values,
} from '#core'

/*
 * Made-up people measured by a made-up tester: error-free folds and mass, one earlier check-in and one now, with the
 * errors of the tables. Seeded: the same run every time.
 */

/** Usual folds of adults, mm, by site in the order of SEVEN_FOLDS. Judgement. */
const USUAL: Record<Sex, number[]> = {
  male: [12, 14, 11, 15, 23, 16, 15],
  female: [11, 13, 19, 15, 22, 17, 27],
}

export interface Visit {
  trials: Map<SiteId, number[]>
  values: Values
  massKg: number
  /** Error-free folds and mass. */
  truth: { values: Values; massKg: number }
}

export interface Person {
  sex: Sex
  ageYears: number
  before: Visit
  now: Visit
}

export interface Settings {
  seed: number
  skill?: Skill
  /** Common change of the folds, as a share: lowest and highest. */
  change?: [number, number]
  /** Each site's own part of the change, as a share. */
  own?: number
  graduationMm?: number
  /** What the hand and the day do, where that is not what is assumed. */
  world?: World
}

/** Errors that differ from those of the tables. */
export interface World {
  /** Site errors times this. */
  factor?: number
  /** Site errors as a share of the fold, in place of the tables'. */
  relative?: number
  /** Common to all folds of a visit, as a share. */
  session?: number
  /** Degrees of freedom of Student's t in place of a normal distribution, with the same standard deviation. */
  freedom?: number
  /** Folds times this: heavier people. */
  thicker?: number
}

const protocol = protocolById('seven-fold')

/** A source of made-up people. */
export function people({
  seed,
  skill = 'trained',
  change = [-0.16, 0.03],
  own = 0.04,
  graduationMm = 0.5,
  world = {},
}: Settings) {
  const source = randomLcg(seed)
  const normal = randomNormal.source(source)(0, 1)
  const uniform = randomUniform.source(source)
  const [drawChange, drawUnit] = [uniform(...change), uniform(0, 1)]
  const toStep = (v: number) => (graduationMm ? Math.round(v / graduationMm) * graduationMm : v)

  const gamma = randomGamma.source(source)
  /** An error of standard deviation 1. */
  const error = () => {
    const { freedom } = world
    if (!freedom) return normal()
    const scale = Math.sqrt((freedom - 2) / freedom)
    return (scale * normal()) / Math.sqrt((2 * gamma(freedom / 2)()) / freedom)
  }

  function visit(truth: Visit['truth']): Visit {
    const trials = new Map<SiteId, number[]>()
    const values: Values = {}
    const day = 1 + (world.session ? world.session * normal() : 0)
    for (const site of SEVEN_FOLDS) {
      const { relative, factor = 1 } = world
      const fold = truth.values[site]!
      const repeat = relative ? relative * fold : factor * usualRepeatError(site, skill)
      const mark = day * fold + error() * RELOCATION_SHARE * repeat
      // Under its hard limit no reading is taken.
      const take = () => Math.max(limitsOf(site).hardLow, toStep(mark + error() * repeat))
      const taken = [take(), take()]
      if (wantsAnotherTrial(taken, protocol.foldTrials)) taken.push(take())
      trials.set(site, taken)
      values[site] = siteValue(taken, protocol.foldTrials.tolerance)!.value
    }
    return { trials, values, massKg: truth.massKg + normal() * 0.6, truth }
  }

  return {
    unit: drawUnit,
    next(): Person {
      const sex: Sex = drawUnit() < 0.5 ? 'male' : 'female'
      const ageYears = 20 + Math.floor(drawUnit() * 30)
      const size = (world.thicker ?? 1) * Math.exp(normal() * 0.3)
      const first: Values = {}
      const later: Values = {}
      const common = drawChange()
      SEVEN_FOLDS.forEach((site, i) => {
        const fold = Math.min(45, Math.max(5, USUAL[sex][i]! * size * Math.exp(normal() * 0.2)))
        first[site] = fold
        later[site] = fold * (1 + common) * (1 + own * normal())
      })
      const massKg = (sex === 'male' ? 82 : 66) + normal() * 7
      const fat = (values: Values) =>
        estimate('jackson-pollock-7', { sex, ageYears }, values).fatPercent / 100
      const lean = massKg * (1 - fat(first))
      return {
        sex,
        ageYears,
        before: visit({ values: first, massKg }),
        now: visit({ values: later, massKg: lean / (1 - fat(later)) }),
      }
    },
  }
}

/** What the slips of a visit are judged by. */
export function contextOf({ sex, ageYears, before, now }: Person): EntryErrorContext {
  const last = Object.fromEntries(
    SEVEN_FOLDS.map((site) => [
      site,
      { value: before.values[site]!, trials: before.trials.get(site)!.length },
    ]),
  )
  return {
    errorOf: (site) => siteError(site, { skill: 'trained', graduation: { mm: 0.5 } }),
    graduationMm: 0.5,
    sex,
    last,
    massKg: now.massKg,
    masses: [{ kg: before.massKg, weeksAgo: 4 }],
    massAt: expectedMass(
      'jackson-pollock-7',
      { sex, ageYears, massKg: before.massKg },
      before.values,
    ),
  }
}

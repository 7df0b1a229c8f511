import type { SiteId } from '../anatomy/ids'
import type { EstimateOptions, Subject, Values } from '../equations/types'
import {
  changedHandFactor,
  massVariance,
  siteError,
  valueVariance,
  Z95,
  type Hand,
} from '../reliability/site-error'
import { estimate } from './estimate'

/**
 * How far one estimate may be from the person's true fat %: the equation's standard error of estimate. It belongs to a
 * level and says nothing about a change.
 */
export interface LevelError {
  kind: 'level'
  /** Points of fat %; null where the source states none. */
  points: number | null
}

/** How far a change may be from the true change, by the hand that measured: technical error carried through. */
export interface ChangeError {
  kind: 'change'
  /** Standard error in the unit of the quantity. */
  standardError: number
  /** 1.96 standard errors: what the change must exceed to be more than the hand. */
  smallestRealChange: number
}

/** One check-in as the error model sees it. */
export interface MeasuredOccasion {
  subject: Subject
  values: Values
  /** Trials taken of each site; 1 where not said. */
  trials?: Partial<Record<SiteId, number>>
  /** Days that the body mass is an average of. */
  massDays?: number
}

export type Quantity = 'sum' | 'fatPercent' | 'fatMass' | 'leanMass'

/** What a quantity does per unit of each site (mm, cm) and per kg of body mass, around one occasion. */
export interface Gradient {
  value: number
  sites: Partial<Record<SiteId, number>>
  mass: number
}

const STEP = 1e-3

/**
 * The gradient of a quantity by central differences.
 *
 * @throws InputError as `estimate` does
 */
export function gradientOf(
  quantity: Quantity,
  equationId: string,
  { subject, values }: Pick<MeasuredOccasion, 'subject' | 'values'>,
  options: EstimateOptions = {},
): Gradient {
  const at = (v: Values, massKg = subject.massKg): number => {
    const result = estimate(equationId, { ...subject, massKg }, v, options)
    const by = {
      sum: result.sumMm,
      fatPercent: result.fatPercent,
      fatMass: result.fatMassKg,
      leanMass: result.leanMassKg,
    }
    return by[quantity] ?? NaN
  }
  const sites: Partial<Record<SiteId, number>> = {}
  for (const site of Object.keys(values) as SiteId[]) {
    const value = values[site]
    if (value === undefined) continue
    const [up, down] = [value + STEP, value - STEP].map((v) => at({ ...values, [site]: v }))
    sites[site] = (up! - down!) / (2 * STEP)
  }
  const { massKg } = subject
  const mass =
    massKg === undefined ? 0 : (at(values, massKg + STEP) - at(values, massKg - STEP)) / (2 * STEP)
  return { value: at(values), sites, mass }
}

/** The part of a quantity's variance that comes from one occasion. */
function occasionVariance(gradient: Gradient, occasion: MeasuredOccasion, hand: Hand) {
  const sites = Object.entries(gradient.sites) as [SiteId, number][]
  const fromSites = sites.reduce(
    (total, [site, slope]) =>
      total + slope ** 2 * valueVariance(siteError(site, hand), occasion.trials?.[site] ?? 1),
    0,
  )
  return { fromSites, fromMass: gradient.mass ** 2 * massVariance(occasion.massDays, hand.skill) }
}

/**
 * The technical error of a change in a quantity between two check-ins, carried through by the gradient of the equation
 * at each.
 *
 * @param before the earlier occasion (at the later age, as changes are judged)
 * @param change another tester or caliper widens the sites' part by half
 * @throws InputError as `estimate` does
 */
export function changeError(
  quantity: Quantity,
  equationId: string,
  before: MeasuredOccasion,
  after: MeasuredOccasion,
  hand: Hand,
  change: { anotherTester?: boolean; anotherCaliper?: boolean } = {},
  options: EstimateOptions = {},
): ChangeError {
  const parts = [before, after].map((occasion) =>
    occasionVariance(gradientOf(quantity, equationId, occasion, options), occasion, hand),
  )
  const factor = changedHandFactor(change) ** 2
  const variance = parts.reduce(
    (total, { fromSites, fromMass }) => total + factor * fromSites + fromMass,
    0,
  )
  const standardError = Math.sqrt(variance)
  return { kind: 'change', standardError, smallestRealChange: Z95 * standardError }
}

/** The standard error of estimate of one level, as a type of its own. */
export function levelError(estimated: { standardError: number | null }): LevelError {
  return { kind: 'level', points: estimated.standardError }
}

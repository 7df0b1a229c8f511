import type { SiteId } from '../anatomy/ids'
import type { Estimate, EstimateOptions, Subject, Values } from '../equations/types'
import {
  changedHandFactor,
  massVariance,
  siteError,
  valueVariance,
  Z95,
  type Hand,
} from '../measurement-error/site-error'
import { attempt } from '../outcome'
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

/** `netSwing` is lean less fat mass: its change is fat lost plus lean gained. */
export type Quantity = 'sum' | 'fatPercent' | 'fatMass' | 'leanMass' | 'netSwing'

export const QUANTITIES: readonly Quantity[] = [
  'sum',
  'fatPercent',
  'fatMass',
  'leanMass',
  'netSwing',
]

/** What a quantity does per unit of each site (mm, cm) and per kg of body mass, around one occasion. */
export interface Gradient {
  value: number
  sites: Partial<Record<SiteId, number>>
  mass: number
}

/** A quantity of an estimate; undefined where it was not computed. */
export function quantityOf(quantity: Quantity, estimated: Estimate): number | undefined {
  const { sumMm, fatPercent, fatMassKg, leanMassKg } = estimated
  if (quantity === 'sum') return sumMm
  if (quantity === 'fatPercent') return fatPercent
  if (fatMassKg === undefined || leanMassKg === undefined) return undefined
  return { fatMass: fatMassKg, leanMass: leanMassKg, netSwing: leanMassKg - fatMassKg }[quantity]
}

const STEP = 1e-3

/**
 * The gradients of every quantity by central differences; NaN where the equation does not give it.
 *
 * @throws InputError as `estimate` does
 */
export function gradientsOf(
  equationId: string,
  { subject, values }: Pick<MeasuredOccasion, 'subject' | 'values'>,
  options: EstimateOptions = {},
): Record<Quantity, Gradient> {
  const at = (v: Values, massKg = subject.massKg) => {
    const result = estimate(equationId, { ...subject, massKg }, v, options)
    return QUANTITIES.map((quantity) => quantityOf(quantity, result) ?? NaN)
  }
  const here = at(values)
  const slopes = (Object.keys(values) as SiteId[]).flatMap((site): [SiteId, number[]][] => {
    const value = values[site]
    if (value === undefined) return []
    return [[site, slopesAt((v) => at({ ...values, [site]: v }), value, here)]]
  })
  const { massKg } = subject
  const mass = massKg === undefined ? undefined : slopesAt((kg) => at(values, kg), massKg, here)
  return Object.fromEntries(
    QUANTITIES.map((quantity, i): [Quantity, Gradient] => [
      quantity,
      {
        value: here[i]!,
        sites: Object.fromEntries(slopes.map(([site, of]) => [site, of[i]!])),
        mass: mass?.[i] ?? 0,
      },
    ]),
  ) as Record<Quantity, Gradient>
}

/** Slopes by central differences; to one side where the other is refused, as at the least that a site can read. */
function slopesAt(of: (x: number) => number[], x: number, here: number[]): number[] {
  const [above, below] = [attempt(() => of(x + STEP)), attempt(() => of(x - STEP))]
  const [up, down] = [above.ok ? above.value : here, below.ok ? below.value : here]
  const width = (above.ok ? STEP : 0) + (below.ok ? STEP : 0)
  return here.map((_, i) => (width === 0 ? 0 : (up[i]! - down[i]!) / width))
}

/** The part of a quantity's variance that comes from one occasion: from its sites and from its body mass. */
export function occasionVariance(gradient: Gradient, occasion: MeasuredOccasion, hand: Hand) {
  const sites = Object.entries(gradient.sites) as [SiteId, number][]
  const fromSites = sites.reduce(
    (total, [site, slope]) =>
      total + slope ** 2 * valueVariance(siteError(site, hand), occasion.trials?.[site] ?? 1),
    0,
  )
  return { fromSites, fromMass: gradient.mass ** 2 * massVariance(occasion.massDays, hand.skill) }
}

/**
 * The technical error of a change in every quantity between two check-ins, carried through by the gradient of the
 * equation at each.
 *
 * @param before the earlier occasion (at the later age, as changes are judged)
 * @param hand of both, or of each
 * @param change another tester or caliper widens the sites' part by half
 * @returns NaN for what the equation does not give
 * @throws InputError as `estimate` does
 */
export function changeErrors(
  equationId: string,
  before: MeasuredOccasion,
  after: MeasuredOccasion,
  hand: Hand | { before: Hand; after: Hand },
  change: { anotherTester?: boolean; anotherCaliper?: boolean } = {},
  options: EstimateOptions = {},
): Record<Quantity, ChangeError> {
  const hands = 'skill' in hand ? [hand, hand] : [hand.before, hand.after]
  const factor = changedHandFactor(change) ** 2
  const gradients = [before, after].map((occasion) => gradientsOf(equationId, occasion, options))
  return Object.fromEntries(
    QUANTITIES.map((quantity): [Quantity, ChangeError] => {
      const variance = [before, after].reduce((total, occasion, i) => {
        const part = occasionVariance(gradients[i]![quantity], occasion, hands[i]!)
        return total + factor * part.fromSites + part.fromMass
      }, 0)
      const standardError = Math.sqrt(variance)
      return [quantity, { kind: 'change', standardError, smallestRealChange: Z95 * standardError }]
    }),
  ) as Record<Quantity, ChangeError>
}

/** The standard error of estimate of one level, as a type of its own. */
export function levelError(estimated: { standardError: number | null }): LevelError {
  return { kind: 'level', points: estimated.standardError }
}

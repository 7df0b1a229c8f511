import type { SiteId } from '../anatomy/ids'
import { estimate } from './estimate'
import type { Estimate, EstimateOptions, Subject, Values } from '../equations/types'
import {
  type MeasurementSetup,
  massVariance,
  siteError,
  valueVariance,
} from '../measurement-error/site-error'
import { attempt } from '../outcome'

/** One check-in as the error model sees it. */
export interface MeasuredOccasion {
  subject: Subject
  values: Values
  /** Trials taken of each site; 1 where not said. */
  trials?: Partial<Record<SiteId, number>>
  /** Days that the body mass is an average of. */
  massDays?: number
}

/**
 * What an equation gives. `equationSum` is the sum of the folds that it adds up; `recomposition` is lean less fat mass:
 * its change is fat lost plus lean gained.
 */
export const EQUATION_QUANTITIES = [
  'equationSum',
  'fatPercent',
  'fatMass',
  'leanMass',
  'recomposition',
] as const
export type EquationQuantity = (typeof EQUATION_QUANTITIES)[number]

/** What is followed: `sum` is of the folds of the set, whatever an equation reads. */
export type Quantity = 'sum' | EquationQuantity

/** What a quantity does per unit of each site (mm, cm) and per kg of body mass, around one occasion. */
export interface Gradient {
  value: number
  sites: Partial<Record<SiteId, number>>
  mass: number
}

/** A quantity of an estimate; undefined where it was not computed. */
export function quantityOf(quantity: EquationQuantity, estimated: Estimate): number | undefined {
  const { sumMm, fatPercent, fatMassKg, leanMassKg } = estimated
  if (quantity === 'equationSum') return sumMm
  if (quantity === 'fatPercent') return fatPercent
  if (fatMassKg === undefined || leanMassKg === undefined) return undefined
  return { fatMass: fatMassKg, leanMass: leanMassKg, recomposition: leanMassKg - fatMassKg }[
    quantity
  ]
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
): Record<EquationQuantity, Gradient> {
  const at = (v: Values, massKg = subject.massKg) => {
    const result = estimate(equationId, { ...subject, massKg }, v, options)
    return EQUATION_QUANTITIES.map((quantity) => quantityOf(quantity, result) ?? NaN)
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
    EQUATION_QUANTITIES.map((quantity, i): [EquationQuantity, Gradient] => [
      quantity,
      {
        value: here[i]!,
        sites: Object.fromEntries(slopes.map(([site, of]) => [site, of[i]!])),
        mass: mass?.[i] ?? 0,
      },
    ]),
  ) as Record<EquationQuantity, Gradient>
}

/** Slopes by central differences; to one side where the other is refused, as at the least that a site can read. */
function slopesAt(of: (x: number) => number[], x: number, here: number[]): number[] {
  const [above, below] = [attempt(() => of(x + STEP)), attempt(() => of(x - STEP))]
  const [up, down] = [above.ok ? above.value : here, below.ok ? below.value : here]
  const width = (above.ok ? STEP : 0) + (below.ok ? STEP : 0)
  return here.map((_, i) => (width === 0 ? 0 : (up[i]! - down[i]!) / width))
}

/** The errors that one occasion was measured with. */
export interface OccasionErrors {
  /** Variance of a site's value, mm² or cm². */
  site(site: SiteId): number
  /** Variance of the body mass, kg². */
  mass: number
}

/**
 * The errors of an occasion, from who read each site and with what.
 *
 * @param setupOf the tester and instruments of a site, or of body mass
 */
export function occasionErrors(
  { trials, massDays }: MeasuredOccasion,
  setupOf: (of: SiteId | 'mass') => MeasurementSetup,
): OccasionErrors {
  return {
    site: (site) => valueVariance(siteError(site, setupOf(site)), trials?.[site] ?? 1),
    mass: massVariance(massDays, setupOf('mass').skill),
  }
}

/**
 * The variance that one occasion puts into a quantity.
 *
 * @param factorOf by how much a site's error grows, as for another tester than last time
 */
export function occasionVariance(
  gradient: Gradient,
  errors: OccasionErrors,
  factorOf: (site: SiteId) => number = () => 1,
): number {
  let variance = gradient.mass ** 2 * errors.mass
  for (const site of Object.keys(gradient.sites) as SiteId[]) {
    variance += (factorOf(site) * gradient.sites[site]!) ** 2 * errors.site(site)
  }
  return variance
}

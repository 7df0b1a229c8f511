import { type Message, say } from '../say'
import type { SiteId } from '../anatomy/ids'
import { type LocatedValue, isSamePlace } from '../anatomy/landmark-standards'
import { namesOf } from '../anatomy/names'
import {
  type Measured,
  occasionFor,
  readCheckIn,
  setupAt,
  siteFactor,
  siteVariance,
} from './measured'
import {
  type CheckInRecord,
  type Person,
  type Sheet,
  leadEquation,
  resultOf,
  sheetOf,
} from '../composition/check-in'
import {
  EQUATION_QUANTITIES,
  type Quantity,
  gradientsOf,
  occasionErrors,
  occasionVariance,
} from '../composition/error-bands'
import { servedValues } from '../composition/every'
import { type FollowedFolds, type LocatedFold, foldSumOf } from '../composition/fold-sum'
import { equationById, variantFor } from '../equations/registry'
import type { Conversion, Estimate } from '../equations/types'
import { Z95 } from '../measurement-error/site-error'
import { attempt } from '../outcome'
import { protocolOf } from '../protocols/in-force'

/** One check-in of a series: its estimate by the series' equation, or why there is none. */
export interface SeriesPoint<R extends CheckInRecord> {
  checkIn: R
  estimate: Estimate | null
  /** Why there is no estimate, in words. */
  gap?: Message
}

/** What a series is computed by, all the way. */
export interface SeriesBasis {
  equationId: string | undefined
  conversion: Conversion
  /** The folds whose sum is followed; those of each check-in's own set where not said. */
  sumFolds?: readonly LocatedFold[]
}

/**
 * The equation and conversion of the newest check-in.
 *
 * @param followed the folds that the check-ins of the series have in common, where their sum is wanted
 */
export function basisOf(
  person: Person,
  newest: CheckInRecord,
  followed?: FollowedFolds,
): SeriesBasis {
  return {
    ...(followed ? { sumFolds: followed.folds } : {}),
    equationId: leadEquation(protocolOf(newest), person.sex),
    conversion: newest.conversion,
  }
}

/** What a check-in lacks of wanted sites, in words: those not taken, or located by another landmark standard. */
function lacking(
  wanted: readonly SiteId[],
  has: (site: SiteId) => boolean,
  measured: readonly LocatedValue[],
): Message | undefined {
  const missing = wanted.filter((site) => !has(site))
  if (missing.length === 0) return undefined
  const other = missing.filter((site) => measured.some((m) => m.site === site))
  return other.length > 0
    ? say('change.locatedAnotherLandmarkStandardTaken', { other: namesOf(other) })
    : say('change.taken', { missing: namesOf(missing) })
}

/** What a check-in lacks for an equation. */
function lackingFor(person: Person, checkIn: CheckInRecord, equationId: string) {
  const { measured } = sheetOf(person, checkIn)
  const equation = equationById(equationId)
  const variant = variantFor(equation, person.sex)
  const served = servedValues(equation, measured)
  const wanted = [...variant.folds, ...variant.girths]
  return lacking(wanted, (site) => served[site] !== undefined, measured)
}

/** Why a check-in has no sum of the folds that a series is followed by, in words; undefined where it has one. */
export function sumGap(
  { measured }: Pick<Sheet, 'measured'>,
  folds: readonly LocatedFold[],
): Message | undefined {
  const has = (wanted: SiteId) =>
    folds.some((fold) => fold.site === wanted && measured.some((m) => isSamePlace(m, fold)))
  return lacking(
    folds.map(({ site }) => site),
    has,
    measured,
  )
}

/**
 * A like-for-like series: every check-in by one equation, standard and conversion. Older check-ins by other sets are
 * computed by the same equation wherever their sites allow; where they do not, the gap says why.
 *
 * @param checkIns in the order wanted
 * @param basis the equation and conversion, or the newest check-in that names them
 */
export function seriesBy<R extends CheckInRecord>(
  person: Person,
  checkIns: readonly R[],
  basis: SeriesBasis | CheckInRecord,
): SeriesPoint<R>[] {
  const { equationId, conversion } = 'readings' in basis ? basisOf(person, basis) : basis
  return checkIns.map((checkIn) => {
    if (equationId === undefined) {
      return { checkIn, estimate: null, gap: say('change.setFeedsEquation') }
    }
    const result = resultOf(person, { ...checkIn, conversion }, equationId)
    if (result.ok) return { checkIn, estimate: result.value }
    const gap = lackingFor(person, checkIn, equationId) ?? result.error.said
    return { checkIn, estimate: null, gap }
  })
}

/** The half-width of the 95 % band of one check-in's quantity, by measurement error alone. */
export interface TechnicalErrorBand {
  value: number
  halfWidth: number
}

/**
 * The technical band of every quantity at one check-in: how far the readings may be off, at 95 %. It is the band of a
 * curve, and not the standard error of the estimate.
 *
 * @param reference a check-in whose tester and instruments count as the usual ones: where others read a site, its part
 *   of the band is half as wide again
 * @returns without the quantities that the equation does not give, mm, % or kg as each has it
 */
export function bandsOf(
  person: Person,
  measured: Measured,
  { equationId, conversion, sumFolds }: SeriesBasis,
  reference: Measured = measured,
): Partial<Record<Quantity, TechnicalErrorBand>> {
  const read = readCheckIn(person, measured)
  const factorOf = (site: SiteId) => siteFactor(reference, measured, site)
  const sum = foldSumOf(read.sheet, sumFolds)
  const bands: Partial<Record<Quantity, TechnicalErrorBand>> = {}
  if (sum) {
    const variance = sum.folds.reduce(
      (total, site) => total + factorOf(site) ** 2 * siteVariance(read, site),
      0,
    )
    bands.sum = { value: sum.mm, halfWidth: Z95 * Math.sqrt(variance) }
  }
  if (equationId === undefined) return bands
  const found = attempt(() => {
    const occasion = occasionFor(equationId, read)
    return { occasion, gradients: gradientsOf(equationId, occasion, { conversion }) }
  })
  if (!found.ok) return bands
  const { occasion, gradients } = found.value
  const errors = occasionErrors(occasion, (of) =>
    of === 'mass' ? measured.setup : setupAt(measured, of).setup,
  )
  for (const quantity of EQUATION_QUANTITIES) {
    const gradient = gradients[quantity]
    if (!Number.isFinite(gradient.value)) continue
    const variance = occasionVariance(gradient, errors, factorOf)
    bands[quantity] = { value: gradient.value, halfWidth: Z95 * Math.sqrt(variance) }
  }
  return bands
}

import { type SiteId, isSkinfold, isBone } from '../anatomy/ids'
import { blendedRepeatError } from './technical-error'
import { RELOCATION_SHARE, type Skill, usualRepeatError } from './usual-errors'
import type { TrialScheme } from '../protocols/trial-scheme'
import { type SiteValue, allowedAt } from '../readings/site-value'

/* All factors here are judgement (no published source), and are replaced by the tester's own error once it is known. */

/** Jaws squeezed by hand instead of a spring. */
const HAND_SQUEEZED = 1.5
/** A girth that one takes of oneself, on the error of an unpractised hand. */
const SELF_TAKEN = 1.25
/** Another tester or caliper than last time, on the whole error. */
const CHANGED_SETUP = 1.5
/** Of a fold, that its error grows by; so small that only thick folds feel it. */
const FOLD_SHARE = 0.02
/** Day-to-day swing of body mass, kg, for one weighing. */
export const MASS_SWING_KG = 0.6

/** A tester's own repeat error by site: the TEM of their duplicates (mm, cm), and how many pairs it stands on. */
export type OwnErrors = Partial<Record<SiteId, { tem: number; pairs: number }>>

/** Who measures and with what: everything that the size of the error depends on. */
export interface MeasurementSetup {
  skill: Skill
  /** The tester's own error by site, where known. */
  ownErrors?: OwnErrors
  /** Graduation of the caliper, mm; or of the tape, cm. */
  graduation?: { mm?: number; cm?: number; boneCm?: number }
  /** The caliper's jaws are squeezed by hand. */
  handSqueezed?: boolean
  /** Somebody measures themselves. */
  selfTaken?: boolean
}

/** A trained hand with a half-millimetre caliper: what is assumed until tester and instruments are known. */
export const USUAL_SETUP: MeasurementSetup = { skill: 'trained', graduation: { mm: 0.5 } }

/** The two parts of a site's technical error: at the same mark, and of finding the mark again another day. */
export interface SiteError {
  /** One trial at one mark: mm for folds, cm for girths. */
  repeat: number
  /** Landing the mark again on another day, same unit. */
  relocation: number
}

const known = new WeakMap<MeasurementSetup, Map<SiteId, SiteError>>()

/** The technical error of one site for this setup. A hand does not change: it is computed once for each site. */
export function siteError(site: SiteId, setup: MeasurementSetup): SiteError {
  const bySite = known.get(setup) ?? new Map<SiteId, SiteError>()
  known.set(setup, bySite)
  const before = bySite.get(site)
  if (before) return before
  const error = computeSiteError(site, setup)
  bySite.set(site, error)
  return error
}

/** The technical error of a site where it reads so much: a thick fold is less sure than a thin one. */
export function siteErrorAt(site: SiteId, setup: MeasurementSetup, value: number): SiteError {
  const error = siteError(site, setup)
  if (!isSkinfold(site)) return error
  const grown = FOLD_SHARE * value
  return {
    repeat: Math.hypot(error.repeat, grown),
    relocation: Math.hypot(error.relocation, RELOCATION_SHARE * grown),
  }
}

function computeSiteError(site: SiteId, setup: MeasurementSetup): SiteError {
  const usual = usualRepeatError(site, setup.skill)
  const own = setup.ownErrors?.[site]
  const squeezed = setup.handSqueezed && isSkinfold(site) ? HAND_SQUEEZED : 1
  const alone = setup.selfTaken ? SELF_TAKEN : 1
  const repeat = blendedRepeatError(own?.tem, own?.pairs ?? 0, usual * squeezed * alone)
  const { mm, cm, boneCm } = setup.graduation ?? {}
  const graduation = (isSkinfold(site) ? mm : isBone(site) ? boneCm : cm) ?? 0
  return {
    repeat: Math.sqrt(repeat ** 2 + graduation ** 2 / 12),
    relocation: RELOCATION_SHARE * repeat,
  }
}

/**
 * Variance of one check-in's site value about the truth of that day: repeat² / k + re-mark². Trials on one day share
 * the mark, so more of them shrink only the repeat part.
 *
 * @param trials how many single trials the value is worth: those taken, or `effectiveTrials`
 * @returns mm² or cm²
 */
export function valueVariance({ repeat, relocation }: SiteError, trials: number): number {
  return repeat ** 2 / Math.max(LEAST_WORTH, trials) + relocation ** 2
}

const LEAST_WORTH = 0.4

/** As `valueVariance`, of a value that was settled from its trials by the rules of a set, at the size that it reads. */
export function settledVariance(
  site: SiteId,
  value: SiteValue,
  { tolerance, count }: Pick<TrialScheme, 'tolerance' | 'count'>,
  setup: MeasurementSetup,
): number {
  const error = siteErrorAt(site, setup, value.value)
  const allowed = allowedAt(tolerance, value.value)
  return valueVariance(error, effectiveTrials(value, { allowed, count }, error))
}

/**
 * How many single trials a site's value is worth. The mean of any number is what it is. More trials than are always
 * taken are taken only where those are apart, so that together they are no lucky sample: the mean of the pair that
 * agrees is then worth less than two trials, and the wider the tolerance against the repeat error the less. The closest
 * two of three or more that are always taken are worth less than two as well, and a median less than a mean. The share
 * of repeat² that is left was simulated (60,000 sheets a step, two to five trials, tolerance from 0.3 to 4 repeat errors)
 * and is given here as straight lines that do not promise more than was found.
 *
 * @param value with its method
 * @param allowed how far apart a pair may be, in the unit of the value
 * @param count trials that are always taken
 */
export function effectiveTrials(
  { taken, method }: Pick<SiteValue, 'taken' | 'method'>,
  { allowed, count }: { allowed: number; count: number },
  { repeat }: SiteError,
): number {
  if (method === 'single' || method === 'mean') return taken
  const width = Math.min(allowed / repeat, WIDEST_SIMULATED)
  const apart = taken > count
  if (method === 'agreeing pair') return 1 / (apart ? lineAt(PAIR_WHEN_APART, width) : PAIR_ALWAYS)
  if (apart && taken === 3) return 1 / lineAt(MEDIAN_OF_THREE_WHEN_APART, width)
  const usual = MEDIAN_ALWAYS[Math.min(taken, 5) as 3 | 4 | 5]
  return 1 / (usual + (apart ? MEDIAN_SLOPE_WHEN_APART * width : 0))
}

const WIDEST_SIMULATED = 4
type Line = readonly [at0: number, slope: number]
/** Share of repeat² left: at a tolerance of nothing, and more for each repeat error that the tolerance is wide. */
const PAIR_WHEN_APART: Line = [0.44, 0.3]
const MEDIAN_OF_THREE_WHEN_APART: Line = [0.41, 0.1]
const MEDIAN_SLOPE_WHEN_APART = 0.03
/** The same without any condition, whatever the tolerance. */
const PAIR_ALWAYS = 0.61
const MEDIAN_ALWAYS = { 3: 0.449, 4: 0.298, 5: 0.287 } as const

const lineAt = ([at0, slope]: Line, width: number) => at0 + slope * width

/** By how much the error of a change grows when tester or caliper are not those of last time. */
export function changedSetupFactor(change: {
  anotherTester?: boolean
  anotherCaliper?: boolean
}): number {
  return change.anotherTester || change.anotherCaliper ? CHANGED_SETUP : 1
}

/**
 * Variance of a body mass about the client's usual mass of those days.
 *
 * @param days how many days were averaged, 1 for a single weighing
 * @returns kg²
 */
export function massVariance(days = 1, skill: Skill = 'trained'): number {
  return (MASS_SWING_KG ** 2 + usualRepeatError('mass', skill) ** 2) / Math.max(1, days)
}

/** 95 % of a normal distribution lies within this many standard deviations. */
export const Z95 = 1.96

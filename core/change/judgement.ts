import { isSkinfold, type GirthId, type SiteId, type SkinfoldId } from '../anatomy/ids'
import {
  leadEquation,
  sheetOf,
  type CheckInRecord,
  type Person,
  type Sheet,
} from '../composition/check-in'
import {
  changeErrors,
  QUANTITIES,
  quantityOf,
  type MeasuredOccasion,
  type Quantity,
} from '../composition/error-bands'
import { servedValues } from '../composition/every'
import { correctedGirth, FOLD_OVER_GIRTH } from '../composition/indices'
import { equationById, variantFor } from '../equations/registry'
import { conditionDifferences, type Conditions } from '../readings/conditions'
import { rulesOf } from '../readings/rotation'
import type { SiteValue } from '../readings/site-value'
import { attempt } from '../outcome'
import { schoolOfSite } from '../protocols/registry'
import type { Protocol } from '../protocols/types'
import {
  changedHandFactor,
  effectiveTrials,
  massVariance,
  siteError,
  valueVariance,
  type Hand,
} from '../measurement-error/site-error'
import { daysBetween, type IsoDate } from '../units/dates'
import { compare, type Comparison } from './compare'
import { MATTERS, sumThatMatters, verdictOn, verdictsOn, type Verdict } from './verdict'

/** One check-in as the judgement sees it: what was read, by whom and with what, and on how many days' mass it stands. */
export interface Measured extends CheckInRecord {
  hand: Hand
  coachId?: string
  caliperId?: string | null
  conditions?: Conditions
  /** The average of the days around it, in place of the one weighing. */
  weekMass?: { kg: number; days: number }
}

export interface SiteChange {
  site: SiteId
  /** mm or cm. */
  then: number
  now: number
  verdict: Verdict
}

/** A girth less the fold over it: muscle and bone at one place. */
export interface CorrectedChange {
  girth: GirthId
  fold: SkinfoldId
  then: number
  now: number
  verdict: Verdict
}

/** What changed between two check-ins of one person, and how sure it is. */
export interface Judgement {
  since: IsoDate
  until: IsoDate
  weeks: number
  /** The equation both are computed by; undefined where none reads both. */
  equationId: string | undefined
  comparison: Comparison | undefined
  quantities: Partial<Record<Quantity | 'mass', Verdict>>
  /** Folds that both have in one school, then girths; each kind judged with its number in mind. */
  folds: SiteChange[]
  girths: SiteChange[]
  corrected: CorrectedChange[]
  /** The folds that the sum is of. */
  summed: number
  /** Body mass at the earlier check-in, kg. */
  massThenKg: number | undefined
  /** What differs in people, instruments and conditions, in sentences. */
  differs: string[]
}

/** How many single trials each value is worth. */
export function trialsWorth(
  sites: Partial<Record<SiteId, SiteValue>>,
  protocol: Protocol,
  hand: Hand,
): Partial<Record<SiteId, number>> {
  const worth: Partial<Record<SiteId, number>> = {}
  for (const site of Object.keys(sites) as SiteId[]) {
    const value = sites[site]!
    const { tolerance } = rulesOf(protocol, site)
    const allowed =
      tolerance.kind === 'percent'
        ? Math.max((tolerance.value / 100) * value.value, tolerance.atLeast ?? 0)
        : tolerance.value
    worth[site] = effectiveTrials(value, allowed, siteError(site, hand))
  }
  return worth
}

/** One check-in read: its sheet with the mass of the days around it, and how many trials each value is worth. */
export interface ReadCheckIn {
  sheet: Sheet
  worth: Partial<Record<SiteId, number>>
  massDays: number
}

export function readMeasured(person: Person, measured: Measured): ReadCheckIn {
  const sheet = sheetOf(person, measured)
  const { weekMass } = measured
  return {
    sheet: weekMass ? { ...sheet, subject: { ...sheet.subject, massKg: weekMass.kg } } : sheet,
    worth: trialsWorth(sheet.sites, sheet.protocol, measured.hand),
    massDays: weekMass?.days ?? 1,
  }
}

/** The occasion of a check-in for one equation, at the age given. */
export function occasionFor(
  equationId: string,
  { sheet, worth, massDays }: ReadCheckIn,
  ageYears = sheet.subject.ageYears,
): MeasuredOccasion {
  return {
    subject: { ...sheet.subject, ageYears },
    values: servedValues(equationById(equationId), sheet.measured),
    trials: worth,
    massDays,
  }
}

/** Two check-ins read, with who measured them. */
interface Pair {
  then: Measured
  now: Measured
  before: ReadCheckIn
  after: ReadCheckIn
  /** Whether tester or caliper are others. */
  hands: { anotherTester: boolean; anotherCaliper: boolean }
}

/**
 * Judges what changed between two check-ins: every quantity with its 95 % interval by the hands that measured, both
 * computed at the later age by one equation.
 *
 * @param then the earlier one
 * @param now the later one
 * @param equationId the equation of the series; that of the later check-in where not said
 */
export function judgeChange(
  person: Person,
  then: Measured,
  now: Measured,
  equationId?: string,
): Judgement {
  const [before, after] = [readMeasured(person, then), readMeasured(person, now)]
  const hands = {
    anotherTester: then.coachId !== now.coachId,
    anotherCaliper: (then.caliperId ?? null) !== (now.caliperId ?? null),
  }
  const pair = { then, now, before, after, hands }
  const lead = equationId ?? leadEquation(after.sheet.protocol, person.sex)
  const computed = lead === undefined ? undefined : byEquation(lead, pair)
  const { folds, girths } = siteChanges(pair)
  const mass = massChange(pair)
  const sum = computed?.quantities.sum ?? sumOfShared(folds, pair)
  return {
    since: then.measuredOn,
    until: now.measuredOn,
    weeks: daysBetween(then.measuredOn, now.measuredOn) / 7,
    equationId: computed && lead,
    comparison: computed?.comparison,
    quantities: { ...computed?.quantities, ...(sum ? { sum } : {}), ...(mass ? { mass } : {}) },
    folds,
    girths,
    corrected: correctedChanges(pair),
    summed: computed?.summed || folds.length,
    massThenKg: before.sheet.subject.massKg,
    differs: [
      ...(hands.anotherTester ? ['Another tester than then.'] : []),
      ...(hands.anotherCaliper ? ['Another caliper than then.'] : []),
      ...conditionDifferences(then.conditions ?? {}, now.conditions ?? {}),
    ],
  }
}

/** Every quantity of an equation that reads both; undefined where it does not. */
function byEquation(lead: string, { then, now, before, after, hands }: Pair) {
  const options = { conversion: now.conversion }
  const compared = attempt(() => {
    const [a, b] = [occasionFor(lead, before), occasionFor(lead, after)]
    return compare(lead, a, b, options)
  })
  if (!compared.ok) return undefined
  const comparison = compared.value
  const age = after.sheet.subject.ageYears
  const [a, b] = [occasionFor(lead, before, age), occasionFor(lead, after)]
  const { folds } = variantFor(equationById(lead), after.sheet.subject.sex)
  const both = { before: then.hand, after: now.hand }
  const errors = changeErrors(lead, a, b, both, hands, options)
  const quantities: Judgement['quantities'] = {}
  for (const quantity of QUANTITIES) {
    const [from, to] = [comparison.before, comparison.after].map((e) => quantityOf(quantity, e))
    if (from === undefined || to === undefined) continue
    const { standardError } = errors[quantity]
    const matters = quantity === 'sum' ? sumThatMatters(folds.length) : MATTERS[quantity]
    quantities[quantity] = verdictOn({ change: to - from, standardError, matters })
  }
  return { comparison, quantities, summed: folds.length }
}

function sideVariance({ worth }: ReadCheckIn, site: SiteId, hand: Hand): number {
  return valueVariance(siteError(site, hand), worth[site] ?? 1)
}

/** Variance of the change at one site, before what another hand adds. */
function pairVariance(site: SiteId, { then, now, before, after }: Pair): number {
  return sideVariance(before, site, then.hand) + sideVariance(after, site, now.hand)
}

/** Sites that both have in one school. */
function sharedSites(before: Sheet, after: Sheet) {
  return after.measured.flatMap(({ site, value, school }) => {
    const earlier = before.measured.find((m) => m.site === site && m.school === school)
    return earlier ? [{ site, then: earlier.value, now: value }] : []
  })
}

/** Whether two check-ins have anything to be compared by: body mass, or a site in one school. */
export function comparable(person: Person, then: CheckInRecord, now: CheckInRecord): boolean {
  const [before, after] = [sheetOf(person, then), sheetOf(person, now)]
  const weighed = [before, after].every(({ subject }) => subject.massKg !== undefined)
  return weighed || sharedSites(before, after).length > 0
}

/** Shared sites with their changes; folds and girths are two families. */
function siteChanges(pair: Pair): { folds: SiteChange[]; girths: SiteChange[] } {
  const { before, after, hands } = pair
  const shared = sharedSites(before.sheet, after.sheet)
  const judged = (wanted: typeof shared) => {
    const verdicts = verdictsOn(
      wanted.map(({ site, then, now }) => {
        const fold = isSkinfold(site)
        // A caliper has no part in a girth.
        const factor = changedHandFactor(fold ? hands : { anotherTester: hands.anotherTester })
        return {
          change: now - then,
          standardError: factor * Math.sqrt(pairVariance(site, pair)),
          matters: fold ? MATTERS.fold : MATTERS.girth,
        }
      }),
    )
    return wanted.map((change, i) => ({ ...change, verdict: verdicts[i]! }))
  }
  return {
    folds: judged(shared.filter(({ site }) => isSkinfold(site))),
    girths: judged(shared.filter(({ site }) => !isSkinfold(site))),
  }
}

/** Girths less the folds over them, where both are there both times. */
function correctedChanges(pair: Pair): CorrectedChange[] {
  const { before, after, hands } = pair
  const pairs = Object.entries(FOLD_OVER_GIRTH) as [GirthId, SkinfoldId[]][]
  return pairs.flatMap(([girth, folds]) =>
    folds.flatMap((fold): CorrectedChange[] => {
      const value = ({ sheet }: ReadCheckIn) => {
        const [around, over] = [sheet.sites[girth]?.value, sheet.sites[fold]?.value]
        if (around === undefined || over === undefined) return undefined
        const left = attempt(() => correctedGirth(around, over))
        return left.ok ? left.value : undefined
      }
      const [then, now] = [value(before), value(after)]
      const schools = [before, after].map(({ sheet }) => schoolOfSite(sheet.protocol, fold))
      if (then === undefined || now === undefined || schools[0] !== schools[1]) return []
      // pi times the fold in cm is taken off, so its error counts pi / 10 times.
      const variance = pairVariance(girth, pair) + (Math.PI / 10) ** 2 * pairVariance(fold, pair)
      const standardError = changedHandFactor(hands) * Math.sqrt(variance)
      const verdict = verdictOn({ change: now - then, standardError, matters: MATTERS.girth })
      return [{ girth, fold, then, now, verdict }]
    }),
  )
}

function massChange({ then, now, before, after }: Pair): Verdict | undefined {
  const [from, to] = [before.sheet.subject.massKg, after.sheet.subject.massKg]
  if (from === undefined || to === undefined) return undefined
  const variance =
    massVariance(before.massDays, then.hand.skill) + massVariance(after.massDays, now.hand.skill)
  return verdictOn({
    change: to - from,
    standardError: Math.sqrt(variance),
    matters: MATTERS.mass,
  })
}

/** Where no equation sums: the sum of the folds that both have. One fold alone is no sum. */
function sumOfShared(folds: readonly SiteChange[], pair: Pair): Verdict | undefined {
  if (folds.length < 2) return undefined
  const variance = folds.reduce((total, { site }) => total + pairVariance(site, pair), 0)
  return verdictOn({
    change: folds.reduce((total, { now, then }) => total + now - then, 0),
    standardError: changedHandFactor(pair.hands) * Math.sqrt(variance),
    matters: sumThatMatters(folds.length),
  })
}

import { type GirthId, type SiteId, type SkinfoldId, isSkinfold } from '../anatomy/ids'
import { isSamePlace } from '../anatomy/landmark-standards'
import { type Comparison, compare } from './compare'
import {
  type Measured,
  type ReadCheckIn,
  occasionFor,
  readCheckIn,
  setupAt,
  setupChange,
  siteFactor,
  siteVariance,
} from './measured'
import {
  SMALLEST_WORTHWHILE_CHANGE,
  type Verdict,
  smallestWorthwhileChangeOfSum,
  verdictOn,
  verdictsOn,
} from './verdict'
import {
  type CheckInRecord,
  type Person,
  type Sheet,
  leadEquation,
  sheetOf,
} from '../composition/check-in'
import {
  EQUATION_QUANTITIES,
  type Quantity,
  changeErrors,
  occasionErrors,
  quantityOf,
} from '../composition/error-bands'
import { foldsTaken } from '../composition/fold-sum'
import { FOLD_OVER_GIRTH, correctedGirth } from '../composition/indices'
import { FAT_KCAL_PER_KG, LEAN_KCAL_PER_KG } from '../composition/tissue-energy'
import { equationById, variantFor } from '../equations/registry'
import { Z95, changedSetupFactor, massVariance } from '../measurement-error/site-error'
import { attempt } from '../outcome'
import { conditionDifferences } from '../readings/conditions'
import { type IsoDate, daysBetween } from '../units/dates'

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
  /** What the change of fat and lean mass holds, kcal; undefined where they were not computed. */
  energy: { changeKcal: number; standardError: number } | undefined
  /** Folds that both have in one standard, then girths; each kind judged with its number in mind. */
  folds: SiteChange[]
  girths: SiteChange[]
  corrected: CorrectedChange[]
  /** The folds that `sum` is of: all that both have, by one landmark standard. */
  sumFolds: SkinfoldId[]
  /** Whether both took just these, so that the sum is the whole one of the set. */
  sumIsWhole: boolean
  /** The folds that `equationSum` is of. */
  equationFolds: readonly SkinfoldId[]
  /** Body mass at the earlier check-in, kg. */
  massThenKg: number | undefined
  /** What differs in people, instruments and conditions, in sentences. */
  differs: string[]
}

/** Two check-ins read, with whether tester or caliper are others. */
interface Pair {
  before: ReadCheckIn
  after: ReadCheckIn
  changed: ReturnType<typeof setupChange>
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
  const [before, after] = [readCheckIn(person, then), readCheckIn(person, now)]
  const changed = setupChange(then, now)
  const pair = { before, after, changed }
  const lead = equationId ?? leadEquation(after.sheet.protocol, person.sex)
  const { folds, girths } = siteChanges(pair)
  const computed = lead === undefined ? undefined : byEquation(lead, pair, folds)
  const mass = massChange(pair)
  const sum = sumOf(folds, pair)
  const sumFolds = folds.map(({ site }) => site as SkinfoldId)
  return {
    since: then.measuredOn,
    until: now.measuredOn,
    weeks: daysBetween(then.measuredOn, now.measuredOn) / 7,
    equationId: computed && lead,
    comparison: computed?.comparison,
    quantities: { ...computed?.quantities, ...(sum ? { sum } : {}), ...(mass ? { mass } : {}) },
    energy: computed?.energy,
    folds,
    girths,
    corrected: correctedChanges(pair),
    sumFolds,
    sumIsWhole: [before, after].every(({ sheet }) => foldsTaken(sheet).length === sumFolds.length),
    equationFolds: computed?.equationFolds ?? [],
    massThenKg: before.sheet.subject.massKg,
    differs: differencesBetween(then, now),
  }
}

/** What differs in people, instruments and conditions between two check-ins, in sentences. */
export function differencesBetween(then: Measured, now: Measured): string[] {
  const changed = setupChange(then, now)
  return [
    ...(changed.anotherTester ? ['Another tester than then.'] : []),
    ...(changed.anotherCaliper ? ['Another caliper than then.'] : []),
    ...conditionDifferences(then.conditions ?? {}, now.conditions ?? {}),
  ]
}

/** Every quantity of an equation that reads both; undefined where it does not. */
function byEquation(lead: string, pair: Pair, shared: readonly SiteChange[]) {
  const { before, after } = pair
  const options = { conversion: after.measured.conversion }
  const compared = attempt(() => {
    const [a, b] = [occasionFor(lead, before), occasionFor(lead, after)]
    return compare(lead, a, b, options)
  })
  if (!compared.ok) return undefined
  const comparison = compared.value
  const age = after.sheet.subject.ageYears
  const sides = [before, after].map((side) => {
    const occasion = occasionFor(lead, side, age)
    const errors = occasionErrors(occasion, (of) =>
      of === 'mass' ? side.measured.setup : setupAt(side.measured, of).setup,
    )
    return { occasion, errors }
  })
  const factorOf = (site: SiteId) => siteFactor(before.measured, after.measured, site)
  const errors = changeErrors(lead, sides[0]!, sides[1]!, factorOf, options)
  const { folds } = variantFor(equationById(lead), after.sheet.subject.sex)
  const quantities: Judgement['quantities'] = {}
  for (const quantity of EQUATION_QUANTITIES) {
    const [from, to] = [comparison.before, comparison.after].map((e) => quantityOf(quantity, e))
    if (from === undefined || to === undefined) continue
    const summed = shared.filter(({ site }) => folds.some((f) => f === site))
    if (quantity === 'equationSum' && summed.length === folds.length && summed.length > 1) {
      // The same folds in the same order as everywhere else, so that the error is the same to the last digit.
      quantities.equationSum = sumOf(summed, pair)
      continue
    }
    const worthwhile =
      quantity === 'equationSum'
        ? smallestWorthwhileChangeOfSum(folds.length)
        : SMALLEST_WORTHWHILE_CHANGE[quantity]
    quantities[quantity] = verdictOn({
      ...{ change: to - from, standardError: errors[quantity], worthwhile },
    })
  }
  const { fatMass, leanMass } = quantities
  const energy = fatMass &&
    leanMass && {
      changeKcal: FAT_KCAL_PER_KG * fatMass.change + LEAN_KCAL_PER_KG * leanMass.change,
      standardError: errors.energy,
    }
  return { comparison, quantities, energy, equationFolds: folds }
}

/** Variance of the change at one site, another tester or instrument included. */
function changeVariance(site: SiteId, { before, after }: Pair): number {
  const factor = siteFactor(before.measured, after.measured, site)
  return factor ** 2 * (siteVariance(before, site) + siteVariance(after, site))
}

/** Sites that both have by one landmark standard. */
function sharedSites(before: Sheet, after: Sheet) {
  return after.measured.flatMap((now) => {
    const then = before.measured.find((m) => isSamePlace(m, now))
    return then ? [{ site: now.site, then: then.value, now: now.value }] : []
  })
}

/** Whether two check-ins have anything to be compared by: body mass, or a site by one landmark standard. */
export function comparable(person: Person, then: CheckInRecord, now: CheckInRecord): boolean {
  const [before, after] = [sheetOf(person, then), sheetOf(person, now)]
  const weighed = [before, after].every(({ subject }) => subject.massKg !== undefined)
  return weighed || sharedSites(before, after).length > 0
}

/** Shared sites with their changes; folds and girths are two families. */
function siteChanges(pair: Pair): { folds: SiteChange[]; girths: SiteChange[] } {
  const shared = sharedSites(pair.before.sheet, pair.after.sheet)
  const judged = (wanted: typeof shared) => {
    const verdicts = verdictsOn(
      wanted.map(({ site, then, now }) => ({
        change: now - then,
        standardError: Math.sqrt(changeVariance(site, pair)),
        worthwhile: SMALLEST_WORTHWHILE_CHANGE[isSkinfold(site) ? 'fold' : 'girth'],
      })),
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
  const { before, after, changed } = pair
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
      const alike = [girth, fold].every((site) => {
        const [a, b] = [before, after].map(({ sheet }) =>
          sheet.measured.find((m) => m.site === site),
        )
        return a && b && isSamePlace(a, b)
      })
      if (then === undefined || now === undefined || !alike) return []
      const sideVariance = (side: ReadCheckIn) =>
        // pi times the fold in cm is taken off, so its error counts pi / 10 times.
        siteVariance(side, girth) + (Math.PI / 10) ** 2 * siteVariance(side, fold)
      const variance = sideVariance(before) + sideVariance(after)
      const standardError = changedSetupFactor(changed) * Math.sqrt(variance)
      const worthwhile = SMALLEST_WORTHWHILE_CHANGE.girth
      const verdict = verdictOn({ change: now - then, standardError, worthwhile })
      return [{ girth, fold, then, now, verdict }]
    }),
  )
}

function massChange({ before, after }: Pair): Verdict | undefined {
  const [from, to] = [before.sheet.subject.massKg, after.sheet.subject.massKg]
  if (from === undefined || to === undefined) return undefined
  const variance = [before, after].reduce(
    (sum, { massDays, measured }) => sum + massVariance(massDays, measured.setup.skill),
    0,
  )
  return verdictOn({
    change: to - from,
    standardError: Math.sqrt(variance),
    worthwhile: SMALLEST_WORTHWHILE_CHANGE.mass,
  })
}

/** The change of a sum of folds. One fold alone is no sum. */
function sumOf(folds: readonly SiteChange[], pair: Pair): Verdict | undefined {
  if (folds.length < 2) return undefined
  return verdictOn({
    change: folds.reduce((total, { now, then }) => total + now - then, 0),
    standardError: Math.sqrt(
      folds.reduce((total, { site }) => total + changeVariance(site, pair), 0),
    ),
    worthwhile: smallestWorthwhileChangeOfSum(folds.length),
  })
}

/**
 * The smallest change of the folds taken so far that is more than measurement error, at 95 %: of all folds that both
 * check-ins have, whatever the equation sums.
 *
 * @param then the check-in before; itself where there is none, for what the next one will be able to tell
 * @returns mm; undefined before the first fold that both have
 */
export function minimalDetectableChangeOfSum(
  person: Person,
  now: Measured,
  then: Measured = now,
): number | undefined {
  const [before, after] = [readCheckIn(person, then), readCheckIn(person, now)]
  const pair = { before, after, changed: setupChange(then, now) }
  const folds = sharedSites(before.sheet, after.sheet).filter(({ site }) => isSkinfold(site))
  if (folds.length === 0) return undefined
  const variance = folds.reduce((total, { site }) => total + changeVariance(site, pair), 0)
  return Z95 * Math.sqrt(variance)
}

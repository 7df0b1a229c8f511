import { mean, sampleStandardDeviation } from 'simple-statistics'
import { type SiteId, isSkinfold } from '../anatomy/ids'
import type { IsoDate } from '../units/dates'
import { type Agreement, type StudyRow, studyResults } from './study'
import { acceptablePercentTem, temOfPairs } from './technical-error'
import { type Skill, usualRepeatError } from './usual-errors'

/*
 * The guided study of a tester: the same people measured twice at every site, all sites once before any a second time,
 * so that nobody remembers the first reading; and nobody sees it before the second is in.
 */

/** Who measures whom, and where. */
export interface StudyDesign {
  /** The one who is studied first; a second one is held against them. */
  testers: readonly string[]
  sites: readonly SiteId[]
  /** Numbers of the subjects, from 0, in the order in which they are measured. */
  order: readonly number[]
}

/** One reading of a study. */
export interface StudyTrial {
  subject: number
  site: SiteId
  tester: string
  /** 1 on the first pass, 2 on the second. */
  trial: 1 | 2
  /** mm for folds, cm for girths. */
  value: number
}

/** What is measured next. */
export type StudyStep = Omit<StudyTrial, 'value'>

/** Common practice, no source. */
export const USUAL_SUBJECTS = 20

const keyOf = ({ subject, site, tester, trial }: StudyStep) =>
  JSON.stringify([subject, site, tester, trial])

/**
 * What a tester measures next: the subject in hand, all sites on the first pass and then all on the second, then the next
 * subject of the order.
 *
 * @param trials those that count, in any order
 * @param inHand the subject that was chosen, where it is not the order's next
 * @returns undefined where that tester is done
 */
export function nextInStudy(
  { sites, order }: StudyDesign,
  trials: readonly StudyStep[],
  tester: string,
  inHand?: number,
): StudyStep | undefined {
  const taken = new Set(trials.map(keyOf))
  // Who was begun is finished first: the second pass is of the same day.
  const begun = order.filter((subject) =>
    trials.some((one) => one.subject === subject && one.tester === tester),
  )
  for (const subject of [...(inHand === undefined ? [] : [inHand]), ...begun, ...order]) {
    for (const trial of [1, 2] as const) {
      for (const site of sites) {
        const step = { subject, site, tester, trial }
        if (!taken.has(keyOf(step))) return step
      }
    }
  }
  return undefined
}

/**
 * The rows that may be seen: of a subject and site where every tester of the study has both readings. Nothing else is
 * shown to anybody, the testers least of all.
 */
export function revealedRows(
  { testers, sites, order }: StudyDesign,
  trials: readonly StudyTrial[],
): (StudyRow & { subjectNumber: number; site: SiteId })[] {
  const values = new Map(trials.map((one) => [keyOf(one), one.value]))
  return sites.flatMap((site) =>
    [...order]
      .sort((a, b) => a - b)
      .flatMap((subject) => {
        const rows = testers.map((tester) => ({
          ...{ subject: String(subject), subjectNumber: subject, site, tester },
          trials: ([1, 2] as const).flatMap(
            (trial) => values.get(keyOf({ subject, site, tester, trial })) ?? [],
          ),
        }))
        return rows.every(({ trials: both }) => both.length === 2) ? rows : []
      }),
  )
}

/** What a pair of readings of one subject says beside the others: by how much it stands out. */
export interface StudyPair {
  subject: string
  first: number
  second: number
  /** Far from where the other pairs lie; it counts all the same. */
  far: boolean
}

/** From so many on can one pair be told from the others. Judgement, no source. */
const PAIRS_TO_TELL = 6
/** Standard deviations of the others. Judgement, no source. */
const FAR = 4

/**
 * Pairs with those marked that stand far from the others: their difference is more than four standard deviations of the
 * other pairs' differences away from the mean of those. None is left out of any figure.
 *
 * @param step what the readings are read to: others that all agree tell no difference of a step or two
 */
export function markedPairs(pairs: readonly Omit<StudyPair, 'far'>[], step = 0.5): StudyPair[] {
  const off = pairs.map(({ first, second }) => second - first)
  return pairs.map((pair, i) => {
    const others = off.filter((_, j) => j !== i)
    if (others.length < PAIRS_TO_TELL - 1) return { ...pair, far: false }
    const spread = Math.max(sampleStandardDeviation(others), step / Math.sqrt(12))
    return { ...pair, far: Math.abs(off[i]! - mean(others)) > FAR * spread }
  })
}

/** The result of a site, against what is asked of beginners and of the skilled. */
export interface SiteAgreement extends Agreement {
  site: SiteId
  tester: string
  against: string | undefined
  /** Largest %TEM that is acceptable. */
  targets: { beginner: number; skilled: number }
  /** The strictest that is met. */
  meets: 'skilled' | 'beginner' | undefined
  /** The means of two testers, or the readings of one. */
  marked: StudyPair[]
}

/** What is asked of somebody at a site: acceptable %TEM, as `acceptablePercentTem`. */
export const targetsAt = (site: SiteId, between = false) => {
  const of = isSkinfold(site) ? 'skinfold' : 'other'
  return {
    beginner: acceptablePercentTem(of, 'beginner', between),
    skilled: acceptablePercentTem(of, 'skilled', between),
  }
}

/** The agreement at each site of a study, within testers and between them, against the targets. */
export function siteAgreements(rows: readonly (StudyRow & { site: SiteId })[]): SiteAgreement[] {
  return studyResults(rows).map((one) => {
    const site = one.site as SiteId
    const targets = targetsAt(site, one.against !== undefined)
    const of = (tester: string) => rows.filter((row) => row.site === site && row.tester === tester)
    const other = new Map(of(one.against ?? '').map((row) => [row.subject, row]))
    const pairs = of(one.tester).flatMap(({ subject, trials: [first, second] }) => {
      if (one.against === undefined) return { subject, first: first!, second: second! }
      const theirs = other.get(subject)
      if (!theirs) return []
      const [a, b] = theirs.trials
      return { subject, first: (first! + second!) / 2, second: (a! + b!) / 2 }
    })
    return {
      ...one,
      ...{ site, targets, marked: markedPairs(pairs, isSkinfold(site) ? 0.5 : 0.1) },
      meets: metBy(one.temPercent, targets),
    }
  })
}

function metBy(temPercent: number, { beginner, skilled }: SiteAgreement['targets']) {
  if (temPercent <= skilled) return 'skilled' as const
  return temPercent <= beginner ? ('beginner' as const) : undefined
}

/** Sites to practise: those over what is asked of a tester of this skill, the furthest over first. */
export function sitesToPractise(
  results: readonly Pick<SiteAgreement, 'site' | 'temPercent' | 'targets' | 'against'>[],
  skill: Skill,
): SiteId[] {
  const level = skill === 'trained' ? 'skilled' : 'beginner'
  return results
    .filter(({ against }) => against === undefined)
    .map(({ site, temPercent, targets }) => ({ site, over: temPercent / targets[level] }))
    .filter(({ over }) => over > 1)
    .sort((a, b) => b.over - a.over)
    .map(({ site }) => site)
}

/** Two readings of one site on one day by one tester. */
export interface DatedPair {
  site: SiteId
  on: IsoDate
  first: number
  second: number
}

/** How steady a hand was in a month. */
export interface LearningStep {
  /** The month, its first day. */
  month: IsoDate
  pairs: number
  /** The tester's repeat error as a share of a trained hand's at the same sites. */
  ratio: number
}

/**
 * The learning curve: month by month the repeat error over that of a trained hand at the same sites, all sites together.
 * Each difference is taken as a share of the usual error of its site, so that months with other sites compare.
 *
 * @param least pairs without which a month says nothing
 */
export function learningCurve(pairs: readonly DatedPair[], least = 8): LearningStep[] {
  const months = new Map<IsoDate, DatedPair[]>()
  for (const pair of pairs) {
    const month = `${pair.on.slice(0, 7)}-01`
    months.set(month, [...(months.get(month) ?? []), pair])
  }
  return [...months]
    .filter(([, of]) => of.length >= least)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([month, of]) => ({
      ...{ month, pairs: of.length },
      ratio: temOfPairs(
        of.map(({ site, first, second }) => {
          const usual = usualRepeatError(site)
          return [first / usual, second / usual] as const
        }),
      ),
    }))
}

/** The agreement at each site of readings that were taken twice at check-ins, as of a study. */
export function agreementsOfPairs(tester: string, pairs: readonly DatedPair[]): SiteAgreement[] {
  return siteAgreements(
    pairs.map(({ site, first, second }, i) => ({
      ...{ subject: String(i), site, tester, trials: [first, second] },
    })),
  )
}

import { mean, sampleStandardDeviation } from 'simple-statistics'
import { Z95 } from './site-error'
import { percentTem, temOfTrials } from './technical-error'

/*
 * A study of who measures: the same people measured twice or three times by one tester, or by two. What comes out says how
 * much of a difference is the hand.
 */

/** How well repeated measurements of a site agree. */
export interface Agreement {
  /** Subjects that it stands on. */
  pairs: number
  /** Technical error of measurement, in the unit of the trials. */
  tem: number
  /** 100 TEM / grand mean. */
  temPercent: number
  /** ICC(3,1), as `intraclass`; undefined for fewer than two subjects, or where all read the same. */
  icc: number | undefined
  /** Mean of the second less the first. */
  bias: number
  /** 95 % limits of agreement, bias ± 1.96 SD of the differences; undefined for fewer than two subjects. */
  limits: readonly [low: number, high: number] | undefined
}

/**
 * Intraclass correlation ICC(3,1): each subject measured by the same k fixed judges, one measurement each, consistency.
 * (MSB - MSE) / (MSB + (k - 1) MSE). Shrout PE, Fleiss JL, Psychol Bull 1979;86:420-428.
 *
 * @param subjects a row a subject, a value a judge; every row as long as the first, two or more
 * @returns undefined for fewer than two subjects, and where nothing differs
 */
export function intraclass(subjects: readonly (readonly number[])[]): number | undefined {
  const [n, k] = [subjects.length, subjects[0]?.length ?? 0]
  if (n < 2 || k < 2) return undefined
  const grand = mean(subjects.flat())
  const rows = subjects.map((row) => mean([...row]))
  const columns = Array.from({ length: k }, (_, j) => mean(subjects.map((row) => row[j]!)))
  const between = (k * rows.reduce((sum, row) => sum + (row - grand) ** 2, 0)) / (n - 1)
  const rest = subjects.reduce(
    (sum, row, i) =>
      sum + row.reduce((of, x, j) => of + (x - rows[i]! - columns[j]! + grand) ** 2, 0),
    0,
  )
  const error = rest / ((n - 1) * (k - 1))
  const whole = between + (k - 1) * error
  return whole > 0 ? (between - error) / whole : undefined
}

/**
 * Limits of agreement of two measurements each. Bland JM, Altman DG, Lancet 1986;1:307-310 (there with 2 in place of
 * 1.96).
 *
 * @param pairs first and second of each subject
 */
function limitsOfAgreement(pairs: readonly (readonly [number, number])[]) {
  const differences = pairs.map(([a, b]) => b - a)
  const bias = mean(differences)
  if (pairs.length < 2) return { bias, limits: undefined }
  const sd = sampleStandardDeviation(differences)
  return { bias, limits: [bias - Z95 * sd, bias + Z95 * sd] as const }
}

/**
 * How well the trials of some subjects agree. Third trials count where every subject has one; bias and limits are of the
 * first two.
 *
 * @param subjects trials of each, two or three, in the order in which they were taken
 * @returns undefined where there are none
 */
export function agreementOf(subjects: readonly (readonly number[])[]): Agreement | undefined {
  if (subjects.length === 0) return undefined
  const k = Math.min(...subjects.map((trials) => trials.length))
  const even = subjects.map((trials) => trials.slice(0, k))
  const tem = temOfTrials(even)
  return {
    pairs: subjects.length,
    tem,
    temPercent: percentTem(tem, mean(even.flat())),
    icc: intraclass(even),
    ...limitsOfAgreement(even.map(([a, b]) => [a!, b!])),
  }
}

/** One subject measured at a site by a tester. */
export interface StudyRow {
  subject: string
  site: string
  tester: string
  /** Two or three, mm or cm. */
  trials: readonly number[]
}

/** The agreement of a site: of one tester with themselves, or of two with each other. */
export interface StudyResult extends Agreement {
  site: string
  tester: string
  /** The tester who was held against the first one of the site; undefined within one. */
  against: string | undefined
}

/**
 * What a study says: by site each tester with themselves, then every other tester against the first, by the mean of each
 * one's trials of a subject. In the order in which sites and testers stand.
 */
export function studyResults(rows: readonly StudyRow[]): StudyResult[] {
  const sites = [...new Set(rows.map(({ site }) => site))]
  return sites.flatMap((site) => {
    const ofSite = rows.filter((row) => row.site === site)
    const testers = [...new Set(ofSite.map(({ tester }) => tester))]
    const of = (tester: string) => ofSite.filter((row) => row.tester === tester)
    const result = (
      tester: string,
      against: string | undefined,
      subjects: readonly (readonly number[])[],
    ) => {
      const found = agreementOf(subjects)
      return found ? [{ site, tester, against, ...found }] : []
    }
    const [first, ...others] = testers
    const within = testers.flatMap((tester) =>
      result(
        tester,
        undefined,
        of(tester).map(({ trials }) => trials),
      ),
    )
    const between = others.flatMap((tester) => {
      const theirs = new Map(of(tester).map(({ subject, trials }) => [subject, trials]))
      const both = of(first!).flatMap(({ subject, trials }) => {
        const other = theirs.get(subject)
        return other ? [[mean([...trials]), mean([...other])]] : []
      })
      return result(first!, tester, both)
    })
    return [...within, ...between]
  })
}

import fc from 'fast-check'
import { mean, sampleCovariance, sampleStandardDeviation, sampleVariance } from 'simple-statistics'
import { describe, expect, test } from 'vitest'
import { InputError } from '#core'
import { readStudy, studyLines } from '../../core/exchange/study-rows'
import { agreementOf, intraclass, studyResults } from '../../core/measurement-error/study'
import { tell } from '../support/words'

/* A study of testers: technical error, intraclass correlation and limits of agreement against published examples. */

/* Six subjects by four judges. Shrout PE, Fleiss JL, Psychol Bull 1979;86:420-428, table 2 (numbers from memory). */
const SHROUT_FLEISS = [
  [9, 2, 5, 8],
  [6, 1, 3, 2],
  [8, 4, 6, 8],
  [7, 1, 2, 6],
  [10, 5, 6, 9],
  [6, 2, 4, 7],
]

/*
 * Peak expiratory flow, l/min, of 17 people: two readings by a large meter and two by a mini one. Bland JM, Altman DG,
 * Lancet 1986;1:307-310, table (numbers from memory).
 */
const LARGE = [
  [494, 490],
  [395, 397],
  [516, 512],
  [434, 401],
  [476, 470],
  [557, 611],
  [413, 415],
  [442, 431],
  [650, 638],
  [433, 429],
  [417, 420],
  [656, 633],
  [267, 275],
  [478, 492],
  [178, 165],
  [423, 372],
  [427, 421],
]
const MINI = [
  [512, 525],
  [430, 415],
  [520, 508],
  [428, 444],
  [500, 500],
  [600, 625],
  [364, 460],
  [380, 390],
  [658, 642],
  [445, 432],
  [432, 420],
  [626, 605],
  [260, 227],
  [477, 467],
  [259, 268],
  [350, 370],
  [451, 443],
]

describe('against published examples', () => {
  test('ICC(3,1) of six subjects and four judges is 0.71', () => {
    expect(intraclass(SHROUT_FLEISS)).toBeCloseTo(0.71, 2)
  })

  test('two meters: a bias of -2.1 and limits of about -80 and 76 l/min', () => {
    const first = LARGE.map(([large], i) => [MINI[i]![0]!, large!])
    const { bias, limits } = agreementOf(first)!
    expect(bias).toBeCloseTo(-2.1, 1)
    // There by twice the standard deviation of 38.8: -79.7 and 75.5.
    const sd = (limits![1] - limits![0]) / (2 * 1.96)
    expect(sd).toBeCloseTo(38.8, 1)
    const [printedBias, printedSd] = [Number(bias.toFixed(1)), Number(sd.toFixed(1))]
    expect(printedBias - 2 * printedSd).toBeCloseTo(-79.7, 9)
    expect(printedBias + 2 * printedSd).toBeCloseTo(75.5, 9)
  })

  test('and what each repeats within', () => {
    // Standard deviation within a subject: 15.3 and 19.9 l/min, which is the technical error of pairs.
    expect(agreementOf(LARGE)!.tem).toBeCloseTo(15.3, 1)
    expect(agreementOf(MINI)!.tem).toBeCloseTo(19.9, 1)
  })
})

/*
 * By another road: for two trials ICC(3,1) is 2 cov / (var + var), and for k of them it follows from Cronbach's alpha of the
 * columns (Cronbach LJ, Psychometrika 1951;16:297-334), which is ICC(3,k); with the covariances and variances of a library of
 * statistics.
 */
describe('against a library', () => {
  const table = (k: number) =>
    fc.array(fc.array(fc.integer({ min: 20, max: 600 }), { minLength: k, maxLength: k }), {
      ...{ minLength: 3, maxLength: 25 },
    })
  const columnsOf = (rows: number[][]) => rows[0]!.map((_, j) => rows.map((row) => row[j]! / 10))
  const varies = (rows: number[][]) =>
    sampleVariance(rows.map((row) => mean(row))) > 1e-6 ||
    columnsOf(rows).some((column) => sampleVariance(column) > 1e-6)

  test('two trials', () => {
    fc.assert(
      fc.property(table(2).filter(varies), (rows) => {
        const [a, b] = columnsOf(rows)
        const expected = (2 * sampleCovariance(a!, b!)) / (sampleVariance(a!) + sampleVariance(b!))
        const found = agreementOf(rows.map((row) => row.map((x) => x / 10)))!
        expect(found.icc).toBeCloseTo(expected, 9)
        const differences = a!.map((x, i) => b![i]! - x)
        expect(found.bias).toBeCloseTo(mean(differences), 9)
        expect(found.limits![1]).toBeCloseTo(
          mean(differences) + 1.96 * sampleStandardDeviation(differences),
          9,
        )
        expect(found.tem).toBeCloseTo(Math.sqrt(mean(differences.map((d) => d ** 2)) / 2), 9)
      }),
    )
  })

  test('three to five trials', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 5 }).chain(table).filter(varies), (rows) => {
        const columns = columnsOf(rows)
        const k = columns.length
        const whole = sampleVariance(rows.map((row) => row.reduce((sum, x) => sum + x / 10, 0)))
        if (whole < 1e-6) return
        const parts = columns.reduce((sum, column) => sum + sampleVariance(column), 0)
        const alpha = (k / (k - 1)) * (1 - parts / whole)
        const found = intraclass(rows.map((row) => row.map((x) => x / 10)))!
        expect(found).toBeCloseTo(alpha / (k - (k - 1) * alpha), 6)
      }),
    )
  })
})

describe('whatever was measured', () => {
  const value = fc.double({ min: 2, max: 60, noNaN: true })
  const subjects = (k: number) =>
    fc.array(fc.array(value, { minLength: k, maxLength: k }), { minLength: 3, maxLength: 25 })

  test('the limits lie about the bias, and another unit scales all but the shares', () => {
    fc.assert(
      fc.property(subjects(2), fc.constantFrom(10, 2.54), (trials, unit) => {
        const one = agreementOf(trials)!
        const other = agreementOf(trials.map((row) => row.map((x) => x * unit)))!
        expect((one.limits![0] + one.limits![1]) / 2).toBeCloseTo(one.bias, 6)
        expect(other.tem).toBeCloseTo(one.tem * unit, 6)
        expect(other.temPercent).toBeCloseTo(one.temPercent, 6)
        if (one.icc !== undefined) expect(other.icc).toBeCloseTo(one.icc, 6)
      }),
    )
  })

  test('a second trial that is larger by as much each time moves the bias and no correlation', () => {
    fc.assert(
      fc.property(subjects(2), fc.double({ min: -1, max: 1, noNaN: true }), (trials, shift) => {
        const moved = agreementOf(trials.map(([a, b]) => [a!, b! + shift]))!
        const one = agreementOf(trials)!
        expect(moved.bias).toBeCloseTo(one.bias + shift, 6)
        if (one.icc !== undefined) expect(moved.icc).toBeCloseTo(one.icc, 6)
      }),
    )
  })

  test('those who read the same twice have no error', () => {
    fc.assert(
      fc.property(fc.array(value, { minLength: 3, maxLength: 20 }), (values) => {
        const { tem, bias, limits } = agreementOf(values.map((x) => [x, x, x]))!
        for (const none of [tem, bias, ...limits!]) expect(none).toBeCloseTo(0, 9)
      }),
    )
  })
})

describe('a file', () => {
  const HEADER = ['subject', 'site', 'tester', 'trial_1', 'trial_2', 'trial_3']
  const read = (rows: string[][]) => readStudy([HEADER, ...rows])

  test('says each tester with themselves and the two against each other', () => {
    const rows = [1, 2, 3, 4].flatMap((subject) =>
      ['Ann', 'Bo'].map((tester, t) => [
        ...[String(subject), 'triceps', tester],
        ...[String(10 + subject + t), String(10.5 + subject + t), ''],
      ]),
    )
    const lines = studyLines(read(rows).study)
    expect(lines.map(({ site, tester, pairs }) => [site, tester, pairs])).toEqual([
      ['triceps', 'Ann', 4],
      ['triceps', 'Bo', 4],
      ['triceps', 'inter', 4],
    ])
    const [ann, , inter] = lines
    // Half a millimeter between two trials of everybody: sqrt(0.25 / 2).
    expect(ann!.tem).toBeCloseTo(Math.sqrt(0.125), 9)
    expect(ann!.tem_percent).toBeCloseTo(
      (100 * Math.sqrt(0.125)) / mean([11, 12, 13, 14].map((x) => x + 0.75 - 0.5)),
      6,
    )
    expect([inter!.bias, inter!.icc]).toEqual([expect.closeTo(1, 9), expect.closeTo(1, 9)])
  })

  test('counts third trials where everybody has one', () => {
    const rows = (third: (subject: number) => string) =>
      [1, 2, 3].map((subject) => [...[String(subject), 'thigh', 'Ann', '20', '21'], third(subject)])
    const [all] = studyResults(read(rows(() => '26')).study)
    const [some] = studyResults(read(rows((subject) => (subject < 3 ? '26' : ''))).study)
    expect(all!.tem).toBeCloseTo(
      Math.sqrt(((20 - 67 / 3) ** 2 + (21 - 67 / 3) ** 2 + (26 - 67 / 3) ** 2) / 2),
      9,
    )
    expect(some!.tem).toBeCloseTo(Math.sqrt(0.5), 9)
  })

  test('names what it refuses by row and column, and goes on', () => {
    const { study, refused } = read([
      ['1', 'triceps', 'Ann', '12', '12.5', ''],
      ['2', 'triceps', 'Ann', '12', '', ''],
      ['3', 'triceps', 'Ann', 'twelve', '12', ''],
      ['4', 'triceps', 'Ann', '900', '12', ''],
      ['', 'triceps', 'Ann', '11', '12', ''],
      ['1', 'triceps', 'Ann', '12', '12.5', ''],
      ['5', 'somewhere of ours', 'Ann', '12', '13', '12'],
    ])
    expect(study.map(({ subject }) => subject)).toEqual(['1', '5'])
    expect(refused.map(({ row, column }) => [row, column])).toEqual([
      [3, 'trial_2'],
      [4, 'trial_1'],
      [5, 'trial_1'],
      [6, 'subject'],
      [7, 'subject'],
    ])
    expect(tell(refused[4]!.words as never)).toMatch(/one row/i)
    expect(() => readStudy([['subject', 'site', 'trial_1', 'trial_2']])).toThrow(InputError)
  })
})

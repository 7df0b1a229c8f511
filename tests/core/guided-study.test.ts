import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  learningCurve,
  markedPairs,
  nextInStudy,
  revealedRows,
  siteAgreements,
  sitesToPractise,
  targetsAt,
  usualRepeatError,
  type DatedPair,
  type StudyDesign,
  type StudyTrial,
} from '#core'
import { randomLcg, randomNormal } from 'd3-random'

const design: StudyDesign = {
  testers: ['ash', 'birch'],
  sites: ['triceps', 'thigh', 'waist'],
  order: [2, 0, 1],
}

/** Every reading that a tester is led through, with made-up values. */
function walked({ testers, ...rest }: StudyDesign, inHand?: number) {
  const trials: StudyTrial[] = []
  for (const tester of testers) {
    for (;;) {
      const step = nextInStudy({ testers, ...rest }, trials, tester, inHand)
      if (!step) break
      trials.push({ ...step, value: 10 + trials.length / 10 })
    }
  }
  return trials
}

describe('the order of a study', () => {
  test('every site once before any a second time, subject by subject as they were drawn', () => {
    const mine = walked(design).filter(({ tester }) => tester === 'ash')
    expect(mine.map(({ subject }) => subject)).toEqual([2, 0, 1].flatMap((s) => Array(6).fill(s)))
    expect(mine.slice(0, 6).map(({ site, trial }) => `${site} ${trial}`)).toEqual([
      ...['triceps 1', 'thigh 1', 'waist 1', 'triceps 2', 'thigh 2', 'waist 2'],
    ])
  })

  test('who was begun is finished before another, whoever is next in the order', () => {
    const chosen = nextInStudy(design, [], 'ash', 1)!
    expect(chosen.subject).toBe(1)
    expect(nextInStudy(design, [chosen], 'ash')).toEqual({ ...chosen, site: 'thigh' })
  })

  test('any study is led to its end, each box once', () => {
    fc.assert(
      fc.property(
        fc.shuffledSubarray([0, 1, 2, 3, 4], { minLength: 2 }),
        fc.shuffledSubarray(['triceps', 'thigh', 'hip', 'waist'] as const, { minLength: 1 }),
        fc.shuffledSubarray(['ash', 'birch'], { minLength: 1 }),
        (order, sites, testers) => {
          const trials = walked({ order, sites, testers })
          expect(trials).toHaveLength(order.length * sites.length * testers.length * 2)
          const boxes = new Set(trials.map(({ value: _, ...box }) => JSON.stringify(box)))
          expect(boxes.size).toBe(trials.length)
        },
      ),
    )
  })
})

test('nothing is shown of a site before every tester has both readings of it', () => {
  const all = walked(design)
  fc.assert(
    fc.property(fc.subarray(all), (some) => {
      const rows = revealedRows(design, some)
      for (const subject of design.order) {
        for (const site of design.sites) {
          const there = some.filter((one) => one.subject === subject && one.site === site)
          const shown = rows.filter((row) => row.subjectNumber === subject && row.site === site)
          expect(shown.map(({ tester }) => tester)).toEqual(
            there.length === 4 ? design.testers : [],
          )
        }
      }
    }),
  )
})

describe('what a study says', () => {
  /* Perini TA et al., Rev Bras Med Esporte 2005;11:81-85 (from memory). */
  test('targets are those of the paper, for folds and girths, within and between', () => {
    expect(targetsAt('triceps')).toEqual({ beginner: 7.5, skilled: 5 })
    expect(targetsAt('triceps', true)).toEqual({ beginner: 10, skilled: 7.5 })
    expect(targetsAt('waist')).toEqual({ beginner: 1.5, skilled: 1 })
    expect(targetsAt('waist', true)).toEqual({ beginner: 2, skilled: 1.5 })
  })

  test('a pair that is far from the others is marked, and counts all the same', () => {
    const next = randomNormal.source(randomLcg(0.4))(0, 1)
    const pairs = Array.from({ length: 20 }, (_, i) => {
      const truth = 12 + i
      return { subject: String(i), first: truth + 0.4 * next(), second: truth + 0.4 * next() }
    })
    expect(markedPairs(pairs).filter(({ far }) => far)).toEqual([])
    const slip = pairs.map((pair, i) => (i === 7 ? { ...pair, second: pair.second + 6 } : pair))
    const marked = markedPairs(slip)
    expect(marked.filter(({ far }) => far).map(({ subject }) => subject)).toEqual(['7'])
    const rows = slip.map(({ subject, first, second }) => ({
      ...{ subject, site: 'triceps' as const, tester: 'ash', trials: [first, second] },
    }))
    const [result] = siteAgreements(rows)
    expect(result!.pairs).toBe(20)
    // sqrt(sum d² / 2n): the one pair alone brings about 6² / 40 into it.
    expect(result!.tem).toBeGreaterThan(0.9)
    expect(result!.marked.find(({ far }) => far)!.subject).toBe('7')
  })

  test('two testers: the second against the first, by the means of each', () => {
    const of = (tester: string, more: number) =>
      [10, 14, 19, 25].map((value, i) => ({
        ...{ subject: String(i), site: 'thigh' as const, tester },
        trials: [value + more, value + more + 0.2],
      }))
    const results = siteAgreements([...of('ash', 0), ...of('birch', 1)])
    const [ash, birch, between] = results
    expect([ash!.against, birch!.against, between!.against]).toEqual([
      undefined,
      undefined,
      'birch',
    ])
    expect(between!.bias).toBeCloseTo(1, 9)
    expect(between!.targets).toEqual(targetsAt('thigh', true))
    expect(between!.marked[0]).toEqual({ subject: '0', first: 10.1, second: 11.1, far: false })
  })

  test('sites to practise: those over what is asked of this hand, the furthest over first', () => {
    const result = (site: 'triceps' | 'thigh' | 'waist', temPercent: number) => ({
      ...{ site, temPercent, targets: targetsAt(site), against: undefined },
    })
    const results = [result('triceps', 6), result('waist', 2.4), result('thigh', 4.9)]
    expect(sitesToPractise(results, 'trained')).toEqual(['waist', 'triceps'])
    expect(sitesToPractise(results, 'novice')).toEqual(['waist'])
  })
})

test('the learning curve finds how a hand gets steadier, whatever sites a month had', () => {
  const next = randomNormal.source(randomLcg(0.11))(0, 1)
  const truth = { '2026-01': 2.5, '2026-02': 1.8, '2026-03': 1.2, '2026-04': 1 }
  const sites = ['triceps', 'thigh', 'waist', 'calf_girth'] as const
  const pairs: DatedPair[] = Object.entries(truth).flatMap(([month, ratio], m) =>
    Array.from({ length: 200 }, (_, i) => {
      // Each month has other sites in the main.
      const site = sites[(i % 3 === 0 ? i : m) % 4]!
      const error = () => ratio * usualRepeatError(site) * next()
      return { site, on: `${month}-1${i % 9}`, first: 30 + error(), second: 30 + error() }
    }),
  )
  const curve = learningCurve([...pairs, { ...pairs[0]!, on: '2026-05-02' }])
  expect(curve.map(({ month, pairs: n }) => [month, n])).toEqual(
    Object.keys(truth).map((month) => [`${month}-01`, 200]),
  )
  // The error of an error from n pairs is about 1 / sqrt(2n): 5 %; three times that is allowed.
  for (const { month, ratio } of curve) {
    const is = truth[month.slice(0, 7) as keyof typeof truth]
    expect(Math.abs(ratio / is - 1)).toBeLessThan(0.15)
  }
})

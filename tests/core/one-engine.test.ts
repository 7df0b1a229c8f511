import fc from 'fast-check'
import { expect, test } from 'vitest'
import {
  bandsOf,
  energyChange,
  followedFolds,
  basisOf,
  lookAtRecord,
  measuredOf,
  minimalDetectableChangeOfSum,
  resultOf,
  SEVEN_FOLDS,
  sheetOf,
  readDifferences,
  seriesBy,
  setupChange,
  type JudgedWith,
  type Reading,
} from '#core'
import { plausibleValue } from './support'

/*
 * Every screen takes its errors and verdicts from one place: the running sum while measuring, the result, the client's
 * picture, the ledger's bands and the client page. Records are made up with third trials, two testers, two calipers, a
 * week of weigh-ins, and sheets typed in later from paper.
 */

const woman = { sex: 'female', birthDate: '1990-06-15', heightCm: 168 } as const

const known: Omit<JudgedWith, 'weighIns'> = {
  testers: [
    { id: 'ann', skill: 'trained' },
    { id: 'bo', skill: 'novice' },
  ],
  instruments: [
    { id: 'spring', graduation: 0.5, jaws: 'spring' },
    { id: 'squeezed', graduation: 1, jaws: 'hand' },
  ],
  ownErrors: { ann: { triceps: { tem: 0.9, pairs: 14 } }, bo: { thigh: { tem: 3, pairs: 40 } } },
}

const tester = fc.constantFrom('ann', 'ann', 'bo')
const caliper = fc.constantFrom('spring', 'spring', 'squeezed')

/** One site's trials: one, two, or a third after two that were apart; here and there by somebody else. */
const trialsOf = (index: number) =>
  fc.record({
    first: plausibleValue(SEVEN_FOLDS[index]!),
    offs: fc.array(fc.integer({ min: -6, max: 6 }), { maxLength: 2 }),
    by: fc.option(tester, { nil: undefined, freq: 4 }),
    using: fc.option(caliper, { nil: undefined, freq: 4 }),
  })

const sheet = (measuredOn: string) =>
  fc
    .record({
      testerId: tester,
      caliperId: caliper,
      fromPaper: fc.boolean(),
      massKg: fc.integer({ min: 450, max: 1200 }),
      sites: fc.tuple(...SEVEN_FOLDS.map((_, i) => trialsOf(i))),
    })
    .map(({ sites, massKg, ...rest }) => {
      const readings = sites.flatMap(({ first, offs, by, using }, i) =>
        [first, ...offs.map((off) => Math.max(2, first + off / 2))].map((value, t): Reading => ({
          id: `${measuredOn} ${i} ${t}`,
          kind: 'skinfold',
          site: SEVEN_FOLDS[i]!,
          standard: 'us',
          trial: t + 1,
          value,
          takenAt: `${measuredOn}T09:00:00Z`,
          supersedes: null,
          ...(by ? { testerId: by } : {}),
          ...(using ? { instrumentId: using } : {}),
        })),
      )
      const mass: Reading = {
        ...{ id: `${measuredOn} mass`, kind: 'mass', site: null, standard: null, trial: 1 },
        ...{ value: massKg / 10, takenAt: `${measuredOn}T09:00:00Z`, supersedes: null },
      }
      return {
        ...rest,
        ...{ protocolId: 'seven-fold', conversion: 'siri' as const, measuredOn, tapeId: null },
        readings: [...readings, mass],
      }
    })

const weighIns = fc.array(
  fc.record({
    date: fc.integer({ min: 1, max: 28 }).map((d) => `2026-02-${String(d).padStart(2, '0')}`),
    kg: fc.integer({ min: 450, max: 1200 }).map((n) => n / 10),
  }),
  { maxLength: 12 },
)

const record = fc.tuple(sheet('2026-01-10'), sheet('2026-02-28'), weighIns)

test('the running sum, the result, the bands and the client page agree to the last digit', () => {
  let compared = 0
  let mixed = 0
  fc.assert(
    fc.property(record, ([earlier, later, week]) => {
      const days = new Map(week.map((w) => [w.date, w]))
      const judgedWith = { ...known, weighIns: [...days.values()] }
      const [then, now] = [measuredOf(earlier, judgedWith), measuredOf(later, judgedWith)]
      const read = readDifferences(woman, then, now)
      const result = resultOf(woman, now)
      if (!result.ok || !read.comparison) return
      compared++
      // The result's level is that of the differences, and the ledger's.
      expect(read.comparison.after).toEqual(result.value)
      const basis = basisOf(woman, now)
      expect(seriesBy(woman, [now], basis)[0]!.estimate).toEqual(result.value)
      expect(result.value.fatMassKg! + result.value.leanMassKg!).toBeCloseTo(
        now.weekMass?.kg ?? later.readings.at(-1)!.value,
        9,
      )
      // Where nobody and nothing is another, what the running sum can tell is what its two bands leave.
      const { anotherTester, anotherCaliper } = setupChange(then, now)
      if (anotherTester || anotherCaliper) mixed++
      else {
        const followed = followedFolds([then, now].map((m) => sheetOf(woman, m)))
        const sum = basisOf(woman, now, followed)
        const bands = [then, now].map((m) => bandsOf(woman, m, sum, m).sum!.halfWidth)
        expect(minimalDetectableChangeOfSum(woman, now, then)).toBeCloseTo(Math.hypot(...bands), 9)
      }
      // Fat, lean and mass add up, as read and by the whole record.
      const { fatMassKg, leanMassKg } = read.comparison
      expect(fatMassKg! + leanMassKg!).toBeCloseTo(read.massKg!, 9)
      const look = lookAtRecord({ person: woman, checkIns: [then, now], weighIns: week })!
      const { fat, lean, mass } = look.horizons.first!.changes
      expect(fat!.change + lean!.change).toBeCloseTo(mass!.change, 6)
      // What fat and lean hold errs by less than the two together.
      expect(energyChange(look.horizons.first!.changes)!.sd).toBeLessThanOrEqual(
        9441 * fat!.sd + 1816 * lean!.sd,
      )
    }),
    { numRuns: 300, seed: 12 },
  )
  expect(compared).toBeGreaterThan(150)
  expect(mixed).toBeGreaterThan(20)
})

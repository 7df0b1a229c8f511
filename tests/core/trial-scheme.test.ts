import fc from 'fast-check'
import { randomLcg, randomNormal } from 'd3-random'
import { mean } from 'simple-statistics'
import { describe, expect, test } from 'vitest'
import {
  agree,
  effectiveTrials,
  followedFolds,
  InputError,
  isGirth,
  isSkinfold,
  judgeChange,
  lastValues,
  MOST_TRIALS,
  nameOf,
  nextFold,
  nextGirth,
  ownCopyOf,
  ownProtocol,
  ownSiteId,
  PROTOCOLS,
  protocolById,
  readingsInForce,
  readOwnProtocol,
  sheetOf,
  siteGuide,
  siteNameIn,
  siteValue,
  siteValues,
  standardOfSite,
  techniqueOf,
  trialsOf,
  TRIAL_ORDERS,
  TRIAL_VALUES,
  USUAL_SETUP,
  usualRules,
  wantsAnotherTrial,
  type Measured,
  type OwnProtocol,
  type Reading,
  type SiteId,
  type TrialScheme,
} from '#core'
import { thrownBy } from './support'

const WITHIN_2 = { kind: 'mm', value: 2 } as const
const UNTIL_TWO_AGREE: TrialScheme = {
  ...{ order: 'one site', count: 2, most: 5, tolerance: WITHIN_2 },
  ...{ value: 'closest two', dropsFirst: false },
}

const own = (change: Partial<OwnProtocol> = {}): OwnProtocol => ({
  ...{ id: 'own-way', name: 'My way', standard: 'us', folds: ['triceps', 'thigh'] },
  ...{ girths: ['waist'], ...usualRules('us') },
  ...change,
})

let made = 0
/** Readings of one site as a set takes them, from trial `first` on. */
function taken(set: OwnProtocol, site: SiteId, values: readonly number[], first = 1): Reading[] {
  const protocol = ownProtocol(set)
  return values.map((value, i) => ({
    ...{ id: `r${made++}`, site, value, trial: first + i, supersedes: null },
    kind: isSkinfold(site) ? 'skinfold' : 'girth',
    standard: isSkinfold(site) ? standardOfSite(protocol, site) : null,
    technique: techniqueOf(protocol, site),
    takenAt: new Date(1_800_000_000_000 + made * 1000).toISOString(),
  }))
}

describe('how trials are taken', () => {
  test('one site at a time, until two agree, five at most', () => {
    const protocol = ownProtocol(own({ foldTrials: UNTIL_TWO_AGREE }))
    const readings: Reading[] = []
    const next = () => nextFold(protocol, 'female', readings)
    const take = (value: number) => {
      const { site, trial } = next()!
      readings.push(...taken(own({ foldTrials: UNTIL_TWO_AGREE }), site, [value], trial))
      return `${site} ${trial}`
    }
    expect([14, 18, 23, 15].map(take)).toEqual(['triceps 1', 'triceps 2', 'triceps 3', 'triceps 4'])
    // 14 and 15 agree: on to the thigh, which never does.
    expect([10, 14, 18, 22, 26].map(take)).toEqual([1, 2, 3, 4, 5].map((n) => `thigh ${n}`))
    expect(next()).toBeUndefined()
    expect(siteValues(protocol, 'female', readings)).toMatchObject({
      triceps: { value: 14.5, method: 'agreeing pair', used: [14, 15], taken: 4, flagged: false },
      thigh: { value: 18, method: 'median', taken: 5, flagged: true },
    })
  })

  test('or stop at three; a set of one round asks each fold and each girth once', () => {
    const [three] = [taken(own(), 'triceps', [10, 14, 18])]
    expect(wantsAnotherTrial([10, 14, 18], { ...UNTIL_TWO_AGREE, most: 3 })).toBe(false)
    expect(nextFold(ownProtocol(own({ folds: ['triceps'] })), 'male', three)).toBeUndefined()
    const once = readOwnProtocol({
      ...{ id: 'own-once', name: 'Once', standard: 'us', folds: ['triceps'], girths: ['waist'] },
      ...{ rounds: 1, toleranceMm: 1 },
    })
    const protocol = ownProtocol(once)
    expect(nextFold(protocol, 'male', taken(once, 'triceps', [12]))).toBeUndefined()
    expect(nextGirth(protocol, 'male', taken(once, 'waist', [80]))).toBeUndefined()
  })

  test('a first reading that is thrown away is asked for, kept on record and counts nowhere', () => {
    const set = own({ foldTrials: { ...UNTIL_TWO_AGREE, dropsFirst: true } })
    const protocol = ownProtocol(set)
    expect(nextFold(protocol, 'male', [])).toEqual({ site: 'triceps', trial: 0 })
    const first = taken(set, 'triceps', [30], 0)
    expect(nextFold(protocol, 'male', first)).toEqual({ site: 'triceps', trial: 1 })
    const all = [...first, ...taken(set, 'triceps', [12, 13])]
    expect(nextFold(protocol, 'male', all)).toEqual({ site: 'thigh', trial: 0 })
    expect(trialsOf(all, 'triceps', protocol)).toEqual([12, 13])
    expect(siteValues(protocol, 'male', all).triceps!.value).toBe(12.5)
    expect(readingsInForce(all)).toHaveLength(3)
  })

  const schemes = fc
    .record({
      order: fc.constantFrom(...TRIAL_ORDERS),
      count: fc.integer({ min: 1, max: MOST_TRIALS }),
      more: fc.integer({ min: 0, max: 3 }),
      mm: fc.integer({ min: 1, max: 40 }).map((n) => n / 10),
      value: fc.constantFrom(...TRIAL_VALUES),
      dropsFirst: fc.boolean(),
    })
    .map(({ more, mm, ...rest }): TrialScheme => ({
      ...{ ...rest, most: Math.min(MOST_TRIALS, rest.count + more) },
      tolerance: { kind: 'mm', value: mm },
    }))

  test('whatever the scheme, a sheet ends, in its order, with as many readings as it asks for', () => {
    const drawn = fc.array(
      fc.integer({ min: 80, max: 160 }).map((n) => n / 10),
      { minLength: 12, maxLength: 12 },
    )
    fc.assert(
      fc.property(schemes, drawn, (scheme, values) => {
        const set = own({ foldTrials: scheme })
        const protocol = ownProtocol(set)
        const readings: Reading[] = []
        const steps: { site: SiteId; trial: number }[] = []
        for (let step; (step = nextFold(protocol, 'male', readings));) {
          steps.push(step)
          readings.push(...taken(set, step.site, [values[steps.length % 12]!], step.trial))
          expect(steps.length).toBeLessThanOrEqual(2 * (scheme.most + 1))
        }
        for (const site of set.folds) {
          const trials = trialsOf(readings, site, protocol) as number[]
          expect(trials.length).toBeGreaterThanOrEqual(scheme.count)
          expect(trials.length).toBeLessThanOrEqual(scheme.most)
          const pairs = trials.flatMap((a, i) => trials.slice(i + 1).map((b) => [a, b] as const))
          const two = pairs.some(([a, b]) => agree(a, b, scheme.tolerance))
          // It goes beyond the count only for trials that are apart, and no further than two that agree.
          if (trials.length > scheme.count) {
            const first = trials.slice(0, scheme.count)
            const last = Math.max(...first) - Math.min(...first)
            expect(agree(0, last, scheme.tolerance)).toBe(false)
          } else if (scheme.count > 1 && scheme.most > scheme.count) {
            expect(pairs.every(([a, b]) => agree(a, b, scheme.tolerance))).toBe(true)
          }
          const { value, flagged } = siteValue(trials, scheme.tolerance, scheme.value)!
          if (trials.length > 1 && !two) expect(flagged).toBe(true)
          expect(value).toBeGreaterThanOrEqual(Math.min(...trials))
          expect(value).toBeLessThanOrEqual(Math.max(...trials))
        }
        const order = steps.map(({ site, trial }) =>
          scheme.order === 'one site' ? set.folds.indexOf(site as 'thigh') * 10 + trial : trial,
        )
        expect(order).toEqual([...order].sort((a, b) => a - b))
      }),
    )
  })

  test.each([
    ['mean', [10, 12, 20], 14, 'mean'],
    ['median', [10, 12, 20], 12, 'median'],
    ['closest two', [10, 12, 20], 11, 'agreeing pair'],
    ['mean', [10, 12, 20, 11], 13.25, 'mean'],
    ['closest two', [10, 14, 20, 14.5], 14.25, 'agreeing pair'],
  ] as const)('%s of %o', (gives, trials, value, method) => {
    expect(siteValue(trials, WITHIN_2, gives)).toMatchObject({ value, method })
  })
})

/* Simulated sheets with known truth: what a value is said to be worth is what it is found to be worth. */
describe('what a value is worth', () => {
  const CASES = [
    [2, 3],
    [2, 5],
    [3, 3],
    [3, 5],
    [5, 5],
  ].flatMap(([count, most]) =>
    TRIAL_VALUES.flatMap((value) =>
      [0.5, 1, 2].map((width) => [value, count!, most!, width] as const),
    ),
  )
  test.each(CASES)('%s of %i to %i readings at a tolerance of %f repeat errors', (...given) => {
    const [gives, count, most, width] = given
    const random = randomNormal.source(randomLcg(0.271))(0, 1)
    const scheme: TrialScheme = {
      ...{ order: 'one site', count, most, value: gives, dropsFirst: false },
      tolerance: { kind: 'mm', value: width },
    }
    const found: number[] = []
    const said: number[] = []
    for (let sheet = 0; sheet < 8000; sheet++) {
      // Round a thousand, so that nothing is negative.
      const trials = Array.from({ length: count }, () => 1000 + random())
      while (wantsAnotherTrial(trials, scheme)) trials.push(1000 + random())
      const value = siteValue(trials, scheme.tolerance, gives)!
      found.push((value.value - 1000) ** 2)
      said.push(1 / effectiveTrials(value, { allowed: width, count }, { repeat: 1, relocation: 0 }))
    }
    const ratio = mean(said) / mean(found)
    // Never more sure than it is, nor much less.
    expect(ratio).toBeGreaterThan(0.9)
    expect(ratio).toBeLessThan(1.45)
  })
})

describe('sites of the coach’s own', () => {
  test.each([
    ['High calf', 'own_fold_high_calf', 'High calf'],
    ['  pectoral groove ', 'own_fold_pectoral_groove', 'Pectoral groove'],
    ['Wade, höchste', 'own_fold_wade_höchste', 'Wade höchste'],
    ['上腕', 'own_fold_上腕', '上腕'],
  ])('%s is named by its id', (typed, id, name) => {
    expect(ownSiteId('fold', typed)).toBe(id)
    expect(nameOf(id as SiteId)).toBe(name)
    expect(isSkinfold(id)).toBe(true)
    expect(isGirth(id)).toBe(false)
  })

  test.each(['', ' ', '!!', 'x'.repeat(41), '\u202e'])('%o is no name', (typed) => {
    expect(ownSiteId('girth', typed)).toBeUndefined()
  })

  test('ids that only look like one are none', () => {
    for (const id of ['own_fold_', 'own_fold_a b', 'own_fold_-x', 'own_thigh_x', 'own_fold_a\n']) {
      expect(isSkinfold(id), id).toBe(false)
    }
  })

  const HIGH = ownSiteId('fold', 'High calf') as 'own_fold_high_calf'
  const LINE = ownSiteId('girth', 'Under the ribs') as 'own_girth_under_the_ribs'
  const set = own({
    folds: ['chest', 'suprailiac', HIGH],
    girths: ['bust', 'under_bust', LINE],
    wording: {
      [HIGH]: { landmark: 'A hand under the knee, inside.' },
      [LINE]: { landmark: 'Level with the last rib.' },
      chest: { name: 'Pectoral', landmark: 'In the pectoral groove.' },
      suprailiac: { name: 'Side of the abdomen' },
    },
  })

  test('are found by the words of the set, and count in its sum and in no equation', () => {
    const read = readOwnProtocol(set)
    const protocol = ownProtocol(read)
    expect(siteGuide(protocol, HIGH, 'female').where).toBe('A hand under the knee, inside.')
    expect(siteGuide(protocol, LINE, 'female').how).toMatch(/level all round/)
    expect(siteNameIn(protocol, 'chest')).toBe('Pectoral')
    // A name alone is no other place.
    expect(techniqueOf(protocol, 'suprailiac')).toBeNull()
    expect(techniqueOf(protocol, 'chest')).toBe('In the pectoral groove.')
    const readings = [
      ...taken(read, 'chest', [10]),
      ...taken(read, 'suprailiac', [12]),
      ...taken(read, HIGH, [9]),
      ...taken(read, LINE, [74]),
    ]
    const record = {
      ...{ protocolId: read.id, ownProtocol: read, conversion: 'siri' as const },
      ...{ measuredOn: '2026-03-01', readings },
    }
    const person = { sex: 'female' as const, birthDate: '1990-01-01', heightCm: 168 }
    const sheet = sheetOf(person, record)
    expect(followedFolds([sheet])!.folds).toHaveLength(3)
    expect(sheet.missing).toEqual(['bust', 'under_bust'])
  })

  test.each([
    [{ wording: {} }, /High calf, where it lies/],
    [{ folds: [HIGH, HIGH] }, /High calf twice/],
    [{ wording: { ...set.wording, chest: { technique: 'seated' } } }, /Chest: got “?seated/],
    [{ foldTrials: { ...UNTIL_TWO_AGREE, most: 1 } }, /Folds, readings at most: got 1\./],
    [{ foldTrials: { ...UNTIL_TWO_AGREE, count: 6 } }, /Folds, readings: got 6\. Accepted: 1 to 5/],
    [
      { girthTrials: { ...UNTIL_TWO_AGREE } },
      /Girths, tolerance: got something of another form\. Accepted: 0\.1 to 10 cm, or/,
    ],
    [{ readingDelaySeconds: 60 }, /Seconds to the reading: got 60\. Accepted: 1 to 10, or none/],
  ])('a set is refused with words: %o', (change, words) => {
    const error = thrownBy(() => readOwnProtocol({ ...set, ...change }))
    expect(error).toBeInstanceOf(InputError)
    expect((error as InputError).message).toMatch(words)
  })

  test('a named set is copied whole, and a set of an earlier version is read as it was', () => {
    for (const protocol of PROTOCOLS) {
      const copy = readOwnProtocol({ ...ownCopyOf(protocol, 'female'), id: 'own-copy' })
      const again = ownProtocol(copy)
      expect(again.folds.female).toEqual(protocol.folds.female)
      expect(again.foldTrials).toEqual(protocol.foldTrials)
      expect(again.girthTrials).toEqual(protocol.girthTrials)
      expect(again.equations.female).toEqual(expect.arrayContaining(protocol.equations.female))
    }
    const old = { id: 'own-old', name: 'Old', standard: 'us', folds: ['thigh'], girths: [] }
    expect(readOwnProtocol({ ...old, rounds: 3, toleranceMm: 1 }).foldTrials).toEqual({
      ...usualRules('us').foldTrials,
      ...{ count: 3, most: 4, tolerance: { kind: 'mm', value: 1 } },
    })
  })
})

describe('like for like', () => {
  const copy = (technique?: string) =>
    readOwnProtocol({
      ...ownCopyOf(protocolById('eight-fold-int'), 'male'),
      ...{ id: 'own-eight', wording: technique ? { front_thigh: { technique } } : {} },
    })
  const visit = (on: string, set: OwnProtocol, thigh: number): Measured => ({
    ...{ protocolId: set.id, ownProtocol: set, conversion: 'siri', measuredOn: on },
    setup: USUAL_SETUP,
    readings: set.folds.flatMap((site) => taken(set, site, [site === 'front_thigh' ? thigh : 12])),
  })
  const man = { sex: 'male' as const, birthDate: '1990-01-01', heightCm: 180 }

  test('a thigh lifted by the client is never compared with one as it lies', () => {
    const [plain, held] = [
      visit('2026-03-01', copy(), 20),
      visit('2026-04-01', copy('supported'), 12),
    ]
    const judged = judgeChange(man, plain, held)
    expect(judged.folds.map(({ site }) => site)).not.toContain('front_thigh')
    expect(judged.sumFolds).toHaveLength(7)
    expect(judged.sumIsWhole).toBe(false)
    const alike = judgeChange(man, held, visit('2026-05-01', copy('supported'), 10))
    expect(alike.folds.find(({ site }) => site === 'front_thigh')!.verdict.change).toBe(-2)
    expect(alike.sumIsWhole).toBe(true)
    const last = (technique?: string) => {
      const protocol = ownProtocol(copy(technique))
      return lastValues(protocol, 'male', [held, plain]).front_thigh!.value
    }
    expect([last('supported'), last()]).toEqual([12, 20])
    // The standard's own way by its name is the standard's own way.
    expect(techniqueOf(ownProtocol(copy('seated')), 'front_thigh')).toBeNull()
  })

  test('readings of two ways stand beside each other; those without a way are the standard’s', () => {
    const [plain, held] = [
      taken(copy(), 'front_thigh', [20]),
      taken(copy('supported'), 'front_thigh', [12]),
    ]
    const both = [...plain, ...held]
    expect(readingsInForce(both)).toHaveLength(2)
    const { technique: _, ...before } = plain[0]!
    expect(trialsOf([before, ...held], 'front_thigh', ownProtocol(copy()))).toEqual([20])
    expect(trialsOf(both, 'front_thigh', ownProtocol(copy('supported')))).toEqual([12])
  })
})

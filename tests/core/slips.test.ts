import { told } from '../support/words'
import { describe, expect, test } from 'vitest'
import {
  expectedMass,
  findCompressionDrift,
  findRelations,
  findEntryErrors,
  KG_PER_POUND,
  siteError,
  SEVEN_FOLDS,
  type SiteId,
  type EntryErrorContext,
} from '#core'

/* One sheet and its slips, invented for testing: a woman of 36, 62.0 kg, seven folds, four weeks apart. */
describe('one sheet and its slips', () => {
  const LAST = [9, 11, 17, 13.5, 21, 16, 26]
  const NOW = [9, 10.5, 16.5, 13, 19.5, 15, 25]
  const byIds = (values: number[]) =>
    Object.fromEntries(SEVEN_FOLDS.map((site, i) => [site, values[i]!]))
  const context: EntryErrorContext = {
    errorOf: (site) => siteError(site, { skill: 'trained' }),
    sex: 'female',
    weeks: 4,
    last: Object.fromEntries(SEVEN_FOLDS.map((site, i) => [site, { value: LAST[i]!, trials: 1 }])),
    massKg: 62,
    masses: [{ kg: 62, weeksAgo: 4 }],
    massAt: expectedMass(
      'jackson-pollock-7',
      { sex: 'female', ageYears: 36, massKg: 62 },
      byIds(LAST),
    ),
  }
  const look = (
    change: Partial<Record<SiteId, number>> = {},
    more: Partial<EntryErrorContext> = {},
  ) =>
    findEntryErrors(new Map(SEVEN_FOLDS.map((site, i) => [site, [change[site] ?? NOW[i]!]])), {
      ...context,
      ...more,
    })

  test('the honest list is not questioned', () => expect(look()).toEqual([]))

  test.each([
    ['a decimal point lost', { abdominal: 195 }, 'decimal', [['abdominal', 19.5]]],
    ['a decimal point moved', { abdominal: 1.95 }, 'decimal', [['abdominal', 19.5]]],
    [
      'two sites swapped',
      { triceps: 9, chest: 16.5 },
      'swap',
      [
        ['chest', 9],
        ['triceps', 16.5],
      ],
    ],
    ['digits changed about', { thigh: 52 }, 'transposition', [['thigh', 25]]],
    ['inches', { subscapular: 0.5 }, 'unit', [['subscapular', 12.7]]],
  ] as const)('%s', (_what, change, kind, offered) => {
    const [finding, ...rest] = look(change)
    expect(rest).toEqual([])
    expect(finding!.kind).toBe(kind)
    expect(finding!.suggestions.map((o) => [o.site, Number(o.value.toFixed(6))])).toEqual(offered)
    expect(finding!.evidence).not.toBe('')
  })

  test('pounds under kilograms', () => {
    const [finding] = look({}, { massKg: 136.7 })
    expect(finding).toMatchObject({ kind: 'unit', sites: ['mass'] })
    expect(finding!.suggestions[0]!.value).toBeCloseTo(136.7 * KG_PER_POUND, 9)
  })

  test('a body mass that is a slip itself says nothing about the folds', () => {
    const slips = [{ abdominal: 195 }, { thigh: 52 }, byIds(NOW.map((v) => v * 1.45))]
    for (const change of slips) {
      const [mass, ...folds] = look(change, { massKg: 136.7 }).sort((one) =>
        one.sites.includes('mass') ? -1 : 1,
      )
      expect(mass!.sites).toEqual(['mass'])
      expect(folds).toEqual(look(change, { massKg: undefined }))
    }
  })

  test('a whole visit copied from the last one, or the second trial from the first', () => {
    expect(look(byIds(LAST)).map((f) => f.kind)).toEqual(['copy'])
    const twice = new Map(SEVEN_FOLDS.map((site, i) => [site, [NOW[i]!, NOW[i]!]]))
    expect(findEntryErrors(twice, context).map((f) => f.kind)).toEqual(['copy'])
  })

  test('a whole visit that shifted while body mass did not', () => {
    const shifted = byIds(NOW.map((v) => v * 1.45))
    expect(look(shifted).map((f) => f.kind)).toEqual(['visit shift'])
    const followed = look(shifted, { massKg: context.massAt!(0.36), weeks: 26 })
    expect(followed.filter((f) => f.kind === 'visit shift')).toEqual([])
  })

  test('feet and inches miscounted: 6\'2" is 74 in, not 62 and not 72', () => {
    for (const typed of [62, 72]) {
      const [finding] = look(
        {},
        { massKg: undefined, heightCm: typed * 2.54, lastHeightCm: 74 * 2.54 },
      )
      expect(finding!.suggestions[0]!.value / 2.54).toBeCloseTo(74, 9)
    }
  })

  test('a soft limit newly crossed asks; one crossed last time does not, nor does a first visit', () => {
    const thick = new Map<SiteId, number[]>([['triceps', [48, 48.5]]])
    const kinds = (last: EntryErrorContext['last']) =>
      findEntryErrors(thick, { ...context, massKg: undefined, last }).map((f) => f.kind)
    expect(kinds({ triceps: { value: 33, trials: 2 } })).toEqual(['limit'])
    expect(kinds({ triceps: { value: 47, trials: 2 } })).toEqual([])
    expect(kinds({})).toEqual([])
  })

  test('three readings of which one lost its ten are that, and no swap with a neighbour', () => {
    const last = { abdominal: 22.3, suprailiac: 15.5, thigh: 26, triceps: 17 }
    const trials = new Map<SiteId, number[]>([
      ['triceps', [17, 16.5]],
      ['abdominal', [23, 19.5, 9.5]],
      ['suprailiac', [16.5, 15]],
      ['thigh', [26, 25]],
    ])
    const known = Object.entries(last).map(([site, value]) => [site, { value, trials: 2 }])
    const found = findEntryErrors(trials, {
      ...context,
      ...{ massKg: undefined, last: Object.fromEntries(known) },
    })
    expect(found.map(({ kind, readings }) => [kind, readings])).toEqual([
      ['ten', [{ site: 'abdominal', trial: 3 }]],
    ])
    expect(found[0]!.suggestions).toEqual([{ site: 'abdominal', trial: 3, value: 19.5 }])
  })

  test('a reading with nothing to it is odd, and nothing is offered', () => {
    const trials = new Map(SEVEN_FOLDS.map((site, i) => [site, [NOW[i]!, NOW[i]!, NOW[i]! + 0.5]]))
    trials.set('thigh', [25, 45, 25])
    const [found, ...more] = findEntryErrors(trials, context)
    expect(more).toEqual([])
    expect(found).toMatchObject({ kind: 'odd trial', suggestions: [] })
    expect(found!.readings).toEqual([{ site: 'thigh', trial: 2 }])
  })

  test('where two values fit, both are offered', () => {
    const trials = new Map(SEVEN_FOLDS.map((site, i) => [site, [NOW[i]!, NOW[i]! + 0.5]]))
    // 21 for 12, or for 11: digits changed about, or a ten too many.
    trials.set('midaxillary', [21, 11.5])
    const [found] = findEntryErrors(trials, context)
    const [offered] = found!.suggestions
    expect([offered!.value, offered!.second].sort()).toEqual([11, 12])
  })

  test('35 and 41 mm are not asked as 3.5 and 4.1 on a first visit', () => {
    const thick = new Map<SiteId, number[]>([
      ['abdominal', [35, 36]],
      ['thigh', [41, 41.5]],
    ])
    expect(findEntryErrors(thick, { ...context, massKg: undefined, last: {} })).toEqual([])
  })

  describe('body mass by the record', () => {
    const alone = new Map<SiteId, number[]>()
    const heard = (massKg: number, kg: number, more: Partial<EntryErrorContext> = {}) =>
      findEntryErrors(alone, {
        ...{ ...context, massAt: undefined, massKg, units: { length: 'cm', mass: 'kg' } },
        masses: [1, 2, 3, 4].map((days) => ({ kg: kg + days * 0.1, weeksAgo: days / 7 })),
        ...more,
      }).filter(({ sites }) => sites[0] === 'mass')

    test('38.2 for 82.9 and 183 for 83 are asked about', () => {
      const values = (f: ReturnType<typeof heard>) =>
        f.flatMap(({ suggestions: [s] }) => [s!.value, s!.second ?? 0])
      expect(values(heard(38.2, 82.9)).some((v) => Math.abs(v - 83.2) < 0.1)).toBe(true)
      expect(values(heard(183, 83)).some((v) => Math.abs(v - 83) < 0.1)).toBe(true)
    })
    test('78 for 87 has no likely meaning, and is asked about all the same', () => {
      expect(heard(79.4, 87.2)).toMatchObject([{ suggestions: [] }])
    })
    test('a kilogram either way is not', () => {
      for (const kg of [81.7, 82, 83, 84.2]) expect(heard(kg, 82.9)).toEqual([])
    })
    test('172.4 kg with a waist of 128 cm is heavy and no pounds', () => {
      const wide = new Map<SiteId, number[]>([['waist', [128]]])
      const first = { ...context, massAt: undefined, massKg: 172.4, heightCm: 178, masses: [] }
      expect(findEntryErrors(wide, { ...first, last: {} })).toEqual([])
    })
  })
})

test('creep is said beside the value, for trials that fall beyond repeating', () => {
  const error = siteError('thigh', { skill: 'trained' }).repeat
  expect(findCompressionDrift('thigh', [28, 26, 24], error)).toMatchObject({
    kind: 'compression drift',
    drop: 4,
  })
  expect(findCompressionDrift('thigh', [26, 25.5, 25], error)).toBeUndefined()
  expect(findCompressionDrift('thigh', [28, 24, 26], error)).toBeUndefined()
  expect(findCompressionDrift('thigh', [28, 24], error)).toBeUndefined()
})

test('relations that hardly hold ask for a second look', () => {
  const sites = (values: object) => findRelations(values).map((f) => f.sites[0])
  expect(sites({ waist: 84, abdomen: 82 })).toEqual(['waist'])
  expect(sites({ waist: 80, abdomen: 82, hip: 98, neck: 35 })).toEqual([])
  expect(sites({ upper_arm_flexed: 31, upper_arm_relaxed: 32 })).toEqual(['upper_arm_flexed'])
  expect(sites({ calf_girth: 60, thigh_girth: 55 })).toEqual(['calf_girth'])
  expect(told(findRelations({}, { massKg: 30, heightCm: 180 })[0]!.evidence)).toMatch(/BMI of 9\.3/)
})

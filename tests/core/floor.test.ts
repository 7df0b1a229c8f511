import { tell, refusalOf, told } from '../support/words'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  candidateOf,
  checkOverdue,
  conditionDifferences,
  CONDITIONS,
  EQUATIONS,
  estimate,
  heightOf,
  isChartable,
  isScreeningOld,
  judgeCheck,
  limitsOf,
  lookUpChart,
  protocolById,
  protocolOf,
  PROTOCOLS,
  recommend,
  SCREENING_QUESTIONS,
  standingFindings,
  type Conditions,
  type Reading,
  type ScreeningFlag,
} from '#core'
import { own } from './own-set'

describe('conditions', () => {
  const chosen = fc.record(
    Object.fromEntries(
      CONDITIONS.map(({ id, options }) => [
        id,
        fc.option(fc.constantFrom(...options.map((o) => o.id)), { nil: undefined }),
      ]),
    ),
  ) as fc.Arbitrary<Conditions>

  test('only what both times say, and say otherwise, is warned of', () => {
    fc.assert(
      fc.property(chosen, chosen, (before, now) => {
        const differ = CONDITIONS.filter(
          ({ id }) => before[id] && now[id] && before[id] !== now[id],
        )
        const words = told(conditionDifferences(before, now))
        expect(words).toHaveLength(differ.length)
        expect(conditionDifferences(now, now)).toEqual([])
        differ.forEach(({ effect }, i) => expect(words[i]).toContain(tell(effect)))
      }),
    )
  })

  test('the words name both times', () => {
    expect(told(conditionDifferences({ training: 'before' }, { training: 'after' }))).toEqual([
      'Last time before training, now after training: after training folds and limb girths may read thicker, and body mass less.',
    ])
  })
})

describe('screening', () => {
  const everything = ['caliper', 'tape', 'scale', 'height'] as const
  const advise = (flags: ScreeningFlag[], ageYears = 36) =>
    recommend(candidateOf({ sex: 'female', ageYears }, { flags }, [...everything]))

  /* The cautions of sites-and-schools.md, from memory of the textbooks. */
  test.each([
    ['pregnant', 0],
    ['recently pregnant', 0],
    ['eating disorder', 0],
  ] as const)('%s: measuring waits, with who to see', (flag, sets) => {
    const { advice, cautions } = advise([flag])
    expect(told(advice)).toHaveLength(sets)
    expect(told(cautions).join()).toMatch(/physician|licensed/)
  })

  test.each([
    'skin or surgery at the sites',
    'oedema',
    'bleeding tendency',
    'no undressing',
  ] as const)('%s: the tape instead of folds', (flag) => {
    const { advice } = advise([flag])
    expect(advice.length).toBeGreaterThan(0)
    for (const { protocol } of advice) expect(protocol.folds.female).toEqual([])
  })

  test('after a birth measuring goes on once it is cleared, and not in the first six weeks', () => {
    expect(advise(['recently pregnant', 'cleared after birth']).advice).toEqual(advise([]).advice)
    const early = advise(['six weeks after birth', 'recently pregnant', 'cleared after birth'])
    expect(early.advice).toEqual([])
  })

  test('surgery at one fold takes out the sets that have it, and leaves the others', () => {
    const flags: ScreeningFlag[] = ['skin or surgery at the sites']
    const { advice, not } = recommend(
      candidateOf({ sex: 'female', ageYears: 36 }, { flags, closedSites: ['chest'] }, [
        ...everything,
      ]),
    )
    const withChest = PROTOCOLS.filter(({ folds }) => folds.female.includes('chest'))
    expect(withChest.length).toBeGreaterThan(0)
    for (const { id } of withChest) {
      const found = not.find(({ protocol }) => protocol.id === id)
      expect(told(found?.reason), id).toMatch(/No folds over surgery.* Here: chest/i)
    }
    expect(advice[0]!.protocol.folds.female.length).toBeGreaterThan(0)
    expect(advice[0]!.protocol.folds.female).not.toContain('chest')
  })

  test('an illness or medicines leave the sets alone and say whose the diet is', () => {
    expect(advise(['illness or medicines']).advice).toEqual(advise([]).advice)
    expect(told(advise(['illness or medicines']).cautions).join()).toMatch(/physician or dietitian/)
  })

  test('under 18 a guardian consents, and only then is there advice', () => {
    expect(advise([], 15).advice).toEqual([])
    expect(advise(['guardian consents'], 15).advice.map(({ protocol }) => protocol.id)).toContain(
      'youth',
    )
    expect(told(advise(['guardian consents'], 15).cautions).join()).toMatch(/no deficit is planned/)
  })

  test('every question changes something, and old answers are looked through again', () => {
    for (const { flag } of SCREENING_QUESTIONS) {
      const age = flag === 'guardian consents' ? 15 : 36
      const start = { sex: 'female', ageYears: age, fatKg: 18, leanKg: 46 } as const
      // Some stand against a plan and not against measuring.
      const ofPlan = (flags: string[]) =>
        standingFindings({ ...start, standardError: null }, { flags, today: '2026-01-01' })
      // A clearance says nothing without what it clears.
      const also: ScreeningFlag[] = flag === 'cleared after birth' ? ['recently pregnant'] : []
      const said = [advise([...also, flag], age), ofPlan([...also, flag])]
      expect(said, flag).not.toEqual([advise(also, age), ofPlan(also)])
    }
    expect(isScreeningOld('2026-01-01', '2026-07-02')).toBe(false)
    expect(isScreeningOld('2026-01-01', '2026-07-03')).toBe(true)
  })
})

describe('instrument checks', () => {
  test('every point within one graduation passes; the farthest is named with its sign', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 1, maxLength: 6 }),
        fc.constantFrom(0.5, 1),
        (offs, graduation) => {
          const points = offs.map((off, i) => ({ known: 10 * (i + 1), read: 10 * (i + 1) + off }))
          const { passed, worst } = judgeCheck('caliper', points, graduation)
          const farthest = Math.max(...offs.map(Math.abs))
          expect(Math.abs(worst)).toBeCloseTo(farthest, 9)
          if (Math.abs(farthest - graduation) > 1e-6) expect(passed).toBe(farthest < graduation)
        },
      ),
    )
  })

  test('off one way at every width is told from off unevenly', () => {
    const points = [5, 20, 40].map((known) => ({ known, read: known + 1 }))
    expect(told(judgeCheck('caliper', points, 0.5).words)).toMatch(
      /too much.*the same way at every width/,
    )
    const uneven = [...points, { known: 30, read: 29 }]
    expect(told(judgeCheck('caliper', uneven, 0.5).words)).toMatch(/unevenly/)
  })

  test('is overdue the day after its time, and at once where never done', () => {
    expect(told(checkOverdue(null, 180, '2026-11-24'))).toBe('never checked')
    expect(checkOverdue('2026-05-28', 180, '2026-11-24')).toBeNull()
    expect(told(checkOverdue('2026-05-27', 180, '2026-11-24'))).toBe('check overdue by 1 day')
  })
})

describe('the protocol of a check-in', () => {
  test('is the named set itself where nothing is added', () => {
    for (const { id } of PROTOCOLS) expect(protocolOf({ protocolId: id })).toBe(protocolById(id))
  })

  test('has its extra girths once, after its own, and the tolerance that the check-in keeps', () => {
    const tolerance = { kind: 'mm', value: 1 } as const
    const made = protocolOf({ protocolId: 'tape-only', extraGirths: ['hip', 'wrist'], tolerance })
    expect(made.girths).toEqual({
      male: ['neck', 'abdomen', 'hip', 'wrist'],
      female: ['neck', 'waist', 'hip', 'wrist'],
    })
    expect(made.foldTrials.tolerance).toEqual(tolerance)
    expect(made.girthTrials).toEqual(protocolById('tape-only').girthTrials)
    expect(protocolById('tape-only').girths.female).toEqual(['neck', 'waist', 'hip'])
  })

  test('is the coach’s own definition where it carries one', () => {
    const boat = own({ id: 'own-boat', folds: ['thigh', 'triceps', 'suprailiac'], girths: [] })
    const tolerance = { kind: 'mm', value: 0.5 } as const
    const made = protocolOf({ protocolId: 'own-boat', ownProtocol: boat, tolerance })
    // The gym's tolerance is for named sets.
    expect(made.foldTrials).toEqual(boat.foldTrials)
    expect(made.folds.female).toEqual(boat.folds)
    expect(made.equations.female).toContain('jackson-pollock-3')
    expect(refusalOf(() => protocolOf({ protocolId: 'own-boat' }))).toMatch(/own-boat/)
  })
})

test('height is the mean of the readings in force', () => {
  const reading = (id: string, trial: number, value: number, supersedes: string | null = null) =>
    ({
      ...{ id, trial, value, supersedes },
      kind: 'height',
      site: null,
      standard: null,
      takenAt: `2026-03-14T09:00:0${trial}Z`,
    }) as Reading
  const taken = [reading('a', 1, 168), reading('b', 2, 186), reading('c', 3, 168.6)]
  expect(heightOf([])).toBeUndefined()
  expect(heightOf([...taken, reading('d', 2, 168.3, 'b')])).toBeCloseTo(
    (168 + 168.3 + 168.6) / 3,
    12,
  )
})

describe('look-up charts', () => {
  const cell = (id: string, sex: 'male' | 'female', sum: number, age: number) => {
    const { ages, rows } = lookUpChart(id, sex, 'siri', 3)
    return rows.find(({ sumMm }) => sumMm === sum)!.fatPercent[ages.indexOf(age)]!
  }

  /* Printed with Jackson AS, Pollock ML, Phys Sportsmed 1985;13(5):76-90, men by sum of three folds (from memory). */
  test.each([
    [21, 25, 5.7],
    [42, 35, 13.3],
    [60, 45, 19.7],
    [84, 55, 27.3],
    [99, 25, 27.4],
  ])('men, sum %i at %i years: %f %%', (sum, age, printed) => {
    expect(Math.abs(cell('jackson-pollock-3', 'male', sum, age) - printed)).toBeLessThanOrEqual(0.1)
  })

  /* Durnin JVGA, Womersley J, Br J Nutr 1974;32:77-97, their own table (from memory). */
  test.each([
    ['male', 30, 40, 17.7],
    ['male', 120, 45, 37],
    ['female', 60, 30, 30.6],
    ['female', 150, 35, 42.6],
  ] as const)('%s, sum %i at %i years: %f %%', (sex, sum, age, printed) => {
    expect(Math.abs(cell('durnin-womersley-4', sex, sum, age) - printed)).toBeLessThanOrEqual(0.2)
  })

  const charts = EQUATIONS.flatMap(({ id }) =>
    (['male', 'female'] as const).flatMap((sex) =>
      isChartable(id, sex) ? [[id, sex] as const] : [],
    ),
  )

  test('hold for folds of any make-up with that sum, in every equation that has one', () => {
    expect(charts.length).toBeGreaterThan(15)
    fc.assert(
      fc.property(
        fc.constantFrom(...charts),
        fc.nat(200),
        fc.double({ min: -0.3, max: 0.3, noNaN: true }),
        ([id, sex], pick, skew) => {
          const { ages, rows } = lookUpChart(id, sex)
          const { sumMm, fatPercent } = rows[pick % rows.length]!
          const column = pick % ages.length
          const { folds } = EQUATIONS.find((e) => e.id === id)!.variants.find((v) => v.sex === sex)!
          const even = sumMm / folds.length
          const values = Object.fromEntries(folds.map((site) => [site, even]))
          values[folds[0]!] = even * (1 + skew)
          values[folds[1]!] = even * (1 - skew)
          // The smallest sums leave less room: what the caliper cannot read is refused, and no chart speaks of it.
          fc.pre(folds.every((site) => values[site]! >= limitsOf(site).hardLow))
          const { fatPercent: fat } = estimate(id, { sex, ageYears: ages[column]! }, values)
          expect(fatPercent[column]).toBeCloseTo(fat, 9)
        },
      ),
    )
  })

  test('are refused where girths, height or mass enter', () => {
    expect(refusalOf(() => lookUpChart('navy-inch', 'male'))).toMatch(/sum of folds and age alone/)
  })
})

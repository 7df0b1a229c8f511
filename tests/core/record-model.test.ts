import { told } from '../support/words'
import { randomLcg, randomNormal } from 'd3-random'
import { describe, expect, test } from 'vitest'
import {
  addDays,
  assumedIn,
  estimate,
  FAT_MOVES,
  headlineOf,
  headlineText,
  HEADLINE_RULES,
  LEAN_MOVES,
  RecordModel,
  SEVEN_FOLDS,
  USUAL_FIGURES,
  type JudgedChange,
  type Look,
  type ModelFigures,
  type Movement,
  type RecordQuantity,
  type Visit,
} from '#core'
import { type ObservedRow, RecordFilter } from '../../core/change/model/filter'
import { directly } from './direct-model'
import { COURSES, follow, WORLDS } from './worlds'

const NOISE = { scale: 1, method: 1, share: 1 }

describe('the filter, against one normal distribution of all numbers', () => {
  test.each([
    ['both moving', [FAT_MOVES[0]!, LEAN_MOVES[0]!]],
    ['narrow', [FAT_MOVES[1]!, LEAN_MOVES[1]!]],
    ['fat standing still', [null, LEAN_MOVES[0]!]],
    ['nothing moving', [null, null]],
  ] as [string, (Movement | null)[]][])('%s', (_, moves) => {
    const source = randomLcg(0.31)
    const normal = randomNormal.source(source)(0, 1)
    for (let record = 0; record < 8; record++) {
      const visits = 4 + record
      const phaseAt = 2 + (record % 3)
      const levels = [
        { mean: 20, sd: 200 },
        { mean: 55, sd: 80 },
      ]
      const [driftVariance, biasSd] = [0.009, 0.05]
      const filter = new RecordFilter(2, 3, 2, driftVariance, biasSd, NOISE)
      filter.record()
      filter.begin(0, 20, 0.5)
      filter.begin(1, 55, 0.2)
      const first = [FAT_MOVES[0]!, LEAN_MOVES[1]!]
      filter.startPhase(first)
      const rows: (ObservedRow & { week: number })[] = []
      const stops: number[] = []
      let [week, begun, fat, lean] = [0, 0, 20, 55]
      for (let i = 0; i < visits; i++) {
        const gap = i === 0 ? 0 : 1 + Math.floor(8 * source())
        filter.advance(gap)
        week += gap
        fat += 0.3 * normal()
        lean += 0.3 * normal()
        const share = 0.2 + 0.1 * source()
        const seen: ObservedRow[] = [
          {
            ...{ levels: [1, 1], drift: 0, pair: 0, perBias: 0, kind: 'scale' },
            ...{ value: fat + lean + 0.7 * normal(), variance: 0.49 },
          },
          {
            ...{ levels: [1 - share, -share], drift: 0.75, pair: i % 3, perBias: 9 + source() },
            ...{
              value: (1 - share) * fat - share * lean + normal(),
              variance: 0.8,
              kind: 'method',
            },
          },
        ]
        // A week of weigh-ins has no folds.
        for (const row of i % 4 === 3 ? seen.slice(0, 1) : seen) {
          filter.learn(row)
          rows.push({ ...row, week })
        }
        if (i === 0) filter.keep(0)
        if (i === phaseAt) {
          begun = week
          filter.keep(1)
          filter.startPhase(moves)
        }
        filter.stop()
        stops.push(week)
      }
      const phases = [
        { from: 0, moves: first },
        { from: begun, moves },
      ]
      const record_ = { rows, phases, levels, driftVariance, biasSd }
      const since = [directly(record_, 0, week), directly(record_, begun, week)]
      expect(filter.logEvidence).toBeCloseTo(since[0]!.logEvidence, 5)
      since.forEach(({ changes }, mark) =>
        changes.forEach((change, part) => {
          const mine = filter.change([1 - part, part], mark)
          expect(mine.mean).toBeCloseTo(change.mean, 5)
          expect(mine.variance).toBeCloseTo(change.variance, 5)
        }),
      )
      // Looking back, every day is seen by the days after it too.
      stops.forEach((stop, at) => {
        const { changes } = directly(record_, 0, stop)
        changes.forEach((change, part) => {
          const mine = filter.back([[1 - part, part]], 0)[at]![0]!.change
          expect(mine.mean).toBeCloseTo(change.mean, 5)
          expect(mine.variance).toBeCloseTo(change.variance, 5)
        })
      })
    }
  })
})

/* Seven even folds of a woman, invented for testing. */
function visit(week: number, by: number, massKg: number, more: Partial<Visit> = {}): Visit {
  return {
    date: addDays('2030-01-07', 7 * week),
    subject: { sex: 'female', ageYears: 34, massKg },
    massDays: 1,
    measured: SEVEN_FOLDS.map((site) => ({ site, standard: 'us', value: 20 * by })),
    variance: () => 1,
    pair: 'A',
    tester: 'A',
    ...more,
  }
}
const basis = {
  equationId: 'jackson-pollock-7',
  lines: [
    {
      quantity: 'sum' as const,
      sites: SEVEN_FOLDS.map((site) => ({ site, standard: 'us' as const })),
    },
  ],
}

function lastLook(visits: readonly Visit[], pairs = ['A']): Look {
  const model = new RecordModel({ pairs, testers: pairs })
  visits.forEach((each, i) => {
    model.learn(each, basis)
    if (i < visits.length - 1) model.leave()
  })
  return model.look()
}

describe('a record', () => {
  test('a birthday is no change: everything is computed at the age of the newest check-in', () => {
    const aged = (week: number, ageYears: number) =>
      visit(week, 1, 70, { subject: { sex: 'female', ageYears, massKg: 70 } })
    const through = lastLook([aged(0, 29), aged(4, 29), aged(8, 30)])
    const without = lastLook([aged(0, 30), aged(4, 30), aged(8, 30)])
    expect(through.horizons).toEqual(without.horizons)
    expect(Math.abs(through.horizons.first!.changes.fat!.change)).toBeLessThan(0.01)
  })

  test('another pair of tester and caliper widens a change, and being measured by both narrows it again', () => {
    const sdOf = (...pairs: string[]) =>
      lastLook(
        pairs.map((pair, i) => visit(4 * i, 1, 70, { pair })),
        ['A', 'B'],
      ).horizons.first!.changes.fat!.sd
    expect(sdOf('A', 'B')).toBeGreaterThan(1.2 * sdOf('A', 'A'))
    expect(sdOf('A', 'B', 'A', 'B')).toBeLessThan(sdOf('A', 'B', 'B', 'B'))
  })

  test('weigh-ins between check-ins are learnt, and say more of the mass', () => {
    const weighIns = [1, 2, 3].map((week) => visit(week, 1, 70, { measured: [], massDays: 7 }))
    const ends = [visit(0, 1, 70), visit(4, 1, 70)] as const
    const without = lastLook(ends).horizons.first!.changes
    const withThem = lastLook([ends[0], ...weighIns, ends[1]]).horizons.first!.changes
    expect(withThem.mass!.sd).toBeLessThan(0.8 * without.mass!.sd)
  })

  test('on the day of an event the phase is the old one, and from then on its own', () => {
    const visits = [0, 4, 8, 12, 16].map((week, i) =>
      visit(week, 1 - 0.04 * Math.min(i, 2), 70 - Math.min(i, 2), { startsPhase: week === 8 }),
    )
    expect(lastLook(visits.slice(0, 3)).horizons.phase!.since).toBe(visits[0]!.date)
    const { phase, first } = lastLook(visits).horizons
    expect(phase!.since).toBe(visits[2]!.date)
    expect(Math.abs(phase!.changes.fat!.change)).toBeLessThan(0.8)
    expect(first!.changes.fat!.change).toBeLessThan(-1.5)
  })

  test('a first check-in has nothing to be judged by', () => {
    const look = lastLook([visit(0, 1, 70)])
    expect(look.horizons.last).toBeUndefined()
    expect(look.horizons.phase!.changes.fat).toMatchObject({ change: 0, verdict: 'not-yet' })
    expect(look.horizons.phase!.changes.fat!.odds).toBeCloseTo(1, 6)
    expect(headlineOf(look)).toMatchObject({ rule: 'not-yet', weeks: 0 })
  })

  test('data on the pace are clear on the day that was said, and not a visit sooner', () => {
    // A quarter of a kilogram of fat a week: the folds shrink as far as the equation has it.
    const fatAt = (by: number, massKg: number) => {
      const values = Object.fromEntries(SEVEN_FOLDS.map((site) => [site, 20 * by]))
      return estimate('jackson-pollock-7', { sex: 'female', ageYears: 34, massKg }, values)
        .fatMassKg!
    }
    const onPace = (week: number) => {
      const massKg = 70 - 0.25 * week
      let [low, high] = [0.3, 1]
      for (let i = 0; i < 40; i++) {
        const middle = (low + high) / 2
        if (fatAt(middle, massKg) < fatAt(1, 70) - 0.25 * week) low = middle
        else high = middle
      }
      return visit(week, low, massKg)
    }
    const from = (week: number) => addDays('2030-01-07', 7 * week)
    const look = lastLook([onPace(0), onPace(2)])
    const at = (kgAWeek: number) => look.readableFrom(14, [-kgAWeek, 0])!
    expect(at(0.25) < at(0.15)).toBe(true)
    const weeks = Array.from({ length: 20 }, (_, i) => 4 + 2 * i)
    const said = weeks.map(from).indexOf(at(0.25))
    expect(said).toBeGreaterThan(0)
    const oddsAt = (visits: number) =>
      lastLook([onPace(0), onPace(2), ...weeks.slice(0, visits).map(onPace)]).horizons.phase!
        .changes.fat!.odds!
    expect(oddsAt(said + 1)).toBeGreaterThan(15)
    expect(oddsAt(said - 1)).toBeLessThan(20)
  })
})

describe('the headline', () => {
  const change = (size: number, sd: number, odds: number): JudgedChange => ({
    ...{ change: size, sd, odds, interval: [size - 1.96 * sd, size + 1.96 * sd] },
    verdict: odds >= 20 ? 'clear' : odds >= 6 ? 'likely' : odds <= 1 / 3 ? 'no-change' : 'not-yet',
  })
  const still = change(0, 0.5, 0.2)
  const open = change(-0.8, 1, 2)
  const lookOf = (
    phase: Partial<Record<RecordQuantity, JudgedChange>>,
    more: Partial<Look> = {},
    first = phase,
  ): Look => ({
    date: '2030-04-01',
    horizons: {
      last: { since: '2030-03-04', weeks: 4, changes: phase },
      phase: { since: '2030-02-04', weeks: 8, changes: phase },
      first: { since: '2029-04-01', weeks: 52, changes: first },
    },
    massAtPhaseKg: 80,
    offLine: [],
    readableFrom: () => '2030-05-01',
    course: () => [],
    ...more,
  })
  const off = { offLine: [{ row: 1, deviations: -2.7 }] }

  /* One look for each rule, in its order: what a later rule says too does not count. */
  test.each([
    [
      'too-fast',
      lookOf({ fat: change(-7, 1, 99), lean: change(-3, 0.9, 99), mass: change(-10, 1, 99) }),
      'Losing 1.6% of body mass a week since Feb 4, 2030: too fast.',
    ],
    [
      'losing-lean',
      lookOf({ fat: change(-1.8, 0.7, 9), lean: change(-3, 0.9, 40), mass: change(-4.8, 1, 99) }),
      'Down 4.8 kg since Feb 4, 2030, and most of it was lean.',
    ],
    [
      'phase-clear',
      lookOf({ fat: change(-4, 1, 99), lean: still, mass: change(-4, 1, 99) }),
      'Fat down 4.0 kg, lean held since Feb 4, 2030.',
    ],
    [
      'first-clear',
      lookOf({ fat: open, lean: open, mass: open }, {}, { fat: change(5, 1, 99), lean: open }),
      'Fat up 5.0 kg, lean not clear yet since Apr 1, 2029.',
    ],
    [
      'off-the-line',
      lookOf({ fat: change(-2, 0.7, 9), lean: open, mass: open }, off),
      'The last check-in does not fit the earlier ones: measure again.',
    ],
    [
      'probably',
      lookOf({ fat: change(-2, 0.7, 9), lean: open, mass: open }),
      'Probably fat down 2.0 kg since Feb 4, 2030. It should be clear from about May 1, 2030.',
    ],
    [
      'no-change',
      lookOf({ fat: still, lean: still, mass: still }),
      'No change that matters since Feb 4, 2030.',
    ],
    [
      'not-yet',
      lookOf({ fat: open, lean: open, mass: open }),
      'Not clear yet. It should be clear from about May 1, 2030.',
    ],
  ] as const)('%s', (rule, look, words) => {
    const headline = headlineOf(look)
    expect(headline.rule).toBe(rule)
    expect(told(headlineText(headline))).toBe(words)
    expect(HEADLINE_RULES).toContain(rule)
  })

  test('a day from which it should be readable is not said once it is past', () => {
    const headline = headlineOf(lookOf({ fat: open, lean: open, mass: open }))
    const on = (today: string) => headlineText(headline, { mass: 'kg', today })
    expect(told(on('2030-04-30'))).toBe('Not clear yet. It should be clear from about May 1, 2030.')
    expect(told(on('2030-05-01'))).toBe('Not clear yet. Another check-in should tell.')
  })

  test('lean that goes with much more fat is what a cut costs', () => {
    const look = lookOf({
      fat: change(-6, 1, 99),
      lean: change(-1.9, 0.6, 30),
      mass: change(-7, 1, 99),
    })
    expect(headlineOf(look).rule).toBe('phase-clear')
  })

  test('a plan with a lower ceiling is too fast sooner', () => {
    const look = lookOf({ fat: change(-4, 0.5, 99), lean: still, mass: change(-4.5, 0.5, 99) })
    expect(headlineOf(look).rule).toBe('phase-clear')
    expect(headlineOf(look, { ceilingPercent: 0.5 }).rule).toBe('too-fast')
  })

  test('who moved and came back is not said to be down or up', () => {
    const back = change(-0.3, 1, 50)
    expect(headlineOf(lookOf({ fat: back, lean: open, mass: open })).rule).not.toMatch(/clear/)
  })

  test('where there is a sum alone it is judged like the rest', () => {
    const headline = headlineOf(lookOf({ sum: change(-22, 5, 80) }))
    expect(told(headlineText(headline))).toBe('The sum of folds down 22 mm since Feb 4, 2030.')
  })
})

test('a made-up person is the same every time, and other figures change what is said', () => {
  const run = { world: WORLDS.ideal, course: COURSES.cut(0.5), weeks: 12, spacing: 4 }
  const [one, other] = [follow(0.4, run), follow(0.4, run)]
  expect(one.map(({ look }) => look.horizons)).toEqual(other.map(({ look }) => look.horizons))
  const wider = follow(0.4, { ...run, figures: { ...USUAL_FIGURES, session: 0.1 } })
  const sd = (told: typeof one) => told.at(-1)!.look.horizons.first!.changes.fat!.sd
  expect(sd(wider)).toBeGreaterThan(1.3 * sd(one))
})

test('the page of what is assumed says every figure in use', () => {
  const said = (figures: ModelFigures) => JSON.stringify(assumedIn(figures))
  const usual = said(USUAL_FIGURES)
  for (const name of Object.keys(USUAL_FIGURES) as (keyof ModelFigures)[]) {
    const other = { ...USUAL_FIGURES, [name]: 1.5 * USUAL_FIGURES[name] }
    expect(said(other), name).not.toBe(usual)
  }
})

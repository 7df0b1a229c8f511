import { randomLcg, randomNormal } from 'd3-random'
import {
  addDays,
  allowedAt,
  effectiveTrials,
  estimate,
  headlineOf,
  protocolById,
  readComposition,
  RecordModel,
  RELOCATION_SHARE,
  seriesOf,
  SEVEN_FOLDS,
  siteErrorAt,
  siteValue,
  usualRepeatError,
  valueVariance,
  wantsAnotherTrial,
  type Headline,
  type Look,
  type LocatedValue,
  type ModelFigures,
  type RecordQuantity,
  type RefitSeries,
  type Sex,
  type SiteId,
  type Values,
  type Visit,
} from '#core'

/*
 * Made-up people of whom the truth is known, measured in worlds in which one assumption of the model of the record after
 * another is wrong. Seven folds, each twice and a third time where they are apart, by Jackson and Pollock's equation.
 */

export interface World {
  /** SD of what all folds of a visit are off by, as a share. */
  session: number
  /** On the usual error of every site. */
  errors: number
  /** SD of every site's error as a share of the fold, in place of the usual error. */
  relative?: number
  /** Half the visits by another tester, off by a share of his own and one a site. */
  testers?: { common: number; site: number }
  /** SD of the person's slope of the equation about 1, and drift in points per root of ten weeks. */
  slope: number
  drift: number
  massKg: number
  /** Lost at once in the first week of any change, kg. */
  water: number
  /** Degrees of freedom of the sites' errors. */
  heavy?: number
}

const IDEAL: World = { session: 0.015, errors: 1, slope: 0, drift: 0.3, massKg: 0.7, water: 0 }

export const WORLDS = {
  ideal: IDEAL,
  session: { ...IDEAL, session: 0.025 },
  double: { ...IDEAL, errors: 2 },
  relative: { ...IDEAL, relative: 0.05 },
  testers: { ...IDEAL, testers: { common: 0.04, site: 0.06 } },
  equation: { ...IDEAL, slope: 0.2, drift: 0.5 },
  water: { ...IDEAL, massKg: 1.2, water: 1.2 },
  heavy: { ...IDEAL, heavy: 3 },
  all: {
    ...{ session: 0.025, errors: 1.4, slope: 0.1, drift: 0.4, massKg: 0.85, water: 0.6, heavy: 5 },
    testers: { common: 0.03, site: 0.04 },
  },
} satisfies Record<string, World>
export type WorldName = keyof typeof WORLDS

/** What truly happens, by week: fat and lean less those of the first day, kg. */
export type Course = (week: number, massKg: number) => { fat: number; lean: number }

export const COURSES = {
  unchanged: () => ({ fat: 0, lean: 0 }),
  creep: (week: number) => ({ fat: (4.2 * week) / 52, lean: 0 }),
  /** A cut by so much of the body mass a week, most of it fat. */
  cut:
    (percent: number): Course =>
    (week, massKg) => {
      const lost = (percent / 100) * massKg * week
      return { fat: -0.9 * lost, lean: -0.1 * lost }
    },
  /** Lean lost over sixteen weeks, and as much fat. */
  leanLost:
    (kg: number): Course =>
    (week) => {
      const share = Math.min(1, week / 16)
      return { fat: -kg * share, lean: -kg * share }
    },
  leanAlone:
    (kg: number): Course =>
    (week) => ({ fat: 0, lean: -kg * Math.min(1, week / 16) }),
} satisfies Record<string, Course | ((of: number) => Course)>

const USUAL: Record<Sex, number[]> = {
  male: [14, 16, 13, 17, 26, 19, 17],
  female: [12, 14, 21, 17, 24, 19, 30],
}
const FIRST_DAY = '2030-01-07'
const protocol = protocolById('seven-fold')

/** Student's t with a variance of 1 where the degrees of freedom allow it. */
function draws(seed: number) {
  const source = randomLcg(seed)
  const normal = randomNormal.source(source)(0, 1)
  const student = (df: number) => {
    let squares = 0
    for (let i = 0; i < df; i++) squares += normal() ** 2
    const t = normal() / Math.sqrt(squares / df)
    return df > 2 ? t / Math.sqrt(df / (df - 2)) : t
  }
  return { unit: source, normal, student }
}

export interface Told {
  week: number
  look: Look
  headline: Headline
  /** The true change over a horizon. */
  truth(quantity: RecordQuantity, horizon: 'first' | 'phase' | 'last'): number
}

/** What is varied between runs. */
export interface Run {
  world: World
  course: Course
  weeks: number
  /** Weeks between check-ins; from two to eight by the person where not said. */
  spacing?: number
  /** Weigh-ins of every day, as weekly means. */
  daily?: boolean
  figures?: ModelFigures
  /** Filled with the days as the model takes them; nothing is told then. */
  visits?: Visit[]
}

/** The folds of a person's fat %, all grown or shrunk by one share. */
function foldsAt(base: Values, fatPercent: number, subject: { sex: Sex; ageYears: number }) {
  const at = (by: number): Values =>
    Object.fromEntries(SEVEN_FOLDS.map((site) => [site, Math.max(3, base[site]! * by)]))
  let [low, high] = [0.25, 2]
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2
    const now = estimate('jackson-pollock-7', subject, at(middle)).fatPercent
    if (now < fatPercent) low = middle
    else high = middle
  }
  return at(low)
}

/** One person, followed: every look that a coach would have taken. */
export function follow(seed: number, { world, course, weeks, daily, ...run }: Run): Told[] {
  const { unit, normal, student } = draws(seed)
  for (let i = 0; i < 5; i++) unit()
  const sex: Sex = unit() < 0.5 ? 'male' : 'female'
  const subject = { sex, ageYears: 22 + Math.floor(unit() * 25) }
  const size = 1.15 * Math.exp(0.2 * normal())
  const base: Values = Object.fromEntries(
    SEVEN_FOLDS.map((site, i) => [
      site,
      Math.min(40, Math.max(6, USUAL[sex][i]! * size * Math.exp(0.2 * normal()))),
    ]),
  )
  const massKg = (sex === 'male' ? 84 : 68) + 8 * normal()
  const fatKg = (massKg * estimate('jackson-pollock-7', subject, base).fatPercent) / 100
  const spacing = run.spacing ?? 2 + Math.floor(unit() * 7)
  const slope = 1 + world.slope * normal()
  const bias = Object.fromEntries(
    SEVEN_FOLDS.map((site) => [site, 1 + (world.testers?.site ?? 0) * normal()]),
  )
  const testerBias = 1 + (world.testers?.common ?? 0) * normal()
  const model = new RecordModel(
    { pairs: world.testers ? ['A', 'B'] : ['A'], testers: [] },
    run.figures,
  )
  const sites = SEVEN_FOLDS.map((site) => ({ site, standard: 'us' as const }))
  const lines = [{ quantity: 'sum' as const, sites }]
  const told: Told[] = []
  const truths: { fat: number; lean: number }[] = []
  let drift = 0
  const last = Math.round(weeks)
  for (let week = 0; week <= last; week++) {
    const { fat, lean } = course(week, massKg)
    const isCheckIn = week % spacing === 0
    if (week > 0) drift += (world.drift * normal()) / Math.sqrt(10)
    if (!isCheckIn && !daily) continue
    const water = week > 0 && (fat !== 0 || lean !== 0) ? world.water : 0
    const mass = massKg + fat + lean - water
    const days = daily ? 7 : 1
    const weighed = mass + (world.massKg * normal()) / Math.sqrt(days)
    const visit: Visit = {
      date: addDays(FIRST_DAY, 7 * week),
      subject: { ...subject, massKg: weighed },
      massDays: days,
      measured: [],
      variance: () => 0,
      pair: 'A',
      tester: 'A',
    }
    run.visits?.push(visit)
    if (!isCheckIn) {
      if (run.visits) continue
      model.learn(visit, { equationId: 'jackson-pollock-7', lines })
      model.leave()
      continue
    }
    const other = world.testers !== undefined && week > 0 && unit() < 0.5
    const session = 1 + world.session * normal()
    const fatPercent = (100 * (fatKg + slope * fat)) / (massKg + fat + lean) + drift
    const true_ = foldsAt(base, Math.max(2, fatPercent), subject)
    const worth: Partial<Record<SiteId, number>> = {}
    const measured: LocatedValue[] = SEVEN_FOLDS.map((site) => {
      const seen = true_[site]! * session * (other ? testerBias * bias[site]! : 1)
      const error = world.relative
        ? world.relative * seen
        : world.errors * usualRepeatError(site, 'trained')
      const draw = () => (world.heavy ? student(world.heavy) : normal())
      const mark = seen + draw() * (world.relative ? error : RELOCATION_SHARE * error)
      const repeat = world.relative ? 0.5 * usualRepeatError(site, 'trained') : error
      const take = () => Math.max(3, Math.round((mark + draw() * repeat) * 2) / 2)
      const trials = [take(), take()]
      if (wantsAnotherTrial(trials, protocol.foldTrials)) trials.push(take())
      const { tolerance, count, value: gives } = protocol.foldTrials
      const value = siteValue(trials, tolerance, gives)!
      const allowed = allowedAt(tolerance, value.value)
      worth[site] = effectiveTrials(
        value,
        { allowed, count },
        siteErrorAt(site, SETUP, value.value),
      )
      return { site, standard: 'us', value: value.value }
    })
    visit.measured = measured
    visit.pair = other ? 'B' : 'A'
    visit.variance = (site) =>
      valueVariance(
        siteErrorAt(site, SETUP, measured.find((m) => m.site === site)!.value),
        worth[site]!,
      )
    if (run.visits) continue
    model.learn(visit, { equationId: 'jackson-pollock-7', lines })
    truths.push({ fat, lean })
    const look = model.look()
    const now = truths.length - 1
    told.push({
      week,
      look,
      headline: headlineOf({ ...look, readableFrom: () => undefined }),
      truth: (quantity, horizon) => {
        const from = truths[horizon === 'last' ? Math.max(0, now - 1) : 0]!
        const [f, l] = [fat - from.fat, lean - from.lean]
        return quantity === 'fat' ? f : quantity === 'lean' ? l : f + l
      },
    })
    model.leave()
  }
  return told
}

const SETUP = { skill: 'trained', graduation: { mm: 0.5 } } as const

/** What is measured in a world, with the words and the digits of its line. */
export const FIGURES_MEASURED = {
  falseFat: { says: 'unchanged: ever a clear fat verdict, % of people', digits: 1 },
  falseLean: { says: 'unchanged: ever a clear lean verdict, %', digits: 1 },
  noChange: { says: 'unchanged: told that fat did not change from week 20 on, %', digits: 0 },
  headlineNoChange: {
    says: 'unchanged: “no change that matters” as a headline from week 20 on, %',
    digits: 0,
  },
  weeksHalf: { says: 'weeks to a clear loss of fat at 0.5 % a week, median', digits: 0 },
  weeksQuarter: { says: 'at 0.25 %', digits: 0 },
  weeksSlow: { says: 'at 0.15 %', digits: 0 },
  halfFirst: { says: 'half-width of fat since the first, kg, median of all cuts', digits: 2 },
  halfLast: { says: 'half-width of fat since last, kg', digits: 2 },
  leastFat: { says: 'coverage of fat: least of courses and horizons, %', digits: 1 },
  leastLean: { says: 'coverage of lean, %', digits: 1 },
  leastMass: { says: 'coverage of mass, %', digits: 1 },
  lean2: { says: 'lean loss of 2 kg in 16 weeks clear, %', digits: 0 },
  lean3: { says: 'of 3 kg', digits: 0 },
  lean4: { says: 'of 4 kg', digits: 0 },
  lean2Daily: { says: 'of 2 kg, weighed daily', digits: 0 },
  lean3Daily: { says: 'of 3 kg, weighed daily', digits: 0 },
  lean4Daily: { says: 'of 4 kg, weighed daily', digits: 0 },
  creepClear: { says: 'creep of 4.2 kg a year clear, % of people', digits: 0 },
  creepNoChange: { says: 'creep: looks headed “no change that matters”, %', digits: 1 },
  steadyTooFast: { says: 'a steady cut of 0.5 % headed “too fast”, % of looks', digits: 1 },
  fastTold: { says: 'a loss of 1.6 % a week called too fast by week 4, % of people', digits: 0 },
} as const
export type FiguresMeasured = Record<keyof typeof FIGURES_MEASURED, number>

/** The same people by number, whatever they are measured for. */
const seedOf = (person: number) => (person * 0.6180339 + 0.137) % 1

/** What coaches' clients do, a fifth of them each. */
const GYM_COURSES = [
  ...[COURSES.unchanged, COURSES.creep, COURSES.cut(0.5), COURSES.cut(0.25)],
  COURSES.leanLost(2),
]

/** A gym's records of forty weeks as the refit takes them. @param from number of the first person */
export function gymIn(world: World, people: number, from = 0): RefitSeries[] {
  return Array.from({ length: people }, (_, i) => {
    const visits: Visit[] = []
    follow(seedOf(from + i), { world, course: GYM_COURSES[i % 5]!, weeks: 40, visits })
    return seriesOf(visits, world.testers ? ['A', 'B'] : ['A'], (visit) =>
      readComposition(visit, {
        equationId: 'jackson-pollock-7',
        ageYears: visit.subject.ageYears,
      }),
    )!
  })
}

const percentOf = <T>(all: readonly T[], holds: (one: T) => boolean) =>
  (100 * all.filter(holds).length) / all.length
const NEVER = 99
const median = (values: readonly number[]) =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!
const changeOf = (told: Told, horizon: 'first' | 'phase' | 'last', quantity: RecordQuantity) =>
  told.look.horizons[horizon]?.changes[quantity]
const isClear = (quantity: RecordQuantity) => (told: Told) =>
  changeOf(told, 'phase', quantity)?.verdict === 'clear'

/** The share of shown intervals that hold the truth, the least of some courses and all horizons. */
function leastCoverage(courses: readonly Told[][][], quantity: RecordQuantity): number {
  return Math.min(
    ...courses.flatMap((people) =>
      (['first', 'phase', 'last'] as const).map((horizon) => {
        const shown = people.flat().filter((told) => told.week > 0)
        return percentOf(shown, (told) => {
          const { interval } = changeOf(told, horizon, quantity)!
          const truth = told.truth(quantity, horizon)
          return truth >= interval[0] && truth <= interval[1]
        })
      }),
    ),
  )
}

/**
 * Everything that is measured in a world. Seeded by the number of the person: the same people in every world.
 *
 * @param people on each course
 * @param figures the usual ones where not said
 */
export function measureWorld(
  name: WorldName,
  people: number,
  figures?: ModelFigures,
): FiguresMeasured {
  const world: World = WORLDS[name]
  const run = (what: Omit<Run, 'world'>, count = people) =>
    Array.from({ length: count }, (_, i) => follow(seedOf(i), { world, figures, ...what }))
  const still = run({ course: COURSES.unchanged, weeks: 52 })
  const late = still.map((person) => person.filter(({ week }) => week >= 20))
  const cuts = ([0.5, 0.25, 0.15] as const).map((percent) =>
    run({ course: COURSES.cut(percent), weeks: percent === 0.5 ? 26 : 52 }),
  )
  const weeksTo = (of: readonly Told[][]) =>
    median(of.map((person) => person.find(isClear('fat'))?.week ?? NEVER))
  const looks = cuts.flat(2).filter(({ week }) => week > 0)
  const half = (horizon: 'first' | 'last') =>
    median(looks.map((told) => 1.96 * changeOf(told, horizon, 'fat')!.sd))
  const third = Math.ceil(people / 3)
  const losers = (daily: boolean) =>
    [2, 3, 4].map((kg) =>
      [2, 4, 8].flatMap((spacing) =>
        run({ course: COURSES.leanLost(kg), weeks: 16, spacing, daily }, third),
      ),
    )
  const [single, daily] = [losers(false), losers(true)]
  const power = (of: readonly Told[][]) => percentOf(of, (person) => person.some(isClear('lean')))
  const creep = run({ course: COURSES.creep, weeks: 52 })
  const courses = [still, ...cuts, ...single]
  return {
    falseFat: percentOf(still, (person) => person.some(isClear('fat'))),
    falseLean: percentOf(still, (person) => person.some(isClear('lean'))),
    noChange: percentOf(late, (person) =>
      person.some((told) => changeOf(told, 'phase', 'fat')!.verdict === 'no-change'),
    ),
    headlineNoChange: percentOf(late, (person) =>
      person.some(({ headline }) => headline.rule === 'no-change'),
    ),
    weeksHalf: weeksTo(cuts[0]!),
    weeksQuarter: weeksTo(cuts[1]!),
    weeksSlow: weeksTo(cuts[2]!),
    halfFirst: half('first'),
    halfLast: half('last'),
    leastFat: leastCoverage(courses, 'fat'),
    leastLean: leastCoverage(courses, 'lean'),
    leastMass: leastCoverage(courses, 'mass'),
    lean2: power(single[0]!),
    lean3: power(single[1]!),
    lean4: power(single[2]!),
    lean2Daily: power(daily[0]!),
    lean3Daily: power(daily[1]!),
    lean4Daily: power(daily[2]!),
    creepClear: percentOf(creep, (person) => person.some(isClear('fat'))),
    creepNoChange: percentOf(
      creep.flat().filter(({ week }) => week > 0),
      ({ headline }) => headline.rule === 'no-change',
    ),
    steadyTooFast: percentOf(
      cuts[0]!.flat().filter(({ week }) => week > 0),
      ({ headline }) => headline.rule === 'too-fast',
    ),
    fastTold: percentOf(run({ course: COURSES.cut(1.6), weeks: 4, spacing: 2 }), (person) =>
      person.some(({ headline }) => headline.rule === 'too-fast'),
    ),
  }
}

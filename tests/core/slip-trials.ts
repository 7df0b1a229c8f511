import {
  findEntryErrors,
  KG_PER_POUND,
  CM_PER_INCH,
  SEVEN_FOLDS,
  siteError,
  transpositionsOf,
  type Finding,
  type SiteId,
  type EntryErrorContext,
} from '#core'
import { contextOf, people, type Person, type World } from './simulation'

/* Slips put into made-up check-ins, to see how many are found. Used by the test and for the table in the docs. */

const SEED = 0.2718
const HONEST = 600
const TRIED = 300

export interface TrialRow {
  slip: string
  tried: number
  /** Share found with the intended value offered (for a site moved alone: with the site named). */
  found: number
  /** What is asked for. */
  wanted: number
  /** Share in which another value was offered for a reading that was right. */
  misled: number
}

interface Slipped {
  trials: Map<SiteId, number[]>
  /** The sheet as it was meant. */
  meant?: Map<SiteId, number[]>
  context?: Partial<EntryErrorContext>
  found(findings: Finding[]): boolean
}

function suggestions(
  findings: Finding[],
  site: SiteId | 'mass',
  trial: number | null,
  value: number,
) {
  return findings.some((f) =>
    f.suggestions.some(
      (o) =>
        o.site === site &&
        o.trial === trial &&
        [o.value, o.second].some((v) => v !== undefined && Math.abs(v - value) < 1e-6),
    ),
  )
}

/** Whether a reading that was typed as it was taken would be changed. */
const changesRight = (findings: Finding[], { trials, meant = trials }: Slipped) =>
  findings
    .flatMap(({ suggestions: all }) => all)
    .some(({ site, trial }) => {
      if (site === 'mass' || site === 'height' || trial === null) return false
      return trials.get(site)![trial - 1] === meant.get(site)![trial - 1]
    })

const copyOf = (trials: Map<SiteId, number[]>) =>
  new Map([...trials].map(([site, values]): [SiteId, number[]] => [site, [...values]]))

/** Share of honest check-ins that are questioned where hand, day or person are not as assumed. */
const HONEST_WORLDS: { world: string; errors: World; first?: boolean; most: number }[] = [
  { world: 'errors as assumed', errors: {}, most: 0.02 },
  { world: 'heavy tails (t with 3 degrees of freedom)', errors: { freedom: 3 }, most: 0.04 },
  { world: 'errors of 5 % of the fold', errors: { relative: 0.05 }, most: 0.04 },
  { world: '2.5 % common to a day', errors: { session: 0.025 }, most: 0.03 },
  { world: 'errors twice the assumed', errors: { factor: 2 }, most: 0.2 },
  { world: 'first visits, errors as assumed', errors: {}, first: true, most: 0.05 },
  {
    world: 'first visits, folds half as thick again',
    errors: { thicker: 1.5 },
    first: true,
    most: 0.05,
  },
]

/** The simulation is seeded, so running it once is running it always. */
function once<T>(run: () => T): () => T {
  let result: { value: T } | undefined
  return () => (result ??= { value: run() }).value
}

/** Share of honest check-ins in which anything was found. */
export const honestQuestioned = once(questionHonest)

/** Puts each kind of slip into fresh check-ins and counts what is found. */
export const slipTrials = once(trySlips)

function questionHonest(): { world: string; questioned: number; tried: number; most: number }[] {
  return HONEST_WORLDS.map(({ world, errors, first, most }) => {
    const crowd = people({ seed: SEED, world: errors })
    let questioned = 0
    for (let i = 0; i < HONEST; i++) {
      const person = crowd.next()
      const context = contextOf(person)
      const known = first ? { ...context, last: {}, masses: [], massAt: undefined } : context
      if (findEntryErrors(person.now.trials, known).length > 0) questioned++
    }
    return { world, questioned: questioned / HONEST, tried: HONEST, most }
  })
}

function trySlips(): TrialRow[] {
  const crowd = people({ seed: SEED })
  const pick = <T>(from: readonly T[]) => from[Math.floor(crowd.unit() * from.length)]!

  function row(
    slip: string,
    wanted: number,
    put: (person: Person) => Slipped | undefined,
  ): TrialRow {
    let tried = 0
    let found = 0
    let misled = 0
    while (tried < TRIED) {
      const person = crowd.next()
      const slipped = put(person)
      if (!slipped) continue
      tried++
      const context = { ...contextOf(person), ...slipped.context }
      const findings = findEntryErrors(slipped.trials, context)
      if (slipped.found(findings)) found++
      if (changesRight(findings, slipped)) misled++
    }
    return { slip, tried, found: found / tried, wanted, misled: misled / tried }
  }

  const oneValue = (
    person: Person,
    change: (value: number) => number | undefined,
  ): Slipped | undefined => {
    const trials = copyOf(person.now.trials)
    const site = pick(SEVEN_FOLDS)
    const trial = crowd.unit() < 0.5 ? 0 : 1
    const meant = trials.get(site)![trial]!
    const typed = change(meant)
    if (typed === undefined) return undefined
    trials.get(site)![trial] = typed
    const sheet = person.now.trials
    return { trials, meant: sheet, found: (f) => suggestions(f, site, trial + 1, meant) }
  }

  function swapped(person: Person, wholeVisit: boolean): Slipped | undefined {
    const trials = copyOf(person.now.trials)
    const [a, b] = [pick(SEVEN_FOLDS), pick(SEVEN_FOLDS)]
    const [ofA, ofB] = [[...trials.get(a)!], [...trials.get(b)!]]
    const from = wholeVisit || crowd.unit() < 0.5 ? 0 : 1
    const to = wholeVisit ? Math.min(ofA.length, ofB.length) : from + 1
    const apart = wholeVisit
      ? person.now.values[a]! - person.now.values[b]!
      : ofA[from]! - ofB[from]!
    if (a === b || Math.abs(apart) < 4) return undefined
    for (let k = from; k < to; k++) {
      trials.get(a)![k] = ofB[k]!
      trials.get(b)![k] = ofA[k]!
    }
    return {
      trials,
      meant: person.now.trials,
      found: (f) =>
        suggestions(f, a, from + 1, ofA[from]!) && suggestions(f, b, from + 1, ofB[from]!),
    }
  }

  function repeated(person: Person): Slipped | undefined {
    const trials = copyOf(person.now.trials)
    const i = Math.floor(crowd.unit() * (SEVEN_FOLDS.length - 1))
    const [before, site] = [SEVEN_FOLDS[i]!, SEVEN_FOLDS[i + 1]!]
    const { values } = person.now
    if (Math.abs(values[before]! - values[site]!) < 4) return undefined
    // The same mark again, by the same hand.
    const off = () => (crowd.unit() + crowd.unit() + crowd.unit() - 1.5) * 2
    const { repeat } = siteError(before, { skill: 'trained' })
    const again = () => Math.round((values[before]! + repeat * off()) * 2) / 2
    const count = Math.min(2, trials.get(site)!.length)
    trials.set(site, Array.from({ length: count }, again))
    return {
      trials,
      found: (f) => f.some(({ kind, sites }) => kind === 'repeated site' && sites[0] === site),
    }
  }

  return [
    row('decimal point lost (65 for 6.5)', 0.99, (p) => oneValue(p, (v) => v * 10)),
    row('decimal point moved (1.95 for 19.5)', 0.99, (p) => oneValue(p, (v) => v / 10)),
    row('two sites 4 mm or more apart swapped in one trial', 0.82, (p) => swapped(p, false)),
    row('the same in every trial', 0.88, (p) => swapped(p, true)),
    row('digits changed about, by 9 mm or more', 0.9, (p) =>
      oneValue(p, (v) => {
        const far = transpositionsOf(v).filter((t) => Math.abs(t - v) >= 9)
        return far.length ? pick(far) : undefined
      }),
    ),
    row('a ten too many (29.5 for 19.5)', 0.85, (p) => oneValue(p, (v) => v + 10)),
    row('a ten left out (9.5 for 19.5)', 0.9, (p) =>
      oneValue(p, (v) => (v > 12 && v < 20 ? v - 10 : undefined)),
    ),
    row('the site before measured again, 4 mm or more from this one', 0.83, (p) => repeated(p)),
    row('pounds typed as kilograms', 0.99, (p) => ({
      trials: p.now.trials,
      context: { massKg: p.now.massKg / KG_PER_POUND },
      found: (f) => suggestions(f, 'mass', null, p.now.massKg),
    })),
    row('inches typed as centimetres (a waist)', 0.99, () => {
      const last = 70 + crowd.unit() * 30
      const waist = last * (1 + (crowd.unit() - 0.6) * 0.06)
      return {
        trials: new Map<SiteId, number[]>([['waist', [waist / CM_PER_INCH]]]),
        meant: new Map<SiteId, number[]>([['waist', [waist]]]),
        context: {
          last: { waist: { value: last, trials: 1 } },
          massKg: undefined,
          errorOf: (site) => siteError(site, { skill: 'trained' }),
        },
        found: (f) => suggestions(f, 'waist', 1, waist),
      }
    }),
    row('a body mass 5 kg off, weighed each day of the week before', 0.9, (p) => ({
      trials: p.now.trials,
      context: {
        massKg: p.now.massKg + (crowd.unit() < 0.5 ? -5 : 5),
        masses: Array.from({ length: 7 }, (_, i) => ({
          kg: p.now.truth.massKg + (crowd.unit() + crowd.unit() - 1) * 1.5,
          weeksAgo: (i + 1) / 7,
        })),
      },
      found: (f) => f.some(({ sites }) => sites[0] === 'mass'),
    })),
  ]
}

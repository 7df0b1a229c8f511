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
import { contextOf, people, type Person } from './simulation'

/* Slips put into made-up check-ins, to see how many are found. Used by the test and for the table in the docs. */

const SEED = 0.2718
const HONEST = 2000
const TRIED = 400

export interface TrialRow {
  slip: string
  tried: number
  /** Share found with the intended value offered (for a site moved alone: with the site named). */
  found: number
  /** What is asked for. */
  wanted: number
}

interface Slipped {
  trials: Map<SiteId, number[]>
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
      (o) => o.site === site && o.trial === trial && Math.abs(o.value - value) < 1e-6,
    ),
  )
}

const copyOf = (trials: Map<SiteId, number[]>) =>
  new Map([...trials].map(([site, values]): [SiteId, number[]] => [site, [...values]]))

/** The simulation is seeded, so running it once is running it always. */
function once<T>(run: () => T): () => T {
  let result: { value: T } | undefined
  return () => (result ??= { value: run() }).value
}

/** Share of honest check-ins in which anything was found. */
export const honestQuestioned = once(questionHonest)

/** Puts each kind of slip into fresh check-ins and counts what is found. */
export const slipTrials = once(trySlips)

function questionHonest(): { questioned: number; tried: number } {
  const crowd = people({ seed: SEED })
  let questioned = 0
  for (let i = 0; i < HONEST; i++) {
    const person = crowd.next()
    if (findEntryErrors(person.now.trials, contextOf(person)).length > 0) questioned++
  }
  return { questioned: questioned / HONEST, tried: HONEST }
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
    while (tried < TRIED) {
      const person = crowd.next()
      const slipped = put(person)
      if (!slipped) continue
      tried++
      if (
        slipped.found(findEntryErrors(slipped.trials, { ...contextOf(person), ...slipped.context }))
      )
        found++
    }
    return { slip, tried, found: found / tried, wanted }
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
    return { trials, found: (f) => suggestions(f, site, trial + 1, meant) }
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
      found: (f) =>
        suggestions(f, a, from + 1, ofA[from]!) && suggestions(f, b, from + 1, ofB[from]!),
    }
  }

  return [
    row('decimal point lost (65 for 6.5)', 0.99, (p) => oneValue(p, (v) => v * 10)),
    row('decimal point moved (1.95 for 19.5)', 0.99, (p) => oneValue(p, (v) => v / 10)),
    row('two sites 4 mm or more apart swapped in one trial', 0.9, (p) => swapped(p, false)),
    row('the same in every trial', 0.9, (p) => swapped(p, true)),
    row('digits changed about, by 9 mm or more', 0.9, (p) =>
      oneValue(p, (v) => {
        const far = transpositionsOf(v).filter((t) => Math.abs(t - v) >= 9)
        return far.length ? pick(far) : undefined
      }),
    ),
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
        context: {
          last: { waist: { value: last, trials: 1 } },
          massKg: undefined,
          errorOf: (site) => siteError(site, { skill: 'trained' }),
        },
        found: (f) => suggestions(f, 'waist', 1, waist),
      }
    }),
    row('one site moved alone by 6 mm', 0.5, (p) => {
      const trials = copyOf(p.now.trials)
      const site = pick(SEVEN_FOLDS)
      const by = p.now.values[site]! > 9 && crowd.unit() < 0.5 ? -6 : 6
      trials.set(
        site,
        trials.get(site)!.map((v) => v + by),
      )
      return {
        trials,
        found: (f) => f.some(({ kind, sites }) => kind === 'moved alone' && sites[0] === site),
      }
    }),
  ]
}

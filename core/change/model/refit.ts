import { daysBetween } from '../../units/dates'
import { type ClientRecordParts, recordDays } from './client-record'
import { Ensemble } from './ensemble'
import { GYM_FIGURES, type GymFigures, USUAL_FIGURES, figuresWith } from './figures'
import { compositionForm, isCheckIn, levelsOf } from './record'
import { type CompositionRead, type Visit, dayRows, readComposition } from './visit'

/*
 * What a gym's own records tell of its errors. Fewer people, or people measured less often, tell too little: a mistaken
 * figure makes noise into progress for everybody.
 */

/** So many people, each with so many check-ins, are the fewest that a gym's own figures are read off. */
export const REFIT_PEOPLE = 20
export const REFIT_CHECK_INS = 4
/** More people than these tell hardly more, and it takes the longer. */
export const REFIT_MOST_PEOPLE = 120
/** The newest check-ins of each that count. */
const NEWEST = 24

/**
 * What is thought of each before anything is seen: a logarithm about the usual figure, with how far it usually is off;
 * and between what it may lie. Judgement, no source, but for the least session error: without one, a gym that happens to
 * agree with itself makes every second client a false alarm.
 */
const BEFOREHAND: Record<keyof GymFigures, { spread: number; least: number; most: number }> = {
  technical: { spread: 0.4, least: 0.5, most: 2.5 },
  session: { spread: 0.5, least: 0.01, most: 0.05 },
  massKg: { spread: 0.4, least: 0.3, most: 1.5 },
}

const WEEK = 7

/** One person's days, as far as the errors need them. */
export interface RefitSeries {
  days: readonly { visit: Visit; read: CompositionRead | undefined }[]
  pairs: readonly string[]
}

/**
 * A record for the refit: fat and lean by its newest check-in's equation.
 *
 * @returns undefined where too few check-ins give fat and lean
 */
export function refitSeries(record: ClientRecordParts): RefitSeries | undefined {
  const parts = { ...record, checkIns: record.checkIns.slice(-NEWEST), fatAndLean: true }
  const found = recordDays(parts)
  const { equationId, conversion } = found?.basis ?? {}
  if (!found || equationId === undefined) return undefined
  const { ageYears } = found.checkIns.at(-1)!.subject
  return seriesOf(found.visits, found.people.pairs, (visit) =>
    readComposition(visit, { equationId, conversion, ageYears }),
  )
}

/** The same of days that were read already. @param read what an equation makes of a check-in */
export function seriesOf(
  visits: readonly Visit[],
  pairs: readonly string[],
  read: (visit: Visit) => CompositionRead | undefined,
): RefitSeries | undefined {
  const first = visits.findIndex(isCheckIn)
  const days = visits
    // Body mass before the first check-in would be told apart by nothing.
    .slice(Math.max(0, first))
    .map((visit) => ({ visit, read: isCheckIn(visit) ? read(visit) : undefined }))
    .filter((day) => day.read ?? day.visit.subject.massKg !== undefined)
  const readable = days.filter((day) => day.read).length
  return readable >= REFIT_CHECK_INS ? { days, pairs } : undefined
}

/** Log of how likely a record is by some figures, everything free to move; but for what no figure changes. */
function logLikelihood({ days, pairs }: RefitSeries, own: GymFigures): number {
  const figures = figuresWith(own)
  const form = { ...compositionForm(figures, pairs.length), judged: {} }
  const [{ visit, read }] = days as [RefitSeries['days'][number]]
  const ensemble = new Ensemble(form, levelsOf(visit, read), { evidenceOnly: true })
  let on = visit.date
  for (const day of days) {
    ensemble.advance(daysBetween(on, day.visit.date) / WEEK)
    on = day.visit.date
    const rows = dayRows(day.visit, day.read, pairs, figures)?.rows ?? []
    for (const row of rows) ensemble.learn(row)
    if (day.visit.startsPhase) ensemble.startPhase()
  }
  return ensemble.logEvidence
}

type Logs = Record<keyof GymFigures, number>

const asFigures = (logs: Logs): GymFigures => ({
  technical: USUAL_FIGURES.technical * Math.exp(logs.technical),
  session: USUAL_FIGURES.session * Math.exp(logs.session),
  massKg: USUAL_FIGURES.massKg * Math.exp(logs.massKg),
})

const within = (name: keyof GymFigures, log: number) => {
  const { least, most } = BEFOREHAND[name]
  const usual = USUAL_FIGURES[name]
  return Math.min(Math.log(most / usual), Math.max(Math.log(least / usual), log))
}

/** Steps of the search, each figure in turn, in logarithms: the last ones find it to about two digits. */
const STEPS = [0.4, 0.25, 0.15, 0.1, 0.05]

/**
 * Session error, mass error and a factor on the technical errors that make a gym's records most likely, with weak
 * expectations beforehand: a parabola through three values of one figure after another. The drift of an equation is left
 * as it is: a few years of one gym cannot tell it from people who change slowly.
 *
 * A generator, so that whoever runs it can do something else in between: it stops after every record.
 *
 * @returns to two digits; undefined where there are fewer than `REFIT_PEOPLE` series
 */
export function* refitting(
  series: readonly RefitSeries[],
): Generator<void, GymFigures | undefined, void> {
  if (series.length < REFIT_PEOPLE) return undefined
  const all = series.slice(0, REFIT_MOST_PEOPLE)
  const known = new Map<string, number>()
  function* worth(logs: Logs): Generator<void, number, void> {
    const key = GYM_FIGURES.map((name) => logs[name].toFixed(6)).join(' ')
    const before = known.get(key)
    if (before !== undefined) return before
    let sum = 0
    for (const name of GYM_FIGURES) sum -= 0.5 * (logs[name] / BEFOREHAND[name].spread) ** 2
    const figures = asFigures(logs)
    for (const one of all) {
      sum += logLikelihood(one, figures)
      yield
    }
    known.set(key, sum)
    return sum
  }
  let best: Logs = { technical: 0, session: 0, massKg: 0 }
  for (const step of STEPS) {
    for (const name of GYM_FIGURES) {
      const at = (log: number) => ({ ...best, [name]: within(name, log) })
      const middle = best[name]
      const tried = [at(middle - step), at(middle), at(middle + step)]
      const [low, here, high] = [
        yield* worth(tried[0]!),
        yield* worth(tried[1]!),
        yield* worth(tried[2]!),
      ]
      const bend = low - 2 * here + high
      // A valley, or the edge of what is allowed: the better side is as far as one can tell.
      const shift = bend < 0 ? Math.max(-2, Math.min(2, (low - high) / (2 * bend))) : 0
      tried.push(at(middle + step * shift))
      const values = [low, here, high, yield* worth(tried[3]!)]
      best = tried[values.indexOf(Math.max(...values))]!
    }
  }
  const found = asFigures(best)
  const rounded = (value: number) => Number(value.toPrecision(2))
  return {
    technical: rounded(found.technical),
    session: rounded(found.session),
    massKg: rounded(found.massKg),
  }
}

/** The same at once. */
export function refit(series: readonly RefitSeries[]): GymFigures | undefined {
  const work = refitting(series)
  for (;;) {
    const { done, value } = work.next()
    if (done) return value
  }
}

import type { Words } from '../say'
import { type SiteId, type SkinfoldId, isSkinfold } from '../anatomy/ids'
import { isSamePlace } from '../anatomy/landmark-standards'
import { type Headline, headlineOf } from '../change/model/headline'
import { type Look, RecordModel, type RecordQuantity } from '../change/model/record'
import type { Visit } from '../change/model/visit'
import { headlineText } from '../change/model/words'
import { estimateEvery } from '../composition/every'
import type { LocatedFold } from '../composition/fold-sum'
import { settledVariance } from '../measurement-error/site-error'
import { type RecordRow, SETUPS, placeIn, valueIn } from './record-file'

export const JUDGE_COLUMNS = [
  'client',
  'date',
  'horizon',
  'since',
  'quantity',
  'change',
  'low95',
  'high95',
  'odds',
  'verdict',
  'headline_rule',
  'headline',
] as const
type JudgeRow = Record<(typeof JUDGE_COLUMNS)[number], Words | number>

const QUANTITIES: readonly [RecordQuantity, string][] = [
  ['sum', 'sum'],
  ['fat', 'fat_mass'],
  ['lean', 'lean_mass'],
  ['mass', 'body_mass'],
]
const HORIZONS = ['last', 'phase', 'first'] as const

const MOST_ODDS = 1e12
const DIGITS = 4

/** A row as the model takes it: the value of each site by the rules of its standard, with its error. */
function visitOf(row: RecordRow): Visit {
  const setup = SETUPS[row.skill]
  const variances: Partial<Record<SiteId, number>> = {}
  const measured = [...row.trials].map(([site, trials]) => {
    const found = valueIn(row.standard, site, trials)
    variances[site] = settledVariance(site, found, found.scheme, setup)
    return { ...placeIn(row.standard, site), value: found.value }
  })
  const { sex, ageYears, heightCm, massKg } = row
  return {
    date: row.date,
    subject: { sex, ageYears, heightCm, massKg },
    massDays: row.massDays,
    measured,
    variance: (site) => variances[site]!,
    pair: `${row.tester}|${row.caliper}`,
    tester: row.tester,
    startsPhase: row.startsPhase,
  }
}

/** The folds that all check-ins have, each by one standard. */
function sharedFolds(visits: readonly Visit[]): LocatedFold[] {
  const checkIns = visits.filter(({ measured }) => measured.some(({ site }) => isSkinfold(site)))
  return (checkIns[0]?.measured ?? []).flatMap(({ site, standard }) =>
    isSkinfold(site) &&
    checkIns.every(({ measured }) => measured.some((m) => isSamePlace(m, { site, standard })))
      ? [{ site: site as SkinfoldId, standard }]
      : [],
  )
}

/** The equation of a row: the one it names, or the first that its numbers allow. */
function equationOf(row: RecordRow, { subject, measured }: Visit): string | undefined {
  if (row.equationId) return row.equationId
  return estimateEvery(subject, measured).find((result) => result.ok)?.equation.id
}

/** Judges the record of one client: a row for each look, horizon and quantity. */
export function judgeRows(rows: readonly RecordRow[]): JudgeRow[] {
  const visits = rows.map(visitOf)
  const sumFolds = sharedFolds(visits)
  const checkIns = visits.filter(({ measured }) => measured.length > 0)
  const model = new RecordModel({
    pairs: [...new Set(checkIns.map(({ pair }) => pair))],
    testers: [...new Set(checkIns.map(({ tester }) => tester))],
  })
  const lines = sumFolds.length ? [{ quantity: 'sum' as const, sites: sumFolds }] : []
  return visits.flatMap((visit, i): JudgeRow[] => {
    const isCheckIn = visit.measured.length > 0
    const equationId = isCheckIn ? equationOf(rows[i]!, visit) : undefined
    model.learn(visit, { equationId, lines })
    const look = isCheckIn ? model.look() : undefined
    const told = look ? linesOf(rows[i]!.client, look, headlineOf(look)) : []
    model.leave()
    return told
  })
}

const rounded = (value: number) => Number(value.toFixed(DIGITS))

function linesOf(client: string, look: Look, headline: Headline): JudgeRow[] {
  const words = headlineText(headline)
  return HORIZONS.flatMap((horizon) =>
    QUANTITIES.flatMap(([quantity, name]): JudgeRow[] => {
      const judged = look.horizons[horizon]
      const change = judged?.changes[quantity]
      if (!judged || !change) return []
      const odds = change.odds === undefined ? '' : Math.min(MOST_ODDS, change.odds)
      return [
        {
          ...{ client, date: look.date, horizon, since: judged.since, quantity: name },
          change: rounded(change.change),
          low95: rounded(change.interval[0]),
          high95: rounded(change.interval[1]),
          odds: odds === '' ? '' : Number(odds.toPrecision(DIGITS)),
          ...{ verdict: change.verdict, headline_rule: headline.rule, headline: words },
        },
      ]
    }),
  )
}

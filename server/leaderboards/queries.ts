import { sql } from 'drizzle-orm'
import {
  addDays,
  basisOf,
  bodyMassChange,
  followedFolds,
  lookAtRecord,
  measuredOf,
  netSwing,
  pointsOfFat,
  rank,
  resultOf,
  sheetOf,
  WAISTS,
  showsComposition,
  type BoardMeasure,
  type Contender,
  type Message,
  type ErringChange,
  type IsoDate,
  type JudgedWith,
  type Measured,
  type WeighIn,
  say,
} from '#core'
import type { CheckInWithReadings } from '#shared/contract/check-ins'
import type { Client } from '#shared/contract/clients'
import type { Board, BoardLine, Leaderboard } from '#shared/contract/leaderboards'
import type { Untold } from '#shared/words/tell'
import type { ClientRecord } from '#shared/contract/record'
import { measuredJson, withHeights, type MeasuredRows } from '../check-ins/json'
import { clientJson, withLatestHeight, type PlainClient } from '../clients/queries'
import type { Connection } from '../database/driver'
import { iso, jsonOf, listOf } from '../database/json'
import { GYM_FIGURES_JSON, instrumentsJson, listOwnErrors, TESTERS } from '../equipment/queries'
import { notFound } from '../http/errors'
import { weighInsJson } from '../weigh-ins/queries'

type SaidBoard = Untold<Board>

const LEADERBOARD = sql`json_build_object('id', l.id, 'name', l.name, 'startsOn', l.starts_on, 'endsOn', l.ends_on,
  'measure', l.measure, 'closedAt', ${iso(sql`l.closed_at`)}, 'closedBy', l.closed_by, 'members', (select count(*) from leaderboard_members m where m.leaderboard_id = l.id))`

/** Every leaderboard, the latest first. */
export const listLeaderboards = (db: Connection): Promise<Leaderboard[]> =>
  jsonOf(db, listOf(LEADERBOARD, sql`from leaderboards l`, sql`l.ends_on desc, l.name`))

/** The leaderboard of that id; the answer is 404 when there is none. */
export async function leaderboardOr404(db: Connection, id: string): Promise<Leaderboard> {
  const found = await jsonOf<Leaderboard | null>(
    db,
    sql`select ${LEADERBOARD} from leaderboards l where l.id = ${id}`,
  )
  if (!found) throw notFound(say('api.suchLeaderboard'))
  return found
}

/** Days before the first day of a period in which its first check-in may lie. */
const EARLY_DAYS = 14

interface Member extends MeasuredRows {
  client: PlainClient
  weighIns: WeighIn[]
}

/** Everything that a board is made of, of all its members, in one query. */
function findMembers(db: Connection, { id, startsOn, endsOn }: Leaderboard) {
  const from = addDays(startsOn, -EARLY_DAYS)
  type Known = Omit<JudgedWith, 'weighIns' | 'ownErrors'> & Pick<ClientRecord, 'gymFigures'>
  return jsonOf<Known & { members: Member[] }>(
    db,
    sql`select json_build_object('testers', ${TESTERS}, 'instruments', ${instrumentsJson(false)},
      'gymFigures', ${GYM_FIGURES_JSON}, 'members', ${listOf(
        sql`json_build_object('client', ${clientJson(sql`m.client_id`)},
          ${measuredJson(
            sql`c.client_id = m.client_id and c.closed_at is not null and c.voided_at is null
              and c.measured_on between ${from}::date and ${endsOn}::date`,
            sql`h.client_id = m.client_id`,
          )}, 'weighIns', ${weighInsJson(sql`client_id = m.client_id`)})`,
        sql`from leaderboard_members m join clients x on x.id = m.client_id
          where m.leaderboard_id = ${id} and x.archived_at is null`,
        sql`x.name, x.id`,
      )})`,
  )
}

interface Ran extends Contender {
  client: Client
  from: IsoDate
  to: IsoDate
  /** What makes two changes comparable between clients: the equation, or the folds of the sum. */
  kind: string
}

/**
 * The check-ins of a period, oldest first: from the last one on or before its first day, where there is one.
 *
 * @param checkIns newest first
 * @returns undefined where there are not two on two days
 */
function within(checkIns: readonly CheckInWithReadings[], { startsOn }: Leaderboard) {
  const oldestFirst = [...checkIns].reverse()
  const first = oldestFirst.findLastIndex(({ measuredOn }) => measuredOn <= startsOn)
  const all = oldestFirst.slice(Math.max(0, first))
  const [from, to] = [all[0]?.measuredOn, all.at(-1)?.measuredOn]
  return from && to && from < to && to >= startsOn ? all : undefined
}

/** What changed over some check-ins by the model of the record, and what makes it comparable between clients. */
function ranBy(
  measure: BoardMeasure,
  client: Client,
  checkIns: readonly Measured[],
  judgedWith: Pick<JudgedWith, 'weighIns'> & Pick<ClientRecord, 'gymFigures'>,
): (ErringChange & { kind: string }) | undefined {
  const { showPercentages: fatAndLean, weekEndsOn } = client
  if (measure === 'bodyMass') {
    const found = bodyMassChange(client, [checkIns[0]!, checkIns.at(-1)!], judgedWith.gymFigures)
    return found && { ...found, kind: measure }
  }
  const look = lookAtRecord(
    { person: client, checkIns, weekEndsOn, fatAndLean, ...judgedWith },
    { byEquation: true },
  )
  const since = look?.horizons.first
  const now = checkIns.at(-1)!
  if (!since || since.since !== checkIns[0]!.measuredOn) return undefined
  const { changes } = since
  const waist = WAISTS.find((site) => changes[site])
  const change = () => {
    if (measure === 'sum') return changes.sum
    // Where the equation adds up all folds, the two sums are one.
    if (measure === 'equationSum') return changes.equationSum ?? changes.sum
    if (measure === 'fatMass') return changes.fat
    if (measure === 'recomposition') return netSwing(changes)
    if (measure === 'waist') return waist && changes[waist]
    const result = resultOf(client, now)
    const { fatMassKg: fatKg, leanMassKg: leanKg } = result.ok ? result.value : {}
    return fatKg === undefined || leanKg === undefined
      ? undefined
      : pointsOfFat(changes, { fatKg, massKg: fatKg + leanKg })
  }
  const found = change()
  if (!found) return undefined
  return { change: found.change, sd: found.sd, kind: kindOf(measure, client, checkIns, waist) }
}

/** What makes two changes one kind: the folds of the sum, where the tape lies, or the equation. */
function kindOf(
  measure: BoardMeasure,
  client: Client,
  checkIns: readonly Measured[],
  waist: string | undefined,
): string {
  if (measure === 'waist') return waist ?? ''
  if (measure !== 'sum') return basisOf(client, checkIns.at(-1)!).equationId ?? ''
  const folds = followedFolds(checkIns.map((checkIn) => sheetOf(client, checkIn)))?.folds ?? []
  return folds
    .map(({ site }) => site)
    .sort()
    .join(' ')
}

/** The kind that most have; only those are ranked against one another. */
function commonest(ran: readonly Ran[]): string | undefined {
  const counts = new Map<string, number>()
  for (const { kind } of ran) counts.set(kind, (counts.get(kind) ?? 0) + 1)
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0]
}

/** Where a member stands, or why nowhere. */
export interface BoardRow {
  clientId: string
  name: string
  hidden: boolean
  ranked: Omit<BoardLine, 'clientId' | 'name'> | null
  why: Message | null
}

const OTHERS = {
  sum: say('api.otherFoldsMost'),
  waist: say('api.otherWaistMost'),
}

/**
 * Ranks the members of a leaderboard by change over its period, like for like only. Who sees sums and girths only is on no
 * leaderboard of composition at all.
 *
 * @returns the ranked first, in order
 */
export async function rankMembers(db: Connection, leaderboard: Leaderboard): Promise<BoardRow[]> {
  const { measure } = leaderboard
  const { members, ...gym } = await findMembers(db, leaderboard)
  const ownErrors = await listOwnErrors(db)
  const unranked: BoardRow[] = []
  const ran: Ran[] = []
  const rowOf = ({ id, name, hiddenOnLeaderboards }: Client) => ({
    ...{ clientId: id, name, hidden: hiddenOnLeaderboards },
  })
  for (const { client: plain, checkIns, heights, weighIns } of members) {
    const client = withLatestHeight(plain, heights)
    if (showsComposition(measure) && !client.showPercentages) continue
    const leave = (why: Message) => unranked.push({ ...rowOf(client), ranked: null, why })
    const taken = within(withHeights(checkIns, heights), leaderboard)
    if (!taken) {
      leave(say('api.measuredTwicePeriod'))
      continue
    }
    const { gymFigures, ...equipment } = gym
    const measured = taken.map((checkIn) =>
      measuredOf(checkIn, { ...equipment, ownErrors, weighIns }),
    )
    const found = ranBy(measure, client, measured, { weighIns, gymFigures })
    if (!found) {
      leave(say('api.checkInsCannotComparedLike'))
      continue
    }
    const [from, to] = [taken[0]!.measuredOn, taken.at(-1)!.measuredOn]
    ran.push({ ...{ id: client.id, client, from, to }, ...found })
  }
  const kind = commonest(ran)
  const why =
    measure === 'sum' || measure === 'waist' ? OTHERS[measure] : say('api.anotherEquationMost')
  for (const { client } of ran.filter((r) => r.kind !== kind))
    unranked.push({ ...rowOf(client), ranked: null, why })
  const placed = rank(
    ran.filter((r) => r.kind === kind),
    measure,
  )
  return [
    ...placed.map(({ entry: { client, from, to, change, sd }, place, tie }) => ({
      ...{ ...rowOf(client), why: null },
      ranked: { place, tie, change, standardError: sd, from, to },
    })),
    ...unranked,
  ]
}

/** The result that was kept when a leaderboard was closed; who was deleted since is in none. */
const keptRows = (db: Connection, { id, measure }: Leaderboard): Promise<BoardRow[]> =>
  jsonOf(
    db,
    listOf(
      sql`json_build_object('clientId', c.id, 'name', c.name, 'hidden', c.hidden_on_leaderboards, 'why', r.why,
        'ranked', case when r.place is null then null else json_build_object('place', r.place, 'tie', r.tie,
          'change', r.change, 'standardError', r.standard_error, 'from', r.from_day, 'to', r.to_day) end)`,
      sql`from leaderboard_results r join clients c on c.id = r.client_id
        where r.leaderboard_id = ${id} and ${showsComposition(measure) ? sql`c.show_percentages` : sql`true`}`,
      sql`r.line`,
    ),
  )

/** The rows of a leaderboard: as they stand, or as they were kept. */
export const boardRows = (db: Connection, leaderboard: Leaderboard): Promise<BoardRow[]> =>
  leaderboard.closedAt ? keptRows(db, leaderboard) : rankMembers(db, leaderboard)

/** A leaderboard. Who hides their name has none here. */
export async function findBoard(db: Connection, id: string): Promise<SaidBoard> {
  const leaderboard = await leaderboardOr404(db, id)
  const rows = await boardRows(db, leaderboard)
  const { memberIds, wall } = await jsonOf<Pick<Board, 'memberIds' | 'wall'>>(
    db,
    sql`select json_build_object('memberIds', ${listOf(
      sql`m.client_id`,
      sql`from leaderboard_members m join clients x on x.id = m.client_id
        where m.leaderboard_id = ${id} and x.archived_at is null`,
      sql`x.name, x.id`,
    )}, 'wall', (select json_build_object('createdAt', ${iso(sql`w.created_at`)}, 'usedAt', ${iso(sql`w.used_at`)},
      'showsFigures', w.shows_figures) from access.wall_links w where w.leaderboard_id = ${id}))`,
  )
  return {
    ...{ leaderboard, memberIds, wall },
    unranked: rows.flatMap(({ name, hidden, why }) =>
      why ? [{ name: hidden ? say('api.somebody') : name, why }] : [],
    ),
    lines: rows.flatMap(({ clientId, name, hidden, ranked }) =>
      ranked ? [{ ...ranked, ...(hidden ? NOBODY : { clientId, name }) }] : [],
    ),
  }
}
const NOBODY = { clientId: null, name: null }

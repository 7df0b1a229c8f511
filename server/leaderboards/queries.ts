import { sql } from 'drizzle-orm'
import {
  addDays,
  judgeChange,
  measuredOf,
  rank,
  showsComposition,
  type BoardMeasure,
  type Contender,
  type JudgedWith,
  type Judgement,
  type WeighIn,
} from '#core'
import type { CheckInWithReadings } from '#shared/contract/check-ins'
import type { Client } from '#shared/contract/clients'
import type { Board, Leaderboard } from '#shared/contract/leaderboards'
import { measuredJson, withHeights, type MeasuredRows } from '../check-ins/json'
import { clientJson, withLatestHeight, type PlainClient } from '../clients/queries'
import type { Connection } from '../database/driver'
import { jsonOf, listOf } from '../database/json'
import { instrumentsJson, listOwnErrors, TESTERS } from '../equipment/queries'
import { notFound } from '../http/errors'
import { weighInsJson } from '../weigh-ins/queries'

const LEADERBOARD = sql`json_build_object('id', l.id, 'name', l.name, 'startsOn', l.starts_on, 'endsOn', l.ends_on,
  'measure', l.measure, 'members', (select count(*) from leaderboard_members m where m.leaderboard_id = l.id))`

/** Every leaderboard, the latest first. */
export const listLeaderboards = (db: Connection): Promise<Leaderboard[]> =>
  jsonOf(db, listOf(LEADERBOARD, sql`from leaderboards l`, sql`l.ends_on desc, l.name`))

/** The leaderboard of that id; the answer is 404 when there is none. */
export async function leaderboardOr404(db: Connection, id: string): Promise<Leaderboard> {
  const found = await jsonOf<Leaderboard | null>(
    db,
    sql`select ${LEADERBOARD} from leaderboards l where l.id = ${id}`,
  )
  if (!found) throw notFound('No such leaderboard.')
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
  return jsonOf<Omit<JudgedWith, 'weighIns' | 'ownErrors'> & { members: Member[] }>(
    db,
    sql`select json_build_object('testers', ${TESTERS}, 'instruments', ${instrumentsJson(false)},
      'members', ${listOf(
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
  judgement: Judgement
  /** What makes two changes comparable between clients: the equation, or the folds of the sum. */
  kind: string
}

/** The first and last check-in of a period that can be compared, of check-ins newest first. */
function endsOf(checkIns: readonly CheckInWithReadings[], { startsOn }: Leaderboard) {
  const oldestFirst = [...checkIns].reverse()
  const first = oldestFirst.findLast(({ measuredOn }) => measuredOn <= startsOn) ?? oldestFirst[0]
  const last = oldestFirst.at(-1)
  return first && last && first.measuredOn < last.measuredOn && last.measuredOn >= startsOn
    ? { first, last }
    : undefined
}

function kindOf(judgement: Judgement, measure: BoardMeasure): string {
  return measure === 'sum' ? [...judgement.sumFolds].sort().join(' ') : (judgement.equationId ?? '')
}

/** The kind that most have; only those are ranked against one another. */
function commonest(ran: readonly Ran[]): string | undefined {
  const counts = new Map<string, number>()
  for (const { kind } of ran) counts.set(kind, (counts.get(kind) ?? 0) + 1)
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0]
}

/**
 * A leaderboard: ranked by change over its period, like for like only. Who hides their name has none here, and who
 * sees sums and girths only is on no leaderboard of composition at all.
 */
export async function findBoard(db: Connection, id: string): Promise<Board> {
  const leaderboard = await leaderboardOr404(db, id)
  const { measure } = leaderboard
  const { members, ...gym } = await findMembers(db, leaderboard)
  const ownErrors = await listOwnErrors(db)
  const unranked: Board['unranked'] = []
  const ran: Ran[] = []
  for (const { client: plain, checkIns, heights, weighIns } of members) {
    const client = withLatestHeight(plain, heights)
    const name = client.hiddenOnLeaderboards ? 'Somebody' : client.name
    if (showsComposition(measure) && !client.showPercentages) continue
    const ends = endsOf(withHeights(checkIns, heights), leaderboard)
    if (!ends) {
      unranked.push({ name, why: 'not measured twice in this period' })
      continue
    }
    const judgedWith = { ...gym, ownErrors, weighIns }
    const [then, now] = [measuredOf(ends.first, judgedWith), measuredOf(ends.last, judgedWith)]
    const judgement = judgeChange(client, then, now)
    const verdict = judgement.quantities[measure]
    if (!verdict) {
      unranked.push({ name, why: 'the two check-ins cannot be compared like for like' })
      continue
    }
    const { change, standardError } = verdict
    const kind = kindOf(judgement, measure)
    ran.push({ id: client.id, client, judgement, kind, change, standardError })
  }
  const kind = commonest(ran)
  for (const { client } of ran.filter((r) => r.kind !== kind)) {
    const why = measure === 'sum' ? 'other folds than most' : 'another equation than most'
    unranked.push({ name: client.hiddenOnLeaderboards ? 'Somebody' : client.name, why })
  }
  const placed = rank(
    ran.filter((r) => r.kind === kind),
    measure,
  )
  return {
    leaderboard,
    memberIds: members.map(({ client }) => client.id),
    unranked,
    lines: placed.map(({ entry: { client, judgement, change, standardError }, place, tied }) => ({
      clientId: client.hiddenOnLeaderboards ? null : client.id,
      name: client.hiddenOnLeaderboards ? null : client.name,
      ...{ place, tied, change, standardError },
      from: judgement.since,
      to: judgement.until,
    })),
  }
}

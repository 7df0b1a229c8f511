import {
  addDays,
  judgeChange,
  rank,
  showsComposition,
  type BoardMeasure,
  type Contender,
  type Judgement,
} from '#core'
import type { CheckInWithReadings } from '#shared/check-ins'
import type { Client } from '#shared/clients'
import { measuredOf, type JudgedWith } from '#shared/measured'
import type { Board, Leaderboard } from '#shared/tracking'
import type { Database } from '../database/open'
import { listCheckIns } from '../repositories/check-ins'
import { findClient } from '../repositories/clients'
import { findLeaderboard, listMembers } from '../repositories/leaderboards'
import { listTesters, listInstruments, listOwnErrors } from '../repositories/gym'
import { listWeighIns } from '../repositories/tracking'
import { NotFound } from './api'

/** Days before the first day of a period in which its first check-in may lie. */
const EARLY_DAYS = 14

interface Ran extends Contender {
  client: Client
  judgement: Judgement
  /** What makes two changes comparable between clients: the equation, or the folds of the sum. */
  kind: string
}

/** The first and last check-in of a period that can be compared. */
function endsOf(checkIns: readonly CheckInWithReadings[], { startsOn, endsOn }: Leaderboard) {
  const from = addDays(startsOn, -EARLY_DAYS)
  const closed = checkIns
    .filter((c) => c.closedAt !== null && c.voided === null)
    .filter(({ measuredOn }) => measuredOn >= from && measuredOn <= endsOn)
    .sort((a, b) => (a.measuredOn < b.measuredOn ? -1 : 1))
  const first = closed.findLast(({ measuredOn }) => measuredOn <= startsOn) ?? closed[0]
  const last = closed.at(-1)
  return first && last && first.measuredOn < last.measuredOn && last.measuredOn >= startsOn
    ? { first, last }
    : undefined
}

function kindOf(judgement: Judgement, measure: BoardMeasure): string {
  return measure === 'sum'
    ? judgement.folds.map(({ site }) => site).join(' ')
    : (judgement.equationId ?? '')
}

/** The kind that most have; only those are ranked against one another. */
function commonest(ran: readonly Ran[]): string | undefined {
  const counts = new Map<string, number>()
  for (const { kind } of ran) counts.set(kind, (counts.get(kind) ?? 0) + 1)
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0]
}

/**
 * A group's board: ranked by change over its period, like for like only. Who hides their name has none here, and who
 * sees sums and girths only is on no board of composition at all.
 */
export async function boardOf(db: Database, leaderboardId: string): Promise<Board> {
  const group = await findLeaderboard(db, leaderboardId)
  if (!group) throw new NotFound('No such group.')
  const { measure } = group
  const memberIds = await listMembers(db, leaderboardId)
  const gym = {
    testers: await listTesters(db),
    instruments: await listInstruments(db),
    ownErrors: await listOwnErrors(db),
  }
  const unranked: Board['unranked'] = []
  const ran: Ran[] = []
  for (const id of memberIds) {
    const client = (await findClient(db, id))!
    const name = client.hiddenOnLeaderboards ? 'Somebody' : client.name
    if (showsComposition(measure) && !client.showPercentages) continue
    const ends = endsOf(await listCheckIns(db, id), group)
    if (!ends) {
      unranked.push({ name, why: 'not measured twice in this period' })
      continue
    }
    const withAll: JudgedWith = { ...gym, weighIns: await listWeighIns(db, id) }
    const [then, now] = [measuredOf(ends.first, withAll), measuredOf(ends.last, withAll)]
    const judgement = judgeChange(client, then, now)
    const verdict = judgement.quantities[measure]
    if (!verdict) {
      unranked.push({ name, why: 'the two check-ins cannot be compared like for like' })
      continue
    }
    const { change, standardError } = verdict
    ran.push({ id, client, judgement, kind: kindOf(judgement, measure), change, standardError })
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
    group,
    memberIds,
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

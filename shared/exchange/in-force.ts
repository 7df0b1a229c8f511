import { readingsInForce, type IsoDate } from '../../core/index'
import type { ExchangeCheckIn, ExchangeClient } from '../contract/exchange'

/* What of a record counts, for formats that have no place for what was corrected. */

/** The readings of a check-in that count. */
export const readingsOf = ({ readings }: ExchangeCheckIn): ExchangeCheckIn['readings'] =>
  readingsInForce(readings)

/** Body masses in force: of a day the one that was entered last, and none where that takes it back. */
export function massesInForce({ weighIns }: ExchangeClient): ExchangeClient['weighIns'] {
  const ofDay = new Map(weighIns.map((weighIn) => [weighIn.date, weighIn]))
  return [...ofDay.values()].filter(({ kg }) => kg !== null)
}

/** Days on which a phase began: those that were marked, and the first days of plans that were in force. */
export function phasesOf({
  notes,
  plans,
}: ExchangeClient): { date: IsoDate; words: string; plan: boolean }[] {
  const marked = notes
    .filter(({ kind }) => kind === 'phase')
    .map(({ date, words }) => ({ date, words, plan: false }))
  const planned = plans
    .filter(({ refused, replacedAt }) => !refused && replacedAt === null)
    .map(({ startedOn }) => ({ date: startedOn, words: 'Plan', plan: true }))
  return [...marked, ...planned]
}

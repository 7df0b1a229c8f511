import {
  attentionOf,
  headlineOf,
  lookAtRecord,
  measuredOf,
  partsOfRecord,
  planStandingNow,
  recordBySelf,
  startOfPlan,
  type Attention,
  type ClientRecordParts,
} from '#core'
import type { ClientRecord } from '#shared/contract/record'
import type { Said } from '#shared/contract/verdicts'

/** What is kept of a record: what was said, and what it asks of the coach. */
export interface Spoken {
  said: Said
  attention: Attention | undefined
}

/** All that a client's record is judged by. */
export function partsOf(record: ClientRecord): ClientRecordParts {
  const checkIns = record.checkIns
    .filter(({ closedAt, voided }) => closedAt !== null && voided === null)
    .map((checkIn) => measuredOf(checkIn, record))
    .reverse()
  return partsOfRecord(record, checkIns)
}

/** Judges a client's record as the client's page does; undefined where there is no check-in to judge. */
export function sayOf(record: ClientRecord): Spoken | undefined {
  const { client: person, planInForce: plan } = record
  const byCoach = lookAtRecord(partsOf(record))
  // Where nobody but the client measures, what they took is the record.
  const look = byCoach ?? lookAtRecord(recordBySelf(record))
  if (!look) return undefined
  const headline = headlineOf(look, { spacingDays: person.cadenceDays })
  const standing =
    plan && planStandingNow(look, { ...plan, ...plan.definition, start: startOfPlan(person, plan) })
  const { date } = look
  return {
    said: {
      ...{ date, bySelf: !byCoach },
      short: standing ? { quantity: standing.quantity, by: standing.short } : null,
      headline: {
        ...headline,
        changes: headline.changes.map(({ quantity, change, sd, interval, verdict }) => ({
          ...{ quantity, change, sd, interval, verdict },
        })),
      },
    },
    attention: attentionOf(headline, date, standing?.standing === 'behind'),
  }
}

import { randomUUID } from 'node:crypto'
import { bornFrom, type IsoDate, type TypedWeighIn, say } from '#core'
import { listWeighIns, clientOr404 } from '../clients/queries'
import type { Database } from '../database/driver'
import { weighIns } from '../database/schema'
import { Refusal } from '../http/errors'

/**
 * Keeps weigh-ins; one of a day that has one already stands in its place, and the old one stays on record. The same
 * ones sent again change nothing.
 */
export async function addWeighIns(
  db: Database,
  clientId: string,
  taken: readonly TypedWeighIn[],
): Promise<void> {
  const born = bornFrom(await clientOr404(db, clientId))
  const early = born && taken.find(({ date }) => date < born)
  if (early) {
    throw new Refusal(422, say('api.weighInsGotAcceptedDays', { date: early.date, born }), {
      field: 'text',
      code: 'refused',
    })
  }
  const known = new Map((await listWeighIns(db, clientId)).map(({ date, kg }) => [date, kg]))
  const fresh = taken.filter(({ date, kg }) => known.get(date) !== kg)
  if (fresh.length === 0) return
  await db.insert(weighIns).values(
    fresh.map(({ date, kg, typed }) => ({
      ...{ id: randomUUID(), clientId, date, kg },
      ...{ typedUnit: typed.unit, typedText: typed.text },
    })),
  )
}

/** Takes a weigh-in back; the row stays on record. Where there is none, nothing changes. */
export async function removeWeighIn(db: Database, clientId: string, date: IsoDate): Promise<void> {
  const known = await listWeighIns(db, clientId)
  if (!known.some((w) => w.date === date)) return
  await db
    .insert(weighIns)
    .values({ id: randomUUID(), clientId, date, kg: null, typedUnit: '', typedText: '' })
}

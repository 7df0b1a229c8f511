import { randomUUID } from 'node:crypto'
import { randomLcg, randomNormal } from 'd3-random'
import { addDays, resultOf } from '../core/index'
import { findRecord } from '../server/clients/queries'
import type { Database } from '../server/database/driver'
import { otherResults } from '../server/database/schema'

/** The scale with handles, which sends what it measures. */
export const BOATHOUSE_SCALE = 'Boathouse scale'
/** By how much the folds read less than the scan on this member, points. */
const FOLDS_READ_LOW = 2.6
/** The scale with handles reads everybody high in the evening. */
const BIA_READS_HIGH = 3.1

/** Stores a scan of a member, and what the scale with handles in the boathouse said of her every month. */
export async function seedOtherResults(db: Database, clientId: string): Promise<void> {
  const { client, checkIns } = await findRecord(db, clientId)
  const levels = checkIns
    .filter(({ closedAt }) => closedAt !== null)
    .flatMap((checkIn) => {
      const result = resultOf(client, checkIn)
      return result.ok ? [{ on: checkIn.measuredOn, fat: result.value.fatPercent }] : []
    })
    .slice(0, 6)
    .reverse()
  const normal = randomNormal.source(randomLcg(0.61))(0, 1)
  const tenth = (value: number) => Number(value.toFixed(1))
  const scanned = levels[Math.floor(levels.length / 2)]!
  await db.insert(otherResults).values([
    {
      ...{ id: randomUUID(), clientId, method: 'dxa' as const, device: 'University clinic' },
      ...{ conditions: 'fasted, rest day', measuredOn: addDays(scanned.on, 2) },
      fatPercent: tenth(scanned.fat + FOLDS_READ_LOW),
    },
    ...levels.map(({ on, fat }) => ({
      ...{ id: randomUUID(), clientId, method: 'bia' as const, device: BOATHOUSE_SCALE },
      ...{ conditions: 'evening, after training', measuredOn: on },
      fatPercent: tenth(fat + FOLDS_READ_LOW + BIA_READS_HIGH + 1.4 * normal()),
    })),
  ])
}

import { isoDateOf } from '../core'
import type { Database } from '../server/database/open'
import { checkIns, clients, heights, readings } from '../server/database/schema'
import { furnitureInUse, nameFirstCoach } from '../server/repositories/furniture'
import { scenario } from './scenario'

/** Stores the made-up club in an empty database; does nothing where there are clients already. */
export async function seedDemo(db: Database): Promise<void> {
  if ((await db.select({ id: clients.id }).from(clients).limit(1)).length > 0) return
  const club = scenario(isoDateOf(new Date()))
  await nameFirstCoach(db, club.coachName)
  const { coach, caliperId, scaleId } = await furnitureInUse(db)
  await db.transaction(async (tx) => {
    await tx.insert(clients).values(
      club.clients.map(({ id, name, sex, birthDate, cadenceDays }) => ({
        id,
        name,
        sex,
        birthDate,
        cadenceDays,
      })),
    )
    await tx.insert(heights).values(
      club.clients.map(({ id, height, addedOn }) => ({
        id: height.id,
        clientId: id,
        valueCm: height.cm,
        unit: height.unit,
        typed: height.typed,
        takenOn: addedOn,
      })),
    )
    for (const { readings: taken, startedAt, closedAt, ...checkIn } of club.checkIns) {
      await tx.insert(checkIns).values({
        ...checkIn,
        coachId: coach.id,
        caliperId,
        scaleId,
        startedAt: new Date(startedAt),
        closedAt: closedAt === null ? null : new Date(closedAt),
      })
      await tx.insert(readings).values(
        taken.map((reading) => ({
          ...reading,
          takenAt: new Date(reading.takenAt),
          coachId: coach.id,
          instrumentId: reading.kind === 'mass' ? scaleId : caliperId,
        })),
      )
    }
  })
}

import { asc, eq } from 'drizzle-orm'
import type { Coach } from '#shared/check-ins'
import type { Database } from '../database/open'
import { coaches, instruments } from '../database/schema'

/** Ids of what every gym starts with, fixed so that starting twice adds nothing. */
const FIRST_COACH = '0a4c0000-0000-4000-8000-000000000001'
const FIRST_CALIPER = '0a4c0000-0000-4000-8000-000000000002'
const FIRST_SCALE = '0a4c0000-0000-4000-8000-000000000003'

/** Puts in the coach and the instruments that an empty data folder needs before the first check-in. */
export async function ensureFurniture(db: Database): Promise<void> {
  await db.insert(coaches).values({ id: FIRST_COACH, name: 'Coach' }).onConflictDoNothing()
  await db
    .insert(instruments)
    .values([
      { id: FIRST_CALIPER, kind: 'caliper', name: 'Caliper', graduation: 0.5 },
      { id: FIRST_SCALE, kind: 'scale', name: 'Scale', graduation: 0.1 },
    ])
    .onConflictDoNothing()
}

/** The coach and instruments in use: the first of each, until people and instruments can be chosen. */
export async function furnitureInUse(
  db: Database,
): Promise<{ coach: Coach; caliperId: string; scaleId: string }> {
  const [coach] = await db.select().from(coaches).orderBy(asc(coaches.createdAt)).limit(1)
  if (!coach) throw new Error('No coach on record.')
  return { coach, caliperId: FIRST_CALIPER, scaleId: FIRST_SCALE }
}

/** Gives the first coach a name. */
export async function nameFirstCoach(db: Database, name: string): Promise<void> {
  await db.update(coaches).set({ name }).where(eq(coaches.id, FIRST_COACH))
}

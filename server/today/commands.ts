import { and, eq } from 'drizzle-orm'
import type { TodayDone } from '#shared/contract/today'
import type { Database } from '../database/driver'
import { todayDone } from '../database/schema'

/** Keeps that a coach is done with something about a client, or takes it up again. */
export async function setDone(db: Database, { clientId, about, done }: TodayDone): Promise<void> {
  if (done) await db.insert(todayDone).values({ clientId, about }).onConflictDoNothing()
  else
    await db
      .delete(todayDone)
      .where(and(eq(todayDone.clientId, clientId), eq(todayDone.about, about)))
}

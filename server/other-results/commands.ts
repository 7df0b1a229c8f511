import { and, eq, sql } from 'drizzle-orm'
import { say } from '#core'
import type { OtherResultForm } from '#shared/contract/other-results'
import type { Database } from '../database/driver'
import { otherResults } from '../database/schema'
import { notFound } from '../http/errors'

/** Keeps what another method said; the same id again keeps it once. */
export async function addOtherResult(
  db: Database,
  clientId: string,
  { on, ...result }: OtherResultForm,
): Promise<void> {
  await db
    .insert(otherResults)
    .values({ ...result, clientId, measuredOn: on })
    .onConflictDoNothing()
}

/** Takes a result away; it stays on record, and taking it away twice is the same. */
export async function removeOtherResult(db: Database, clientId: string, id: string): Promise<void> {
  const removed = await db
    .update(otherResults)
    .set({ removedAt: sql`coalesce(${otherResults.removedAt}, now())` })
    .where(and(eq(otherResults.clientId, clientId), eq(otherResults.id, id)))
    .returning()
  if (removed.length === 0) throw notFound(say('api.suchResult'))
}

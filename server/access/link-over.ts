import { and, eq, gt, isNull } from 'drizzle-orm'
import type { Connection } from '../database/driver'
import { shareLinks } from '../database/schema'

/** Whether the link that a session came by is good no more. */
export async function isLinkOver(db: Connection, linkId: string): Promise<boolean> {
  const [good] = await db
    .select({ id: shareLinks.id })
    .from(shareLinks)
    .where(
      and(
        eq(shareLinks.id, linkId),
        isNull(shareLinks.endedAt),
        gt(shareLinks.expiresAt, new Date()),
      ),
    )
  return good === undefined
}

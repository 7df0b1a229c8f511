import { say } from '#core'
import { and, eq, isNull, sql } from 'drizzle-orm'
import type { Photo } from '#shared/contract/photos'
import type { Connection } from '../database/driver'
import { jsonOf, listOf } from '../database/json'
import { photos } from '../database/schema'
import { notFound } from '../http/errors'

/** True of photos p that did not come with a weekly report which is not accepted. */
const isAccepted = sql`not exists (select from weekly_reports w where w.id = p.report_id and w.state <> 'accepted')`

/** A client's photos, latest first. */
export const listPhotos = (db: Connection, clientId: string): Promise<Photo[]> =>
  jsonOf(
    db,
    listOf(
      sql`json_build_object('id', p.id, 'view', p.view, 'takenOn', p.taken_on, 'width', p.width, 'height', p.height,
        'crown', p.crown, 'groundPoint', p.ground_point)`,
      sql`from photos p where p.client_id = ${clientId} and p.deleted_at is null and ${isAccepted}`,
      sql`p.taken_on desc, array_position(array['front', 'side', 'back'], p.view), p.stored_at`,
    ),
  )

/** The owner and type of a photo; the answer is 404 when there is none. */
export async function photoOr404(db: Connection, id: string) {
  const [row] = await db
    .select({ id: photos.id, clientId: photos.clientId, type: photos.type })
    .from(photos)
    .where(and(eq(photos.id, id), isNull(photos.deletedAt)))
  if (!row) throw notFound(say('api.suchPhoto'))
  return row
}

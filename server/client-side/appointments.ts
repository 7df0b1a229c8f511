import { sql } from 'drizzle-orm'
import type { IsoDate } from '#core'
import type { Calendar } from '#shared/contract/calendar'
import { ofCoach } from '../clients/queries'
import type { Connection } from '../database/driver'
import { iso, jsonOf, listOf } from '../database/json'

/** Appointments between two days of this machine, the earliest first. */
export const listAppointments = (
  db: Connection,
  { from, to, coach }: { from: IsoDate; to: IsoDate; coach?: string },
): Promise<Calendar['appointments']> => {
  const [begin, end] = [`${from}T00:00`, `${to}T24:00`].map((at) => new Date(at).toISOString())
  return jsonOf(
    db,
    listOf(
      sql`json_build_object('id', a.id, 'clientId', c.id, 'name', c.name, 'startsAt', ${iso(sql`a.starts_at`)}, 'minutes', a.minutes,
        'words', a.words)`,
      sql`from appointments a join clients c on c.id = a.client_id
        where a.cancelled_at is null and c.archived_at is null and ${ofCoach(coach)}
          and a.starts_at >= ${begin}::timestamptz and a.starts_at < ${end}::timestamptz`,
      sql`a.starts_at, c.name`,
    ),
  )
}

import { and, eq, isNull, sql } from 'drizzle-orm'
import { say } from '#core'
import type {
  AppointmentForm,
  ClientDetails,
  DetailsChange,
  SessionNoteForm,
} from '#shared/contract/client-side'
import { addressesOfGym } from '../access/addresses'
import { audit } from '../audit/log'
import { clientOr404, ofCoach } from '../clients/queries'
import type { Connection, Database } from '../database/driver'
import { iso, jsonOf, listOf } from '../database/json'
import { appointments, clientDetails, clientTags, sessionNotes } from '../database/schema'
import { conflict, notFound } from '../http/errors'
import { setMailStop } from '../reminders/stops'

/* What a coach keeps of a client besides measuring: how to reach them, what they want, what was said, when they come. */

/** What was never written of somebody. */
const UNWRITTEN = sql`json_build_object('email', null, 'phone', null, 'goal', null, 'sees', 'nothing', 'seesClasses', false,
  'asks', null)`

/**
 * Everything that is kept of a client besides the record. The answer is 404 where there is no such client.
 *
 * @param coach whose clients' tags alone are known
 */
export async function findDetails(
  db: Connection,
  clientId: string,
  coach?: string,
): Promise<ClientDetails> {
  await clientOr404(db, clientId)
  const found = await jsonOf<
    Omit<ClientDetails, 'reachable'> & { written: Partial<ClientDetails> }
  >(
    db,
    sql`select json_build_object('written', coalesce((
        select json_build_object('email', d.email, 'phone', d.phone, 'goal', d.goal, 'sees', d.sees,
          'seesClasses', d.sees_classes, 'asks', d.asks) from client_details d where d.client_id = ${clientId}), ${UNWRITTEN}),
      'mailStopped', exists (select from client_details d where d.client_id = ${clientId} and d.mail_stopped_at is not null)
        or exists (select from access.mail_stops m where m.client_id = ${clientId}),
      'tags', coalesce((select json_agg(t.tag order by t.tag) from client_tags t where t.client_id = ${clientId}), '[]'),
      'knownTags', coalesce((select json_agg(distinct t.tag order by t.tag) from client_tags t
        join clients c on c.id = t.client_id where ${ofCoach(coach)}), '[]'),
      'notes', ${listOf(
        sql`json_build_object('id', n.id, 'date', n.date, 'words', n.words, 'writtenBy', n.written_by)`,
        sql`from session_notes n where n.client_id = ${clientId} and n.removed_at is null`,
        sql`n.date desc, n.stored_at desc`,
      )}, 'appointments', ${listOf(
        sql`json_build_object('id', a.id, 'startsAt', ${iso(sql`a.starts_at`)}, 'minutes', a.minutes, 'words', a.words)`,
        sql`from appointments a where a.client_id = ${clientId} and a.cancelled_at is null`,
        sql`a.starts_at`,
      )}, 'links', ${listOf(
        sql`json_build_object('id', l.id, 'createdAt', ${iso(sql`l.created_at`)}, 'createdBy', l.created_by,
          'expiresAt', ${iso(sql`l.expires_at`)}, 'usedAt', ${iso(sql`l.used_at`)}, 'devices', (
            select count(*)::int from access.sessions s where s.link_id = l.id and s.expires_at > now()))`,
        sql`from access.share_links l where l.client_id = ${clientId} and l.ended_at is null and l.expires_at > now()`,
        sql`l.created_at desc`,
      )})`,
  )
  const { written, ...rest } = found
  return { ...rest, ...written, reachable: addressesOfGym().length > 0 } as ClientDetails
}

const AUDITED = [
  'email',
  'phone',
  'goal',
  'sees',
  'seesClasses',
  'asks',
  'tags',
  'mailStopped',
] as const

/** Changes what is kept of a client; what becomes another is written down with what it was. */
export async function changeDetails(
  db: Database,
  clientId: string,
  { tags, mailStopped, ...change }: DetailsChange,
  actor: string,
): Promise<void> {
  const before = await findDetails(db, clientId)
  await db.transaction(async (tx) => {
    if (mailStopped !== undefined && mailStopped !== before.mailStopped)
      await setMailStop(tx, clientId, mailStopped)
    if (Object.keys(change).length > 0)
      await tx
        .insert(clientDetails)
        .values({ clientId, ...change })
        .onConflictDoUpdate({
          target: clientDetails.clientId,
          set: { ...change, updatedAt: new Date() },
        })
    if (tags) {
      await tx.delete(clientTags).where(eq(clientTags.clientId, clientId))
      if (tags.length > 0)
        await tx.insert(clientTags).values(tags.map((tag) => ({ clientId, tag })))
    }
    const after: DetailsChange = { tags, mailStopped, ...change }
    const changes = AUDITED.flatMap((field) =>
      after[field] === undefined ? [] : { field, old: before[field], new: after[field] },
    )
    await audit(tx, { actor, subject: 'client', clientId }, changes)
  })
}

/** Keeps a note of a session, or what it is changed to. */
export async function keepSessionNote(
  db: Database,
  clientId: string,
  { id, date, words }: SessionNoteForm,
  writtenBy: string,
): Promise<void> {
  await clientOr404(db, clientId)
  const kept = await db
    .insert(sessionNotes)
    .values({ id, clientId, date, words, writtenBy })
    .onConflictDoUpdate({
      target: sessionNotes.id,
      set: { date, words },
      setWhere: sql`session_notes.client_id = ${clientId} and session_notes.removed_at is null`,
    })
    .returning({ id: sessionNotes.id })
  if (kept.length === 0) throw conflict(say('api.idTaken'), 'id-taken', 'id')
}

export async function removeSessionNote(db: Database, clientId: string, id: string): Promise<void> {
  const gone = await db
    .update(sessionNotes)
    .set({ removedAt: new Date() })
    .where(and(eq(sessionNotes.id, id), eq(sessionNotes.clientId, clientId)))
    .returning({ id: sessionNotes.id })
  if (gone.length === 0) throw notFound(say('api.noSuchNote'))
}

/** Keeps an appointment, or where it is moved to. */
export async function keepAppointment(
  db: Database,
  clientId: string,
  { id, startsAt, minutes, words }: AppointmentForm,
): Promise<void> {
  await clientOr404(db, clientId)
  const when = { startsAt: new Date(startsAt), minutes, words }
  const kept = await db
    .insert(appointments)
    .values({ id, clientId, ...when })
    .onConflictDoUpdate({
      target: appointments.id,
      set: when,
      setWhere: sql`appointments.client_id = ${clientId} and appointments.cancelled_at is null`,
    })
    .returning({ id: appointments.id })
  if (kept.length === 0) throw conflict(say('api.idTaken'), 'id-taken', 'id')
}

export async function cancelAppointment(db: Database, clientId: string, id: string): Promise<void> {
  const gone = await db
    .update(appointments)
    .set({ cancelledAt: new Date() })
    .where(
      and(
        eq(appointments.id, id),
        eq(appointments.clientId, clientId),
        isNull(appointments.cancelledAt),
      ),
    )
    .returning({ id: appointments.id })
  if (gone.length === 0) throw notFound(say('api.noSuchAppointment'))
}

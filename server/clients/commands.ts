import { randomUUID } from 'node:crypto'
import { eq, inArray, sql } from 'drizzle-orm'
import { bornFrom, type Birth, type IsoDate, say, dayValue, isMinor, leastAgeOf } from '#core'
import type { Client, ClientChange, NewClient, Screening, SiteNote } from '#shared/contract/clients'
import { audit, type FieldChange } from '../audit/log'
import type { Connection, Database } from '../database/driver'
import { checkIns, clients, heights, people, screenings, siteNotes } from '../database/schema'
import { conflict, notFound, Refusal } from '../http/errors'
import { clientOr404, findClient } from './queries'

/**
 * Adds a client with the height given. Adding the same one again, as after an answer that got lost, adds it once.
 *
 * @param coachId whose client it is; null for everybody's
 */
export async function addClient(
  db: Database,
  client: NewClient,
  today: IsoDate,
  coachId: string | null = null,
): Promise<Client> {
  const { height, ...given } = client
  const birthYear = birthYearBeside(given.birthDate, given.birthYear)
  // A child is shown no percentage, unless a clinician says so and the coach puts that in.
  const leastAgeYears = leastAgeOf({ birthDate: given.birthDate, birthYear }, today)
  const showPercentages = !isMinor({ leastAgeYears })
  const row = { ...given, coachId, birthYear, showPercentages }
  await db.transaction(async (tx) => {
    const added = await tx.insert(clients).values(row).onConflictDoNothing().returning()
    if (added.length > 0) return height && addHeight(tx, row.id, height, today)
    const there = await findClient(tx, row.id)
    if (there?.name !== row.name || there.birthDate !== row.birthDate) {
      throw conflict(say('api.idBelongsAnotherClient'), 'id-taken', 'id')
    }
  })
  return clientOr404(db, row.id)
}

async function addHeight(
  tx: Connection,
  clientId: string,
  height: NonNullable<NewClient['height']>,
  takenOn: IsoDate,
) {
  await tx.insert(heights).values({
    id: randomUUID(),
    clientId,
    valueCm: height.value,
    typedUnit: height.unit,
    typedText: height.text,
    takenOn,
  })
}

/** Fields of a client that are changed as they are. */
const FIELDS = [
  'name',
  'sex',
  'birthDate',
  'birthYear',
  'cadenceDays',
  'showPercentages',
  'cycleWanted',
  'groupTerm',
  'hiddenOnLeaderboards',
  'weekEndsOn',
  'nextDueOn',
] as const

/** The year of birth to keep beside a birth date: none, and none that contradicts it. */
function birthYearBeside(birthDate: IsoDate | null, birthYear: number | null): number | null {
  if (birthDate === null || birthYear === null) return birthYear
  if (!birthDate.startsWith(`${birthYear}-`)) {
    throw new Refusal(
      422,
      say('api.yearBirthGotAcceptedYear', {
        birthYear: String(birthYear),
        birthDate: dayValue(birthDate, true),
      }),
      { field: 'birthYear', code: 'refused' },
    )
  }
  return null
}

/** Nobody is measured before they are born. */
async function assertBornBefore(tx: Connection, clientId: string, birth: Birth) {
  const birthDate = bornFrom(birth)
  if (birthDate === undefined) return
  const [early] = await tx
    .select({ on: checkIns.measuredOn })
    .from(checkIns)
    .where(sql`${checkIns.clientId} = ${clientId} and ${checkIns.measuredOn} < ${birthDate}::date`)
    .limit(1)
  if (early) {
    throw new Refusal(
      422,
      birth.birthDate
        ? say('api.birthDateGotAcceptedDay', {
            birthDate: dayValue(birthDate, true),
            on: dayValue(early.on, true),
          })
        : say('api.yearBirthGotAcceptedYear2', {
            birthYear: String(birth.birthYear),
            on: dayValue(early.on, true),
          }),
      { field: birth.birthDate ? 'birthDate' : 'birthYear', code: 'refused' },
    )
  }
}

/** Changes a client. Every value that becomes another is written into the audit log with what it was. */
export async function changeClient(
  db: Database,
  id: string,
  change: ClientChange,
  { actor, today }: { actor: string; today: IsoDate },
): Promise<void> {
  await db.transaction(async (tx) => {
    const [before] = await tx.select().from(clients).where(eq(clients.id, id)).for('update')
    if (!before) throw notFound(say('api.suchClient'))
    const asked = { ...change }
    if (change.birthDate !== undefined || change.birthYear !== undefined) {
      const { birthDate = before.birthDate } = change
      // A day that is given takes the place of the year alone.
      const kept = birthDate && change.birthYear === undefined ? null : before.birthYear
      const { birthYear = kept } = change
      Object.assign(asked, { birthDate, birthYear: birthYearBeside(birthDate, birthYear) })
      await assertBornBefore(tx, id, { birthDate, birthYear: asked.birthYear })
    }
    const changes: FieldChange[] = []
    const set: Partial<typeof clients.$inferInsert> = {}
    for (const field of FIELDS) {
      const value = asked[field]
      if (value === undefined || value === before[field]) continue
      Object.assign(set, { [field]: value })
      changes.push({ field, old: before[field], new: value })
    }
    const archived = before.archivedAt !== null
    if (change.archived !== undefined && change.archived !== archived) {
      set.archivedAt = change.archived ? new Date() : null
      changes.push({ field: 'archived', old: archived, new: change.archived })
    }
    if (Object.keys(set).length) await tx.update(clients).set(set).where(eq(clients.id, id))
    if (change.height) {
      const on = change.heightTakenOn ?? today
      const latest = await findClient(tx, id)
      await addHeight(tx, id, change.height, on)
      const value = { text: change.height.text, cm: change.height.value, from: on }
      changes.push({ field: 'height', old: latest?.heightCm ?? null, new: value })
    }
    await audit(tx, { actor, subject: 'client', clientId: id }, changes)
  })
}

/**
 * Says whose client somebody is.
 *
 * @param coachId one of the people of the gym; null for everybody's
 */
export async function assignCoach(
  db: Database,
  id: string,
  coachId: string | null,
  actor: string,
): Promise<string | null> {
  await db.transaction(async (tx) => {
    const [before] = await tx.select().from(clients).where(eq(clients.id, id)).for('update')
    if (!before) throw notFound(say('api.suchClient'))
    const named = await namesOfPeople(tx, [before.coachId, coachId])
    if (coachId !== null && !named.has(coachId)) throw notFound(say('api.noSuchPerson'))
    const nameOf = (who: string | null) => (who === null ? null : (named.get(who) ?? null))
    await tx.update(clients).set({ coachId }).where(eq(clients.id, id))
    await audit(tx, { actor, subject: 'client', clientId: id }, [
      { field: 'coach', old: nameOf(before.coachId), new: nameOf(coachId) },
    ])
  })
  return coachId
}

async function namesOfPeople(
  db: Connection,
  ids: readonly (string | null)[],
): Promise<Map<string, string>> {
  const wanted = ids.filter((id) => id !== null)
  if (wanted.length === 0) return new Map()
  const found = await db.select().from(people).where(inArray(people.id, wanted))
  return new Map(found.map(({ id, name }) => [id, name]))
}

/** Keeps a screening; the ones before it stay as its history. The same id again keeps it once. */
export async function addScreening(
  db: Database,
  clientId: string,
  id: string,
  screening: Screening,
): Promise<void> {
  await db
    .insert(screenings)
    .values({ id, clientId, ...screening })
    .onConflictDoNothing()
}

/** Keeps a site note in place of the one before. The same id again keeps it once. */
export async function addSiteNote(
  db: Database,
  clientId: string,
  note: SiteNote & { id: string },
): Promise<void> {
  await db
    .insert(siteNotes)
    .values({ clientId, ...note })
    .onConflictDoNothing()
}

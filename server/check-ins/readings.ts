import { eq, sql } from 'drizzle-orm'
import { type Message, say } from '#core'
import { newReadingSchema, type NewReading, type ReadingReceipt } from '#shared/contract/check-ins'
import { problemsOf } from '#shared/contract/problems'
import type { Untold } from '#shared/words/tell'
import { audit } from '../audit/log'
import type { Connection, Database } from '../database/driver'
import { checkIns, instruments, people, readings } from '../database/schema'
import { notFound } from '../http/errors'
import { lockedCheckIn } from './commands'

type SaidReceipt = Untold<ReadingReceipt>
type Refused = SaidReceipt['refused'][number]
type Code = Refused['code']

const WORDS: Record<Exclude<Code, 'refused'>, Message> = {
  'other-check-in': say('api.otherCheckIn'),
  'id-taken': say('api.idTaken'),
  'superseded-unknown': say('api.supersededUnknown'),
  'superseded-already': say('api.supersededAlready'),
  closed: say('api.closedMeanwhile'),
  voided: say('api.readingVoided'),
  'unknown-tester': say('api.unknownTester'),
  'unknown-instrument': say('api.unknownInstrument'),
}

const refusal = (id: string, code: Exclude<Code, 'refused'>): Refused => ({
  id,
  code,
  message: WORDS[code],
})

function idIn(sent: unknown): string {
  const id = sent && typeof sent === 'object' && 'id' in sent ? sent.id : undefined
  return typeof id === 'string' ? id.slice(0, 40) : ''
}

/** Reads a batch: what is well formed, and what is refused with its words. */
function readBatch(checkInId: string, sent: readonly unknown[]) {
  const good: NewReading[] = []
  const refused: Refused[] = []
  for (const one of sent) {
    const parsed = newReadingSchema.safeParse(one)
    if (!parsed.success) {
      const { message } = problemsOf(parsed.error)[0]!
      refused.push({ id: idIn(one), code: 'refused', message })
    } else if (parsed.data.checkInId !== checkInId) {
      refused.push(refusal(parsed.data.id, 'other-check-in'))
    } else good.push(parsed.data)
  }
  return { good, refused }
}

/**
 * Stores readings of an open check-in in one statement, all of them or none, since somebody waits for it with a fold
 * between the fingers. What cannot be stored so simply (a correction, sent twice, a check-in that is closed) is left to
 * `storeApart`.
 *
 * @returns how many were stored: all or 0
 */
async function storeTogether(
  db: Connection,
  checkInId: string,
  good: readonly NewReading[],
): Promise<number> {
  const rowOf = (r: NewReading, place: number) =>
    sql`(${r.id}::uuid, ${r.kind}::text, ${r.site}::text, ${r.standard}::text, ${r.technique}::text, ${r.trial}::int, ${r.value}::float8,
      ${r.typedUnit}::text, ${r.typedText}::text, ${r.takenAt}::timestamptz, ${r.testerId}::uuid,
      ${r.instrumentId}::uuid, ${r.correctedBy}::float8, ${r.sentBy}::text, ${place}::int)`
  const stored = await db.execute(sql`
    insert into readings (check_in_id, id, kind, site, standard, technique, trial, value_canonical, typed_unit, typed_text, taken_at,
      tester_id, instrument_id, corrected_by, sent_by)
    select c.id, r.id, r.kind, r.site, r.standard, r.technique, r.trial, r.value, r.typed_unit, r.typed_text, r.taken_at, r.tester_id,
      r.instrument_id, r.corrected_by, r.sent_by
    from check_ins c, (values ${sql.join(good.map(rowOf), sql`, `)}) r(id, kind, site, standard, technique, trial, value, typed_unit,
      typed_text, taken_at, tester_id, instrument_id, corrected_by, sent_by, place)
    where c.id = ${checkInId} and c.closed_at is null and c.voided_at is null
    order by r.place
    for share of c
    returning readings.id`)
  return stored.rows.length
}

/** Why a reading cannot be stored, or undefined; `stored` where it is on record as it is. */
async function hindrance(
  tx: Connection,
  checkIn: { id: string; closedAt: Date | null; voidedAt: Date | null },
  reading: NewReading,
): Promise<Exclude<Code, 'refused'> | 'stored' | undefined> {
  const [same] = await tx.select().from(readings).where(eq(readings.id, reading.id))
  if (same) {
    if (same.checkInId !== checkIn.id) return 'other-check-in'
    const equal =
      same.valueCanonical === reading.value &&
      same.kind === reading.kind &&
      same.site === reading.site &&
      same.standard === reading.standard &&
      same.technique === reading.technique &&
      same.trial === reading.trial
    return equal ? 'stored' : 'id-taken'
  }
  if (checkIn.voidedAt) return 'voided'
  if (checkIn.closedAt && !reading.repair) return 'closed'
  const testers = await tx
    .select({ id: people.id })
    .from(people)
    .where(eq(people.id, reading.testerId))
  if (testers.length === 0) return 'unknown-tester'
  if (reading.instrumentId !== null) {
    const found = await tx
      .select({ id: instruments.id })
      .from(instruments)
      .where(eq(instruments.id, reading.instrumentId))
    if (found.length === 0) return 'unknown-instrument'
  }
  if (reading.supersedes === null) return undefined
  const [old] = await tx.select().from(readings).where(eq(readings.id, reading.supersedes))
  const fits =
    old?.checkInId === checkIn.id && old.kind === reading.kind && old.site === reading.site
  if (!fits) return 'superseded-unknown'
  const [rival] = await tx
    .select({ id: readings.id })
    .from(readings)
    .where(eq(readings.supersedes, reading.supersedes))
  return rival && 'superseded-already'
}

/** Stores readings one after another, each judged by itself, so that one refused stops none behind it. */
async function storeApart(
  db: Database,
  checkInId: string,
  good: readonly NewReading[],
  actor: string,
): Promise<SaidReceipt> {
  return db.transaction(async (tx) => {
    const checkIn = await lockedCheckIn(tx, checkInId)
    const receipt: SaidReceipt = { stored: [], refused: [] }
    for (const reading of good) {
      const why = await hindrance(tx, checkIn, reading)
      if (why === 'stored') receipt.stored.push(reading.id)
      else if (why) receipt.refused.push(refusal(reading.id, why))
      else {
        const { value, repair: _, checkInId: of, takenAt, ...rest } = reading
        await tx
          .insert(readings)
          .values({ ...rest, checkInId: of, valueCanonical: value, takenAt: new Date(takenAt) })
        receipt.stored.push(reading.id)
        if (checkIn.closedAt) await auditReading(tx, checkIn.clientId, reading, actor)
      }
    }
    return receipt
  })
}

/** What was corrected or added after a check-in was closed. */
async function auditReading(tx: Connection, clientId: string, reading: NewReading, actor: string) {
  const [old] = reading.supersedes
    ? await tx.select().from(readings).where(eq(readings.id, reading.supersedes))
    : []
  const { kind, site, trial, checkInId } = reading
  const field = `${site ?? kind} ${trial}`
  const about = { actor, subject: 'reading' as const, clientId, checkInId }
  await audit(tx, about, [
    {
      field,
      old: old ? { typed: old.typedText, unit: old.typedUnit } : null,
      new: { typed: reading.typedText, unit: reading.typedUnit },
    },
  ])
}

/**
 * Stores a batch in order. A reading counts as stored only once its row is committed, and one that is refused comes
 * back with its reason and holds up none of the others.
 *
 * @throws Refusal with 404 where there is no such check-in
 */
export async function appendReadings(
  db: Database,
  checkInId: string,
  sent: readonly unknown[],
  actor: string,
): Promise<SaidReceipt> {
  const { good, refused } = readBatch(checkInId, sent)
  if (good.length > 0 && good.every(({ repair, supersedes }) => !repair && supersedes === null)) {
    const stored = await storeTogether(db, checkInId, good).catch(() => 0)
    if (stored === good.length) return { stored: good.map(({ id }) => id), refused }
  }
  if (good.length === 0) {
    const there = await db
      .select({ id: checkIns.id })
      .from(checkIns)
      .where(eq(checkIns.id, checkInId))
    if (there.length === 0) throw notFound(say('api.suchCheck'))
    return { stored: [], refused }
  }
  const receipt = await storeApart(db, checkInId, good, actor)
  return { ...receipt, refused: [...refused, ...receipt.refused] }
}

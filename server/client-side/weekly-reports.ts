import { randomUUID } from 'node:crypto'
import { and, eq, ne, sql } from 'drizzle-orm'
import { bornFrom, dayValue, limitsOf, say, type IsoDate } from '#core'
import type {
  ReportContent,
  ReportTalk,
  SentReport,
  WeeklyReport,
} from '#shared/contract/weekly-reports'
import { clientOr404 } from '../clients/queries'
import type { Connection, Database } from '../database/driver'
import { iso, jsonOf, listOf } from '../database/json'
import { selfGirths, weeklyReports, weighIns } from '../database/schema'
import { conflict, notFound, Refusal } from '../http/errors'

/** A client's weekly reports, the latest first. */
export const listWeeklyReports = (db: Connection, clientId: string): Promise<WeeklyReport[]> =>
  jsonOf(
    db,
    listOf(
      sql`json_build_object('id', r.id, 'endsOn', r.ends_on, 'way', r.way, 'state', r.state, 'content', r.content,
        'talk', r.talk, 'sentAt', ${iso(sql`r.sent_at`)}, 'decidedBy', r.decided_by, 'photos', ${listOf(
          sql`json_build_object('id', p.id, 'view', p.view)`,
          sql`from photos p where p.report_id = r.id and p.deleted_at is null`,
          sql`array_position(array['front', 'side', 'back'], p.view), p.stored_at`,
        )})`,
      sql`from weekly_reports r where r.client_id = ${clientId}`,
      sql`r.ends_on desc, r.sent_at desc`,
    ),
  )

/** @throws Refusal for a day before birth, two masses of a day, and a girth that cannot be */
function refuseImpossible(report: SentReport, born: IsoDate | undefined): void {
  const early = born && report.weights.find(({ date }) => date < born)
  if (early)
    throw new Refusal(422, say('api.weighInsGotAcceptedDays', { date: early.date, born }), {
      ...{ field: 'weights', code: 'refused' },
    })
  const days = report.weights.map(({ date }) => date)
  const twice = days.find((date, i) => days.indexOf(date) !== i)
  if (twice)
    throw new Refusal(422, say('api.oneWeightADay', { day: dayValue(twice, true) }), {
      ...{ field: 'weights', code: 'refused' },
    })
  report.girths.forEach(({ girth, cm, typed }, i) => {
    const { hardLow: low, hardHigh: high } = limitsOf(girth)
    if (cm < low || cm > high)
      throw new Refusal(422, say('api.girthCannotBe', { typed, low, high }), {
        ...{ field: `girths.${i}.text`, code: 'refused' },
      })
  })
}

/**
 * Keeps a report as it was sent. The same one sent again is kept once, and what it says stays; one that the coach has not
 * decided on is replaced by what the client sends anew under its id.
 */
export async function keepReport(
  db: Database,
  clientId: string,
  { id, endsOn, way, ...sent }: SentReport,
): Promise<void> {
  refuseImpossible({ id, endsOn, way, ...sent }, bornFrom(await clientOr404(db, clientId)))
  const content: ReportContent = sent
  const empty =
    sent.weights.length === 0 &&
    sent.girths.length === 0 &&
    sent.note === '' &&
    Object.keys(sent.feelings).length === 0
  if (empty) throw new Refusal(422, say('api.reportEmpty'), { field: 'weights', code: 'refused' })
  const kept = await db
    .insert(weeklyReports)
    .values({ id, clientId, endsOn, way, content })
    .onConflictDoUpdate({
      target: weeklyReports.id,
      set: { content, endsOn },
      setWhere: sql`weekly_reports.client_id = ${clientId} and weekly_reports.state = 'waiting'`,
    })
    .returning({ id: weeklyReports.id })
  if (kept.length > 0) return
  const there = await reportOr404(db, clientId, id)
  if (there.state === 'waiting') throw conflict(say('api.idTaken'), 'id-taken', 'id')
}

async function reportOr404(db: Connection, clientId: string, id: string) {
  const [report] = await db
    .select()
    .from(weeklyReports)
    .where(and(eq(weeklyReports.id, id), eq(weeklyReports.clientId, clientId)))
  if (!report) throw notFound(say('api.noSuchReport'))
  return report
}

/** @throws Refusal 404, or 409 for a report that the coach has decided on: nothing is added to it */
export async function mustBeWaiting(db: Connection, clientId: string, id: string): Promise<void> {
  const { state } = await reportOr404(db, clientId, id)
  if (state !== 'waiting') throw conflict(say('api.reportDecided'), 'decided')
}

/** Takes what was accepted of a report out of the record again. */
async function takeOut(tx: Connection, id: string): Promise<void> {
  await tx.delete(weighIns).where(eq(weighIns.reportId, id))
  await tx.delete(selfGirths).where(eq(selfGirths.reportId, id))
}

/**
 * Accepts a report, which makes what it measured part of the record, as self-measured; or sets it aside, which takes that
 * out again. Doing either twice is the same.
 */
export async function decideOnReport(
  db: Database,
  clientId: string,
  id: string,
  { decision, decidedBy }: { decision: 'accept' | 'set aside'; decidedBy: string },
): Promise<void> {
  await db.transaction(async (tx) => {
    await reportOr404(tx, clientId, id)
    const state = decision === 'accept' ? ('accepted' as const) : ('set aside' as const)
    const [report] = await tx
      .update(weeklyReports)
      .set({ state, decidedAt: new Date(), decidedBy })
      .where(and(eq(weeklyReports.id, id), ne(weeklyReports.state, state)))
      .returning()
    if (!report) return
    if (state === 'set aside') return takeOut(tx, id)
    const { weights, girths } = report.content
    if (weights.length > 0)
      await tx.insert(weighIns).values(
        weights.map(({ date, kg, typed, unit }) => ({
          ...{ id: randomUUID(), clientId, date, kg, reportId: id },
          ...{ typedUnit: unit, typedText: typed },
        })),
      )
    if (girths.length > 0)
      await tx.insert(selfGirths).values(
        girths.map(({ girth, trial, cm, typed, unit }) => ({
          ...{ id: randomUUID(), clientId, date: report.endsOn, girth, trial, cm, reportId: id },
          ...{ typedUnit: unit, typedText: typed },
        })),
      )
  })
}

/** Adds words about a report: a question of the coach's, or what the client answers. */
export async function talkAboutReport(
  db: Database,
  clientId: string,
  id: string,
  { by, words }: Pick<ReportTalk, 'by' | 'words'>,
): Promise<void> {
  await reportOr404(db, clientId, id)
  const line: ReportTalk = { by, words, at: new Date().toISOString() }
  await db
    .update(weeklyReports)
    // Said twice running, it is the same one sent again.
    .set({
      talk: sql`case when talk->-1->>'words' = ${words} and talk->-1->>'by' = ${by} then talk
        else talk || ${JSON.stringify([line])}::jsonb end`,
    })
    .where(eq(weeklyReports.id, id))
}

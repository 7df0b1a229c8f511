import { eq, sql } from 'drizzle-orm'
import { say } from '#core'
import type { PracticeForm, PracticeRound } from '#shared/contract/studies'
import type { Connection, Database } from '../database/driver'
import { jsonOf, rowsOf } from '../database/json'
import { people, practiceRounds } from '../database/schema'
import { notFound } from '../http/errors'

/** The latest rounds of a tester that are shown. */
const LATEST = 500

/** Rounds of practice of a tester, oldest first. */
export const listPractice = (db: Connection, testerId: string): Promise<PracticeRound[]> =>
  jsonOf(
    db,
    rowsOf(
      sql`p.id, p.kind, p.done_on as "on", p.tries, p.error, p.bias, p.late, p.typed`,
      sql`from (select * from practice_rounds where tester_id = ${testerId} order by done_on desc, stored_at desc limit ${LATEST}) p`,
      sql`p.done_on, p.stored_at`,
    ),
  )

/** Keeps a round of practice; the same id again keeps it once. @throws Refusal 404 */
export async function keepPractice(
  db: Database,
  testerId: string,
  round: PracticeForm,
  today: string,
): Promise<void> {
  const there = await db.select({ id: people.id }).from(people).where(eq(people.id, testerId))
  if (there.length === 0) throw notFound(say('api.suchTester'))
  await db
    .insert(practiceRounds)
    .values({ ...round, testerId, doneOn: today })
    .onConflictDoNothing()
}

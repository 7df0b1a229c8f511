import { eq, sql } from 'drizzle-orm'
import { shuffle } from 'simple-statistics'
import { say } from '#core'
import type { NewStudyTrial, StudyForm } from '#shared/contract/studies'
import type { Database } from '../database/driver'
import { settings, studies, studyTrials } from '../database/schema'
import { equipmentExists } from '../equipment/queries'
import { conflict, notFound, Refusal } from '../http/errors'

/** Begins a study with the caliper and tape in use; beginning the same id again begins it once. */
export async function beginStudy(db: Database, form: StudyForm, today: string): Promise<void> {
  const { testerId, referenceId } = form
  for (const id of [testerId, referenceId])
    if (!(await equipmentExists(db, { testerId: id }))) throw notFound(say('api.suchTester'))
  // Drawn by lot.
  const order = shuffle([...form.subjects.keys()])
  const [inUse] = await db
    .select({ caliperId: settings.caliperId, tapeId: settings.tapeId })
    .from(settings)
  await db
    .insert(studies)
    .values({ ...form, ...inUse, order, begunOn: today })
    .onConflictDoNothing()
}

/** Keeps a reading of a study that goes on; keeping the same id again keeps it once. */
export async function takeStudyTrial(
  db: Database,
  studyId: string,
  { value, ...trial }: NewStudyTrial,
  today: string,
): Promise<void> {
  await db.transaction(async (tx) => {
    const [study] = await tx.select().from(studies).where(eq(studies.id, studyId)).for('share')
    if (!study) throw notFound(say('api.suchStudy'))
    const known = await tx
      .select({ studyId: studyTrials.studyId })
      .from(studyTrials)
      .where(eq(studyTrials.id, trial.id))
    if (known[0]?.studyId === studyId) return
    if (known.length > 0) throw conflict(say('api.idTaken'), 'id-taken')
    if (study.endedAt) throw conflict(say('api.studyEnded'), 'closed')
    const fits = {
      subject: trial.subject < study.subjects.length,
      site: study.sites.includes(trial.site),
      testerId: [study.testerId, study.referenceId].includes(trial.testerId),
    }
    for (const [field, ok] of Object.entries(fits))
      if (!ok) throw new Refusal(422, say('api.notOfStudy'), { field, code: 'refused' })
    await tx
      .insert(studyTrials)
      .values({ ...trial, studyId, valueCanonical: value, takenOn: today })
  })
}

/** Says that no more is measured, or that it goes on. */
export async function endStudy(db: Database, id: string, ended: boolean): Promise<void> {
  // By this clock, as the days are that stand beside it: a database elsewhere may have another.
  const now = new Date().toISOString()
  const endedAt = ended ? sql`coalesce(${studies.endedAt}, ${now}::timestamptz)` : null
  const changed = await db.update(studies).set({ endedAt }).where(eq(studies.id, id)).returning()
  if (changed.length === 0) throw notFound(say('api.suchStudy'))
}

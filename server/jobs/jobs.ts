import { Cron } from 'croner'
import { sql } from 'drizzle-orm'
import { say } from '#core'
import type { Database } from '../database/driver'
import { jobs } from '../database/schema'
import { lend } from '../database/lending'
import { RecordTrouble } from '../database/trouble'
import { sayInTerminal } from '../terminal'

/** Something that is done again and again. */
interface Job {
  name: string
  /** When, as cron writes it, by the clock of this machine. */
  when: string
  /** Seconds within which no other process does it too. */
  claimSeconds: number
  run(db: Database): Promise<unknown>
}

/** Writes down that this process does a job now. @returns whether it does, and no other */
export async function claimJob(
  db: Database,
  { name, claimSeconds }: Pick<Job, 'name' | 'claimSeconds'>,
  now: Date,
): Promise<boolean> {
  const claimed = await db
    .insert(jobs)
    .values({ name, claimedAt: now })
    .onConflictDoUpdate({
      target: jobs.name,
      set: { claimedAt: now },
      setWhere: sql`${jobs.claimedAt} <= ${now.toISOString()}::timestamptz - make_interval(secs => ${claimSeconds})
        or ${jobs.claimedAt} > ${now.toISOString()}::timestamptz`,
    })
    .returning({ name: jobs.name })
  return claimed.length > 0
}

/**
 * Does jobs by the clock, each in one process at a time, and the next one only when the one before is over.
 *
 * @param database the record at the time; a job is left out while there is none
 * @returns what ends it
 */
export function keepJobs(list: readonly Job[], database: () => Promise<Database>): () => void {
  const running = list.map(
    (job) =>
      new Cron(job.when, { protect: true, unref: true }, async () => {
        // What is restored meanwhile waits until the job is done with the record.
        let letGo = () => {}
        try {
          const db = await database()
          letGo = lend(db)
          if (await claimJob(db, job, new Date())) await job.run(db)
        } catch (error) {
          // A record that cannot be opened says so by itself.
          if (error instanceof RecordTrouble) return
          sayInTerminal(say('trouble.jobFailed', { job: job.name }))
        } finally {
          letGo()
        }
      }),
  )
  return () => running.forEach((cron) => cron.stop())
}

import { sql } from 'drizzle-orm'

/** Readings of studies that count: of two of one pass the later one. */
export const STUDY_TRIALS_IN_FORCE = sql`(
  select distinct on (s.study_id, s.subject, s.site, s.tester_id, s.trial) s.*
  from study_trials s order by s.study_id, s.subject, s.site, s.tester_id, s.trial, s.position desc)`

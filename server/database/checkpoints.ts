import { sql } from 'drizzle-orm'
import type { OpenDatabase } from './driver'
import { writesOf } from './remembered'

/*
 * PostgreSQL's log grows with every change until a checkpoint writes it into the tables. PGlite makes none by itself.
 */

const LOOK_EVERY_MS = 20_000
/** After so much log it is done in the midst of work; the floor may wait for it then. */
const MOST_LOG_BYTES = 24 * 1024 * 1024

/**
 * Makes checkpoints when nothing was written for a while, or when too much was.
 *
 * @returns ends it
 */
export function keepCheckpoints({ db, checkpoint }: OpenDatabase): () => void {
  let [seen, done] = [writesOf(db), writesOf(db)]
  let busy = false
  async function look(): Promise<void> {
    const now = writesOf(db)
    const idle = now === seen
    seen = now
    if (busy || now === done) return
    busy = true
    try {
      if (idle || (await logBytes()) > MOST_LOG_BYTES) {
        await checkpoint()
        // Its own statements count as well.
        done = seen = writesOf(db)
      }
    } catch {
      // A disk that is full now is asked again; one that fails ends the process by itself.
    } finally {
      busy = false
    }
  }
  async function logBytes(): Promise<number> {
    const { rows } = await db.execute<{ bytes: number }>(
      sql`select (pg_current_wal_lsn() - redo_lsn)::float8 as bytes from pg_control_checkpoint()`,
    )
    return rows[0]!.bytes
  }
  const timer = setInterval(() => void look(), LOOK_EVERY_MS)
  timer.unref()
  return () => clearInterval(timer)
}

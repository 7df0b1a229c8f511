import { sql } from 'drizzle-orm'
import type { Database, OpenDatabase } from '../database/driver'

/*
 * What has changed is told through the database: every process that uses it hears of it, in one process as in several.
 */

/** The one channel that all of it goes through. */
const CHANNEL = 'oak_pinch'

/** What is told: a check-in that changed, or a session that ended. */
type News = { checkIn: string } | { session: string }

/** Hears what is told by any process that uses a database. */
export const hearNews = (open: OpenDatabase): Promise<void> =>
  open.hear(
    CHANNEL,
    (payload) => {
      const news = JSON.parse(payload) as News
      if ('checkIn' in news) tellListeners(news.checkIn)
      else endOwnStreamsOf(news.session)
    },
    // What was told while nobody could hear is not known: everybody looks for themselves.
    () => [...listeners.keys()].forEach(tellListeners),
  )

function tellListeners(checkInId: string): void {
  for (const tell of listeners.get(checkInId) ?? []) tell()
}

/** Nobody waits for it: what it is about is stored, and who listens asks again when their stream begins anew. */
function tellAll(db: Database, news: News): void {
  db.execute(sql`select pg_notify(${CHANNEL}, ${JSON.stringify(news)})`).catch(() => {})
}

/** Who is listening to a check-in, in this process. */
const listeners = new Map<string, Set<() => void>>()

/** Tells every screen that follows a check-in that it changed. */
export const announce = (db: Database, checkInId: string): void =>
  tellAll(db, { checkIn: checkInId })

/**
 * Tells a check-in as it is, and again after its changes. It listens before it reads: a change between the two would be
 * told to nobody.
 *
 * @param read the check-in as it is now
 * @param tell told one state after the other, the next when it has taken the last; never an older after a newer one
 * @returns what ends it
 * @throws what the first `read` throws
 */
export async function follow<State>(
  checkInId: string,
  read: () => Promise<State>,
  tell: (state: State) => Promise<void>,
): Promise<() => void> {
  let busy = true
  let changed = false
  const goOn = async (first?: State) => {
    if (first !== undefined) await tell(first)
    while (changed) {
      changed = false
      const state = await read().catch(() => undefined)
      if (state !== undefined) await tell(state)
    }
    busy = false
  }
  const stop = listen(checkInId, () => {
    changed = true
    if (busy) return
    busy = true
    goOn().catch(stop)
  })
  try {
    const first = await read()
    goOn(first).catch(stop)
  } catch (error) {
    stop()
    throw error
  }
  return stop
}

/** Calls back on every change of a check-in. @returns what ends it */
function listen(checkInId: string, tell: () => void): () => void {
  const mine = listeners.get(checkInId) ?? new Set()
  listeners.set(checkInId, mine.add(tell))
  return () => {
    mine.delete(tell)
    if (mine.size === 0) listeners.delete(checkInId)
  }
}

/** What ends each open stream, with the session that it was opened in. */
const streams = new Map<() => void, string | undefined>()

/** Notes a stream that never ends by itself. @returns what forgets it */
export function holdStream(end: () => void, sessionId?: string): () => void {
  streams.set(end, sessionId)
  return () => streams.delete(end)
}

/** Ends every stream: a server that stops does not wait for screens that go on following. */
export function endStreams(): void {
  for (const end of streams.keys()) end()
}

function endOwnStreamsOf(sessionId: string): void {
  for (const [end, of] of streams) if (of === sessionId) end()
}

/** Ends the streams of a session that has ended: who is signed out sees nothing more, whichever process shows it. */
export function endStreamsOf(db: Database, sessionId: string): void {
  endOwnStreamsOf(sessionId)
  tellAll(db, { session: sessionId })
}

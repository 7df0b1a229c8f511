/** Who is listening to a check-in, in this process: the only one that writes to the data folder. */
const listeners = new Map<string, Set<() => void>>()

/** Tells every screen that follows a check-in that it changed. */
export function announce(checkInId: string): void {
  for (const tell of listeners.get(checkInId) ?? []) tell()
}

/** Calls back on every change of a check-in. @returns what ends it */
export function listen(checkInId: string, tell: () => void): () => void {
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

/** Ends the streams of a session that has ended: who is signed out sees nothing more. */
export function endStreamsOf(sessionId: string): void {
  for (const [end, of] of streams) if (of === sessionId) end()
}

import { setImmediate } from 'node:timers/promises'
import type { Database } from './driver'

/*
 * Who uses a database at the moment. One that is to be replaced is closed when nobody does, so that no call loses it in
 * the midst and nothing that was acknowledged is missing in the backup made before.
 */

interface Uses {
  now: number
  /** Called when the last use has ended. */
  free?: () => void
}

const uses = new WeakMap<Database, Uses>()

/** Notes that somebody uses a database. @returns what ends that */
export function lend(db: Database): () => void {
  const of = uses.get(db) ?? { now: 0 }
  uses.set(db, of)
  of.now++
  let lent = true
  return () => {
    if (!lent) return
    lent = false
    if (--of.now === 0) of.free?.()
  }
}

/** Waits until nobody uses a database, nor is just about to. Who asks for it from now on must be kept from it. */
export async function givenBack(db: Database): Promise<void> {
  // Who has it in hand already says so within this turn.
  await setImmediate()
  const of = uses.get(db)
  if (of?.now) await new Promise<void>((free) => (of.free = free))
}

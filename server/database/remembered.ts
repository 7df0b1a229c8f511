import type { Connection } from './driver'

/** How often each database was written to since it was opened; whoever opens it counts. */
const writes = new WeakMap<object, number>()

interface Remembered {
  value: Promise<unknown>
  at: number
}
const answers = new WeakMap<object, Map<string, Remembered>>()

/** Begins to count what is written to a database that was just opened. */
export const countStatements = (db: object) => writes.set(db, 0)

/** How many statements that may change something were run on a database since it was opened. */
export const writesOf = (db: object): number => writes.get(db) ?? 0

/**
 * Counts a statement that may change something: everything that does not begin as a plain SELECT.
 */
export function countStatement(db: object, statement: string): void {
  if (!/^\s*select\b/i.test(statement)) writes.set(db, (writes.get(db) ?? 0) + 1)
}

/**
 * What was computed from the database, computed anew only when something was written since. For what is asked for on
 * nearly every page, costs a walk through the readings of the whole gym, and changes when a check-in is closed. One
 * process holds the data folder, and a statement is counted before it runs, so an old answer is never given: a read
 * that began before a write is kept under the count from before it.
 *
 * @param db the database; inside a transaction nothing is remembered, since it may be rolled back
 * @param name of what is computed
 */
export function remembered<T>(db: Connection, name: string, compute: () => Promise<T>): Promise<T> {
  if (!writes.has(db)) return compute()
  const at = writes.get(db)!
  const known = answers.get(db) ?? new Map<string, Remembered>()
  answers.set(db, known)
  const last = known.get(name)
  if (last?.at === at) return last.value as Promise<T>
  const value = compute()
  known.set(name, { value, at })
  // What failed is asked for again.
  value.catch(() => known.delete(name))
  return value
}

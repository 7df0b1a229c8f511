import { createHash, randomBytes } from 'node:crypto'

/* Keys that are shown once: what is kept of one is its hash, with which nobody who reads the database could do anything. */

/** A key that nobody guesses, in signs that an address may have. */
export const newKey = (): string => randomBytes(24).toString('base64url')

/** What is kept of a key. */
export const hashOfKey = (key: string): string =>
  createHash('sha256').update(key).digest('base64url')

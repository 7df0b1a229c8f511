import { say, type Words } from '#core'

/** What can be wrong with a data folder. */
export type TroubleKind =
  'in-use' | 'foreign' | 'missing' | 'emptied' | 'newer' | 'full' | 'read-only' | 'damaged'

/** The record cannot be opened. What it says names what is wrong, what is safe and the way back. */
export class RecordTrouble extends Error {
  override readonly name = 'RecordTrouble'
  readonly said: Words

  /**
   * @param kind what is wrong
   * @param folder the data folder
   * @param more what the words name besides it
   */
  constructor(
    readonly kind: TroubleKind,
    readonly folder: string,
    more: { holder?: string; what?: string } = {},
    cause?: unknown,
  ) {
    super(`${kind}: ${folder}`, { cause })
    this.said = WORDS[kind](folder, more.holder ?? more.what ?? '?')
  }
}

const WORDS: Record<TroubleKind, (folder: string, more: string) => Words> = {
  'in-use': (folder, holder) => say('trouble.inUse', { folder, holder }),
  foreign: (folder, what) => say('trouble.foreign', { folder, what }),
  missing: (folder) => say('trouble.missing', { folder }),
  emptied: (folder) => say('trouble.emptied', { folder }),
  newer: (folder) => say('trouble.newer', { folder }),
  full: (folder) => say('trouble.full', { folder }),
  'read-only': (folder) => say('trouble.readOnly', { folder }),
  damaged: (folder) => say('trouble.damaged', { folder }),
}

/** What the system or PostgreSQL calls a disk with no room, and one that may not be written to. */
const FULL = /ENOSPC|EDQUOT|No space left|Disk quota exceeded/i
const READ_ONLY =
  /EROFS|EACCES|EPERM|Read-only file system|Permission denied|Operation not permitted/i

/** Everything that an error and what lies under it say of themselves. */
function wordsUnder(error: unknown): string {
  const words: string[] = []
  for (let at: unknown = error; at !== undefined && words.length < 8;) {
    if (!(at instanceof Error)) {
      words.push(String(at))
      break
    }
    words.push(`${(at as NodeJS.ErrnoException).code ?? ''} ${at.message}`)
    at = at.cause
  }
  return words.join(' ')
}

/** A disk that has no room or may not be written to; undefined where an error is of something else. */
export function diskTrouble(error: unknown): 'full' | 'read-only' | undefined {
  const words = wordsUnder(error)
  if (FULL.test(words) || databaseStateOf(error) === '53100') return 'full'
  return READ_ONLY.test(words) ? 'read-only' : undefined
}

/** The SQLSTATE of an error of PostgreSQL, wherever it lies under one. */
function databaseStateOf(error: unknown): string | undefined {
  for (let at = error; at instanceof Error; at = at.cause) {
    const { code } = at as { code?: unknown }
    if (typeof code === 'string' && /^[0-9A-Z]{5}$/.test(code)) return code
  }
  return undefined
}

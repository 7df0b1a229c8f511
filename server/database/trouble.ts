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
   * @param more what the words name besides it: who has it, or what lies in it
   */
  constructor(
    readonly kind: TroubleKind,
    readonly folder: string,
    { more = '?', cause }: { more?: string; cause?: unknown } = {},
  ) {
    super(`${kind}: ${folder}`, { cause })
    this.said = WORDS[kind](folder, more)
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

/** An error and what lies under it, from the top. */
function* causesOf(error: unknown): Generator<unknown> {
  for (let at = error; at !== undefined; at = at instanceof Error ? at.cause : undefined) yield at
}

/** The first code of an error, or of what lies under it, that is one of those asked for. */
export function codeOf<C extends string>(
  error: unknown,
  accepted: Readonly<Record<C, unknown>>,
): C | undefined {
  for (const at of causesOf(error)) {
    const code = at instanceof Error && (at as { code?: unknown }).code
    if (typeof code === 'string' && Object.hasOwn(accepted, code)) return code as C
  }
  return undefined
}

/** A disk that has no room or may not be written to; undefined where an error is of something else. */
export function diskTrouble(error: unknown): 'full' | 'read-only' | undefined {
  if (codeOf(error, { 53100: 'disk_full' })) return 'full'
  // A failed query names what was sent with it: words of a person's, and none of the system's.
  const words = [...causesOf(error)]
    .filter((at) => !(at instanceof Error && 'query' in at))
    .map((at) => (at instanceof Error ? `${(at as NodeJS.ErrnoException).code} ${at.message}` : at))
    .join(' ')
  if (FULL.test(words)) return 'full'
  return READ_ONLY.test(words) ? 'read-only' : undefined
}

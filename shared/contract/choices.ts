/*
 * What some fields choose from and how much of some there is, apart from the schemas: a page that shows them need not
 * carry those.
 */

export const ROSTER_STATES = ['under way', 'late', 'due', 'first', 'coming', 'archived'] as const
/** What a record asks of the coach. */
export const ROSTER_SAYS = ['look', 'tell'] as const
export const ROSTER_PAGE = 50

/** Why a backup was made; `brought` is one from elsewhere. */
export const BACKUP_REASONS = ['daily', 'asked', 'migration', 'restore', 'brought'] as const
export type BackupReason = (typeof BACKUP_REASONS)[number]
/** What backups ask of the coach. */
export const BACKUP_CONCERNS = ['copy-failed', 'never-tried', 'tried-long-ago'] as const
/** The shortest passphrase that is taken, characters. */
export const SHORTEST_PASSPHRASE = 12

export const PHOTO_VIEWS = ['front', 'side', 'back'] as const
/** Longest side of a kept picture, pixels. */
export const LONGEST_SIDE = 1600

export const CLIENT_NOTE_KINDS = ['phase', 'holiday', 'injury', 'illness', 'other'] as const

/** What whoever measures first is called until they say their name. */
export const FIRST_TESTER_NAME = 'Coach'

export const JAWS = ['spring', 'hand', 'click'] as const
/** Why a fold, or a girth, is left out. */
export const SKIP_REASONS_OF = {
  folds: [
    'jaws not parallel',
    'beyond the caliper',
    'skin, wound or implant',
    'client declined',
    'out of time',
  ],
  tape: [
    'clothing in the way',
    'tape too short',
    'wound, dressing or swelling',
    'client declined',
    'out of time',
  ],
} as const
export type SkipReason = (typeof SKIP_REASONS_OF)[keyof typeof SKIP_REASONS_OF][number]
export const SKIP_REASONS = [
  ...new Set<SkipReason>([...SKIP_REASONS_OF.folds, ...SKIP_REASONS_OF.tape]),
]

/** Lines of who did what on one page. */
export const EVENTS_PAGE = 100

/*
 * What some fields choose from and how much of some there is, apart from the schemas: a page that shows them need not
 * carry those.
 */

export const ROSTER_STATES = ['under way', 'late', 'due', 'first', 'coming', 'archived'] as const
/** What a record asks of the coach. */
export const ROSTER_SAYS = ['look', 'tell'] as const
export const ROSTER_PAGE = 50

/** Why a backup was made; `brought` is one from elsewhere. */
export const BACKUP_REASONS = [
  'daily',
  'asked',
  'migration',
  'restore',
  'import',
  'brought',
] as const
export type BackupReason = (typeof BACKUP_REASONS)[number]
/** What backups ask of the coach. */
export const BACKUP_CONCERNS = ['copy-failed', 'never-tried', 'tried-long-ago'] as const
/** The shortest passphrase that is taken, characters. */
export const SHORTEST_PASSPHRASE = 12

/** The formats that records are handed out in: a row a check-in, a row a reading, a workbook, and so on. */
export const EXPORT_FORMATS = ['csv', 'long-csv', 'xlsx', 'json', 'fhir', 'ics', 'zip'] as const
/** Those that a spreadsheet fetches by itself. */
export const SHEET_FORMATS = ['csv', 'long-csv'] as const
export type ExportFormat = (typeof EXPORT_FORMATS)[number]

/** Pages on paper about one client. */
export const REPORTS = ['client', 'coach', 'plan', 'log'] as const
export type ReportKind = (typeof REPORTS)[number]
export const PAPER_SIZES = ['a4', 'letter'] as const
export type PaperSize = (typeof PAPER_SIZES)[number]

export const PHOTO_VIEWS = ['front', 'side', 'back'] as const
export type PhotoView = (typeof PHOTO_VIEWS)[number]
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
  bones: ['clothing in the way', 'wound, dressing or swelling', 'client declined', 'out of time'],
} as const
export type SkipReason = (typeof SKIP_REASONS_OF)[keyof typeof SKIP_REASONS_OF][number]
export const SKIP_REASONS = [
  ...new Set<SkipReason>([...SKIP_REASONS_OF.folds, ...SKIP_REASONS_OF.tape]),
]

/** Lines of who did what on one page. */
export const EVENTS_PAGE = 100

/** What a client sees of their record. */
export const SHARED = ['everything', 'sums', 'mass', 'nothing'] as const
export type Shared = (typeof SHARED)[number]
/** How a week went, as far as the coach asks. */
export const REPORT_FEELINGS = ['hunger', 'sleep', 'steps', 'sessions'] as const
export type ReportFeeling = (typeof REPORT_FEELINGS)[number]
/** How a weekly report came: filled in, or as a message that the coach pasted. */
export const REPORT_WAYS_OF = ['form', 'message'] as const

/**
 * What becomes of a reminder: `copied` was said by the coach, `unclear` may have gone out before a connection broke, and
 * `over` was not due any more when its turn came.
 */
export const REMINDER_STATES = [
  'waiting',
  'sending',
  'sent',
  'copied',
  'failed',
  'unclear',
  'over',
] as const

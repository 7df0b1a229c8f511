import { say } from '../../core/index'
import { BACKUP_CONCERNS, BACKUP_REASONS, SHORTEST_PASSPHRASE } from './choices'
import { requiredText } from './fields'
import { errorText } from './problems'
import { z } from './zod'

export const backupSchema = z.object({
  name: z.string(),
  madeAt: z.iso.datetime(),
  reason: z.enum(BACKUP_REASONS),
  bytes: z.number(),
  /** Whether it opens with a passphrase alone. */
  locked: z.boolean(),
})
export type Backup = z.infer<typeof backupSchema>

export const backupConcernSchema = z.enum(BACKUP_CONCERNS).nullable()

export const backupsSchema = z.object({
  /** Where they are on the computer that runs the server; null of made-up data, which is not backed up. */
  folder: z.string().nullable(),
  /** Newest first. */
  backups: z.array(backupSchema),
  /** Where each is copied to, besides. */
  second: z.string().nullable(),
  /** Since when the copies fail. */
  secondFailed: z.iso.datetime().nullable(),
  /** Whether new ones are locked with a passphrase. */
  locking: z.boolean(),
  /** When one was last restored, in place of the record or to see whether that works. */
  triedAt: z.iso.datetime().nullable(),
  concern: backupConcernSchema,
})
export type Backups = z.infer<typeof backupsSchema>

const passphrase = errorText(
  say('fields.passphrase'),
  say('fields.charactersFromTo', { from: SHORTEST_PASSPHRASE, to: 200 }),
)

export const backupSettingsSchema = z
  .strictObject({
    second: requiredText(say('fields.secondFolder'), 1000).nullable(),
    passphrase: z
      .string(passphrase)
      .min(SHORTEST_PASSPHRASE, passphrase)
      .max(200, passphrase)
      .nullable(),
  })
  .partial()
export type BackupSettingsChange = z.output<typeof backupSettingsSchema>

/** The passphrase of one backup; without it, that which new ones are locked with is tried. */
export const openBackupSchema = z.strictObject({
  passphrase: z.string(passphrase).max(200, passphrase).optional(),
})

/** What a backup holds. */
export const backupHoldsSchema = z.object({
  madeAt: z.iso.datetime(),
  clients: z.number(),
  checkIns: z.number(),
  readings: z.number(),
  photos: z.number(),
})
export type BackupHolds = z.infer<typeof backupHoldsSchema>

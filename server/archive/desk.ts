import fs from 'node:fs'
import { isAbsolute, join, relative, resolve } from 'node:path'
import { refusal, say, type Words } from '#core'
import type { BackupHolds, Backups, BackupSettingsChange } from '#shared/contract/backups'
import { folderOf, type Database } from '../database/driver'
import { conflict, Refusal } from '../http/errors'
import {
  backupsFolder,
  backupsIn,
  keepSettings,
  readSettings,
  type BackupSettings,
} from './backups'
import type { Manifest } from './format'

/** A restore is to be tried once a year, and for the first time two weeks after the first backup. */
const TRY_EVERY_MS = 365 * 86_400_000
const FIRST_TRY_MS = 14 * 86_400_000

/** What the backups of a data folder ask of the coach. */
export function backupConcern(
  dataFolder: string | undefined,
  now: Date = new Date(),
): Backups['concern'] {
  if (dataFolder === undefined) return null
  const { second, secondFailed, triedAt } = readSettings(dataFolder)
  if (second !== null && secondFailed !== null) return 'copy-failed'
  const first = backupsIn(dataFolder).at(-1)?.madeAt
  const since = (at: Date | string) => now.getTime() - new Date(at).getTime()
  if (triedAt !== null) return since(triedAt) > TRY_EVERY_MS ? 'tried-long-ago' : null
  return first && since(first) > FIRST_TRY_MS ? 'never-tried' : null
}

/** The backups of a database with what is set for them. */
export function viewBackups(db: Database): Backups {
  const folder = folderOf(db)
  const settings = folder === undefined ? undefined : readSettings(folder)
  return {
    folder: folder === undefined ? null : backupsFolder(folder),
    backups:
      folder === undefined
        ? []
        : backupsIn(folder).map((backup) => ({ ...backup, madeAt: backup.madeAt.toISOString() })),
    second: settings?.second ?? null,
    secondFailed: (settings?.second && settings.secondFailed) ?? null,
    locking: settings?.passphrase != null,
    triedAt: settings?.triedAt ?? null,
    concern: backupConcern(folder),
  }
}

/** The data folder of a database. @throws Refusal where it has none, as that of the made-up club */
export function backedUpFolder(db: Database): string {
  const folder = folderOf(db)
  if (folder === undefined) throw conflict(say('api.madeUpHasNoBackups'), 'made-up')
  return folder
}

/**
 * Sets where backups are copied to and what they are locked with.
 *
 * @throws Refusal where the second folder cannot be written to, or is the data folder's own
 */
export async function changeBackupSettings(
  db: Database,
  { second, passphrase }: BackupSettingsChange,
): Promise<void> {
  const folder = backedUpFolder(db)
  const change: Partial<BackupSettings> = {}
  if (passphrase !== undefined) change.passphrase = passphrase
  if (second !== undefined) {
    if (second !== null) checkSecond(second, folder)
    Object.assign(change, { second, secondFailed: null })
  }
  await keepSettings(folder, change)
}

function checkSecond(second: string, dataFolder: string): void {
  const refused = (accepted: Words) =>
    new Refusal(422, refusal(say('fields.secondFolder'), second, accepted), {
      code: 'folder',
      field: 'second',
    })
  if (!isAbsolute(second)) throw refused(say('api.wholePath'))
  const within = relative(fs.realpathSync(dataFolder), real(second))
  if (within === '' || (!within.startsWith('..') && !isAbsolute(within)))
    throw refused(say('api.folderElsewhere'))
  const probe = join(second, `.oak-pinch-${process.pid}`)
  try {
    fs.writeFileSync(probe, '')
    fs.rmSync(probe)
  } catch {
    throw refused(say('api.folderThatCanBeWritten'))
  }
}

function real(path: string): string {
  try {
    return fs.realpathSync(path)
  } catch {
    return resolve(path)
  }
}

/** What a backup holds, as its manifest says. */
export function holdsOf({ madeAt, tables, photos }: Manifest): BackupHolds {
  const rows = (name: string) => tables[name]?.rows ?? 0
  return {
    ...{ madeAt, clients: rows('clients'), checkIns: rows('check_ins') },
    ...{ readings: rows('readings'), photos: Object.keys(photos).length },
  }
}

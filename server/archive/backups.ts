import fs from 'node:fs'
import { join } from 'node:path'
import { Decrypter, Encrypter } from 'age-encryption'
import { z } from 'zod'
import { refusal, say } from '#core'
import { BACKUP_REASONS, type BackupReason } from '#shared/contract/choices'
import { makeFolder, syncFolder } from '../database/durable-fs'
import type { Database } from '../database/driver'
import { PARTS } from '../database/record-folder'
import { MAKING, writeWhole } from '../files/write-whole'
import { Refusal } from '../http/errors'
import { partsOf } from './read'
import { archiveOf, snapshotOf } from './write'

/*
 * Backups in the data folder's own backups/, and in a second folder where one is named: a stick, or a folder that is
 * copied elsewhere by itself.
 */

/** A backup that is there. */
export interface Backup {
  name: string
  madeAt: Date
  reason: BackupReason
  bytes: number
  locked: boolean
}

const settingsSchema = z.object({
  /** Where each backup is copied to, besides. */
  second: z.string().nullable().default(null),
  /** With it, backups are locked; without it, nobody opens them any more. */
  passphrase: z.string().nullable().default(null),
  /** When a backup was last restored to see whether that works. */
  triedAt: z.iso.datetime().nullable().default(null),
  /** When and why the second folder could not be written to. */
  secondFailed: z.iso.datetime().nullable().default(null),
})
export type BackupSettings = z.infer<typeof settingsSchema>

/** Where a data folder has its backups. */
export const backupsFolder = (dataFolder: string) => join(dataFolder, PARTS.backups)
const settingsFile = (dataFolder: string) => join(backupsFolder(dataFolder), 'settings.json')

export function readSettings(dataFolder: string): BackupSettings {
  try {
    return settingsSchema.parse(JSON.parse(fs.readFileSync(settingsFile(dataFolder), 'utf8')))
  } catch {
    return settingsSchema.parse({})
  }
}

export async function keepSettings(
  dataFolder: string,
  change: Partial<BackupSettings>,
): Promise<BackupSettings> {
  const settings = { ...readSettings(dataFolder), ...change }
  makeFolder(backupsFolder(dataFolder))
  await writeWhole(settingsFile(dataFolder), [Buffer.from(JSON.stringify(settings))])
  return settings
}

/** Notes that a backup was restored, in place of the record or beside it. */
export const noteTried = (dataFolder: string) =>
  keepSettings(dataFolder, { triedAt: new Date().toISOString() })

/** As `2026-11-27T091500123Z-daily.zip`, or `.zip.age` where it is locked. */
const NAME = new RegExp(
  `^(\\d{4}-\\d\\d-\\d\\dT)(\\d\\d)(\\d\\d)(\\d\\d)(\\d{3})?Z-(${BACKUP_REASONS.join('|')})\\.zip(\\.age)?$`,
)
const nameOf = (at: Date, reason: BackupReason, locked: boolean) =>
  `${at.toISOString().replaceAll(/[:.]/g, '')}-${reason}.zip${locked ? '.age' : ''}`

/** The backups of a folder, newest first. */
function listBackups(folder: string): Backup[] {
  const names = fs.existsSync(folder) ? fs.readdirSync(folder) : []
  return names
    .flatMap((name) => {
      const read = NAME.exec(name)
      if (!read) return []
      const [, day, hour, minute, second, ms, reason, locked] = read
      return {
        ...{ name, reason: reason as BackupReason, locked: locked !== undefined },
        madeAt: new Date(`${day}${hour}:${minute}:${second}.${ms ?? '000'}Z`),
        bytes: fs.statSync(join(folder, name)).size,
      }
    })
    .sort((a, b) => b.madeAt.getTime() - a.madeAt.getTime())
}

/** The backups in a data folder, newest first. */
export const backupsIn = (dataFolder: string): Backup[] => listBackups(backupsFolder(dataFolder))

/** The file of a backup of a data folder. @throws Refusal where there is none of that name */
export function backupFile(dataFolder: string, name: string): string {
  if (!backupsIn(dataFolder).some((backup) => backup.name === name))
    throw new Refusal(404, say('api.suchBackup'), { code: 'not-found' })
  return join(backupsFolder(dataFolder), name)
}

/** How many are kept: the newest of all and of those from elsewhere, and the newest of each day, week and month in which there was one. */
const KEPT = { newest: 3, days: 7, weeks: 5, months: 12 }
const MONDAY = 4 * 86_400_000

/**
 * Which backups may go: all but the three newest of all and from elsewhere, and the newest of each of the last 7 days, 5 weeks and 12 months that
 * have one. What was there before a restore is thereby not gone with the backup that is asked for after it.
 *
 * @param backups newest first
 */
export function outlived(backups: readonly Backup[]): Backup[] {
  const spans: [number, (at: Date) => string | number][] = [
    [KEPT.days, (at) => at.toISOString().slice(0, 10)],
    [KEPT.weeks, (at) => Math.floor((at.getTime() - MONDAY) / (7 * 86_400_000))],
    [KEPT.months, (at) => at.toISOString().slice(0, 7)],
  ]
  const brought = backups.filter(({ reason }) => reason === 'brought')
  const kept = new Set([backups, brought].flatMap((some) => some.slice(0, KEPT.newest)))
  for (const [most, spanOf] of spans) {
    const seen = new Set<string | number>()
    for (const backup of backups) {
      const span = spanOf(backup.madeAt)
      if (seen.has(span) || seen.size >= most) continue
      seen.add(span)
      kept.add(backup)
    }
  }
  return backups.filter((backup) => !kept.has(backup))
}

/** Locks an archive with a passphrase (age, scrypt). */
async function lockedBy(
  parts: AsyncIterable<Uint8Array>,
  passphrase: string,
): Promise<AsyncIterable<Uint8Array>> {
  const lock = new Encrypter()
  lock.setPassphrase(passphrase)
  return lock.encrypt(streamOf(parts)) as unknown as Promise<AsyncIterable<Uint8Array>>
}

const streamOf = (parts: AsyncIterable<Uint8Array>) => {
  const each = parts[Symbol.asyncIterator]()
  return new ReadableStream<Uint8Array>({
    async pull(stream) {
      const { done, value } = await each.next()
      if (done) stream.close()
      else stream.enqueue(new Uint8Array(value))
    },
    async cancel() {
      await each.return?.()
    },
  })
}

/** What a locked file begins with. */
const LOCKED = 'age-encryption.org/'

function startOf(file: string): string {
  const handle = fs.openSync(file, 'r')
  const start = Buffer.alloc(LOCKED.length)
  fs.readSync(handle, start, 0, LOCKED.length, 0)
  fs.closeSync(handle)
  return start.toString()
}

/** Whether a backup's file opens with a passphrase alone. */
export const isLocked = (file: string): boolean => startOf(file) === LOCKED

/**
 * A backup's file, part by part, unlocked where it is locked.
 *
 * @throws Refusal where the passphrase is missing or another one
 */
export async function openArchive(
  file: string,
  passphrase: string | null,
): Promise<AsyncIterable<Uint8Array>> {
  if (!isLocked(file)) return partsOf(file)
  const refused = () =>
    new Refusal(
      422,
      refusal(
        say('api.passphrase'),
        passphrase ? say('api.anotherOne') : undefined,
        say('api.passphraseOfBackup'),
      ),
      {
        code: 'passphrase',
        field: 'passphrase',
      },
    )
  if (!passphrase) throw refused()
  const unlock = new Decrypter()
  unlock.addPassphrase(passphrase)
  try {
    return (await unlock.decrypt(streamOf(partsOf(file)))) as unknown as AsyncIterable<Uint8Array>
  } catch {
    throw refused()
  }
}

/** Writes the record to a file, whole or not at all. @returns how many bytes it has */
export async function backUpTo(
  db: Database,
  file: string,
  passphrase: string | null = null,
  at = new Date(),
): Promise<number> {
  const parts = archiveOf(db, await snapshotOf(db), at)
  return writeWhole(file, passphrase ? await lockedBy(parts, passphrase) : parts)
}

/** One at a time, so that two who ask get two whole files. */
let last: Promise<unknown> = Promise.resolve()

/**
 * Makes a backup in the data folder, copies it to the second folder, and lets go of those that are outlived.
 *
 * @param spare the name of one that is needed still
 * @returns its name
 */
export function makeBackup(
  db: Database,
  dataFolder: string,
  reason: BackupReason,
  { at = new Date(), spare }: { at?: Date; spare?: string } = {},
): Promise<string> {
  const work = last.then(async () => {
    const folder = backupsFolder(dataFolder)
    makeFolder(folder)
    const { second, passphrase } = readSettings(dataFolder)
    const name = nameOf(at, reason, passphrase !== null)
    await backUpTo(db, join(folder, name), passphrase, at)
    thin(folder, spare)
    if (second) await copyTo(second, join(folder, name), name, dataFolder)
    return name
  })
  last = work.catch(() => {})
  return work
}

function thin(folder: string, spare?: string): void {
  for (const { name } of outlived(listBackups(folder)).filter(({ name }) => name !== spare))
    fs.rmSync(join(folder, name), { force: true })
  syncFolder(folder)
}

/**
 * Takes in a backup from elsewhere: it is listed with the others once it is there as a whole.
 *
 * @param parts of its file
 * @throws Refusal where it is neither a zip nor a locked file
 */
export async function bringBackup(
  dataFolder: string,
  parts: AsyncIterable<Uint8Array>,
  at = new Date(),
): Promise<string> {
  const folder = backupsFolder(dataFolder)
  makeFolder(folder)
  const coming = join(folder, COMING)
  try {
    await writeWhole(coming, parts)
    const start = startOf(coming)
    const locked = start === LOCKED
    if (!locked && !start.startsWith('PK'))
      throw new Refusal(422, refusal(say('api.file'), undefined, say('api.wholeBackup')), {
        ...{ code: 'backup', field: 'file' },
      })
    const name = nameOf(at, 'brought', locked)
    fs.renameSync(coming, join(folder, name))
    thin(folder, name)
    return name
  } finally {
    fs.rmSync(coming, { force: true })
  }
}
/** A backup that is still coming in. */
const COMING = 'coming'

/** Takes away what a stop in the midst of a backup has left. */
export function sweepBackups(dataFolder: string): void {
  const folder = backupsFolder(dataFolder)
  const names = fs.existsSync(folder) ? fs.readdirSync(folder) : []
  for (const name of names)
    if (name === COMING || name.endsWith(MAKING)) fs.rmSync(join(folder, name))
}

/** A stick that is not plugged in spoils no backup; it is said where backups are listed. */
async function copyTo(second: string, file: string, name: string, dataFolder: string) {
  try {
    await writeWhole(join(second, name), partsOf(file))
    thin(second)
    await keepSettings(dataFolder, { secondFailed: null })
  } catch {
    await keepSettings(dataFolder, { secondFailed: new Date().toISOString() })
  }
}

/** Whether there is a backup of a day already. */
export const hasBackupOf = (dataFolder: string, day: Date): boolean =>
  backupsIn(dataFolder).some(
    ({ madeAt }) => madeAt.toISOString().slice(0, 10) === day.toISOString().slice(0, 10),
  )

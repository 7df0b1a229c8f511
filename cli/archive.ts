/**
 * `backup` and `restore`: the whole record to a file and back; `password`: lets somebody in again who forgot theirs.
 * While no server has the data folder. Run from its
 * sources, since the database engine cannot be bundled.
 */
import { mkdirSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { createInterface } from 'node:readline/promises'
import { backUpTo, isLocked, makeBackup, openArchive } from '../server/archive/backups'
import { handedOn, restoreInto, type Restoring } from '../server/archive/restore'
import { setPasswordByName } from '../server/access/people'
import { openDatabase } from '../server/database/driver'
import { lockDataFolder } from '../server/database/lock'
import { RecordTrouble } from '../server/database/trouble'
import { shippedVoice } from '../shared/words/voices'
import { tell } from '../shared/words/tell'
import { create, dataFolder, hasRecord, migrations, wordsOf } from './data-folder'

interface Asked {
  /** The first that is named: a file, or whose password. */
  named: string
  folder: string
}

/** FILE or NAME, [--data FOLDER] */
function read(args: readonly string[]): Asked {
  const at = args.indexOf('--data')
  const rest = at < 0 ? args : args.filter((_, i) => i !== at && i !== at + 1)
  const [named, ...more] = rest
  if (!named || more.length || (at >= 0 && !args[at + 1])) {
    process.stderr.write(
      'Usage: npm run -s oak -- backup|restore|password FILE|NAME [--data FOLDER]\n',
    )
    process.exit(2)
  }
  return { named, folder: dataFolder(args[at + 1 || args.length]) }
}

/** What is secret: from the environment, or typed where somebody can. */
async function secret(variable: string, asked: string): Promise<string | null> {
  const given = process.env[variable]
  if (given) return given
  if (!process.stdin.isTTY) return null
  const asking = createInterface({ input: process.stdin, output: process.stderr })
  const typed = await asking.question(`${asked}: `)
  asking.close()
  return typed
}

const counted = (tables: Record<string, { rows: number }>, photos: number) =>
  `${tables.clients?.rows ?? 0} clients, ${tables.readings?.rows ?? 0} readings, ${photos} photos`

async function backup({ named, folder }: Asked): Promise<void> {
  const file = resolve(named)
  const { db, close } = await openDatabase(folder, migrations, { create, mayBegin: false })
  try {
    const bytes = await backUpTo(db, file, process.env.OAK_PINCH_PASSPHRASE ?? null)
    process.stderr.write(`Saved ${file} (${(bytes / 1e6).toFixed(1)} MB).\n`)
  } finally {
    await close()
  }
}

/** The record that is there is backed up first; one that does not open is put aside as it is. */
async function backUpPresent(folder: string): Promise<Partial<Restoring>> {
  if (!hasRecord(folder)) return {}
  try {
    const { db, close } = await openDatabase(folder, migrations, { create, mayBegin: false })
    try {
      const name = await makeBackup(db, folder, 'restore')
      process.stderr.write(`What was there is in ${join(folder, 'backups', name)}.\n`)
      return await handedOn(db)
    } finally {
      await close()
    }
  } catch (error) {
    if (!(error instanceof RecordTrouble) || error.kind === 'in-use') throw error
    process.stderr.write(`${tell(error.said, shippedVoice())}\n`)
    return {}
  }
}

async function restore({ named, folder }: Asked): Promise<void> {
  const file = resolve(named)
  const parts = await openArchive(
    file,
    isLocked(file) ? await secret('OAK_PINCH_PASSPHRASE', 'Passphrase') : null,
  )
  const present = await backUpPresent(folder)
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const release = await lockDataFolder(folder)
  try {
    const { tables, photos } = await restoreInto(parts, folder, { migrations, create, ...present })
    process.stderr.write(
      `Restored into ${folder}, and read back as it went in: ${counted(tables, Object.keys(photos).length)}.\n`,
    )
  } finally {
    await release()
  }
}

/** Whoever can read the data folder may let anybody in. */
async function password({ named, folder }: Asked): Promise<void> {
  const chosen = await secret('OAK_PINCH_PASSWORD', 'New password')
  const { db, close } = await openDatabase(folder, migrations, { create, mayBegin: false })
  try {
    const { name } = await setPasswordByName(db, named, chosen ?? '')
    process.stderr.write(`${name} signs in with the new password, and was signed out everywhere.\n`)
  } finally {
    await close()
  }
}

const VERBS: Record<string, (asked: Asked) => Promise<void>> = { backup, restore, password }

try {
  const [verb, ...args] = process.argv.slice(2)
  const asked = read(args)
  await VERBS[verb!]!(asked)
} catch (error) {
  process.stderr.write(`${wordsOf(error, shippedVoice())}\n`)
  process.exitCode = 2
}

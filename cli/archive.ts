/**
 * `backup` and `restore`: the whole record to a file and back, while no server has the data folder. Run from its
 * sources, since the database engine cannot be bundled.
 */
import { existsSync, mkdirSync, readFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { createInterface } from 'node:readline/promises'
import { fileURLToPath } from 'node:url'
import { backUpTo, isLocked, makeBackup, openArchive } from '../server/archive/backups'
import { restoreInto } from '../server/archive/restore'
import { openDatabase } from '../server/database/driver'
import { lockDataFolder } from '../server/database/lock'
import { erasedIn } from '../server/clients/erasures'
import { unpackTemplate } from '../server/database/template'
import { RecordTrouble } from '../server/database/trouble'
import { TEMPLATE_FILE } from '../scripts/template-file'
import { wholeCatalogue } from '../scripts/words'
import { provideWords, shippedVoice } from '../shared/words/voices'
import { tell, wordsOfError } from '../shared/words/tell'
import { Refusal } from '../server/http/errors'

const root = fileURLToPath(new URL('..', import.meta.url))
const migrations = join(root, 'server/database/migrations')
const create = (into: string) =>
  unpackTemplate(into, async () => (existsSync(TEMPLATE_FILE) ? readFileSync(TEMPLATE_FILE) : null))

provideWords(wholeCatalogue(join(root, 'locales')))

interface Asked {
  file: string
  folder: string
}

/** FILE [--data FOLDER] */
function read(args: readonly string[]): Asked {
  const at = args.indexOf('--data')
  const rest = at < 0 ? args : args.filter((_, i) => i !== at && i !== at + 1)
  const [file, ...more] = rest
  if (!file || more.length || (at >= 0 && !args[at + 1])) {
    process.stderr.write('Usage: npm run -s oak -- backup|restore FILE [--data FOLDER]\n')
    process.exit(2)
  }
  const folder =
    args[at + 1 || args.length] ?? process.env.OAK_PINCH_DATA ?? join(root, '.data', 'gym')
  return { file: resolve(file), folder: resolve(folder) }
}

/** The passphrase, from OAK_PINCH_PASSPHRASE or typed where somebody can. */
async function passphrase(): Promise<string | null> {
  if (process.env.OAK_PINCH_PASSPHRASE) return process.env.OAK_PINCH_PASSPHRASE
  if (!process.stdin.isTTY) return null
  const asking = createInterface({ input: process.stdin, output: process.stderr })
  const typed = await asking.question('Passphrase: ')
  asking.close()
  return typed
}

const counted = (tables: Record<string, { rows: number }>, photos: number) =>
  `${tables.clients?.rows ?? 0} clients, ${tables.readings?.rows ?? 0} readings, ${photos} photos`

async function backup({ file, folder }: Asked): Promise<void> {
  process.env.OAK_PINCH_DATA = folder
  const { db, close } = await openDatabase(folder, migrations, { create, mayBegin: false })
  try {
    const bytes = await backUpTo(db, file, process.env.OAK_PINCH_PASSPHRASE ?? null)
    process.stderr.write(`Saved ${file} (${(bytes / 1e6).toFixed(1)} MB).\n`)
  } finally {
    await close()
  }
}

/** The record that is there is backed up first; one that does not open is put aside as it is. */
async function backUpPresent(folder: string): Promise<{ erased?: string[]; backedUp?: boolean }> {
  if (!existsSync(join(folder, 'db')) && !existsSync(join(folder, 'pglite'))) return {}
  try {
    const { db, close } = await openDatabase(folder, migrations, { create, mayBegin: false })
    try {
      const name = await makeBackup(db, folder, 'restore')
      process.stderr.write(`What was there is in ${join(folder, 'backups', name)}.\n`)
      return { erased: await erasedIn(db), backedUp: true }
    } finally {
      await close()
    }
  } catch (error) {
    if (!(error instanceof RecordTrouble) || error.kind === 'in-use') throw error
    process.stderr.write(`${tell(error.said, shippedVoice())}\n`)
    return {}
  }
}

async function restore({ file, folder }: Asked): Promise<void> {
  process.env.OAK_PINCH_DATA = folder
  const parts = await openArchive(file, isLocked(file) ? await passphrase() : null)
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

try {
  const [verb, ...args] = process.argv.slice(2)
  const asked = read(args)
  await (verb === 'backup' ? backup(asked) : restore(asked))
} catch (error) {
  const said =
    error instanceof RecordTrouble || error instanceof Refusal
      ? tell(error.said, shippedVoice())
      : error instanceof Error
        ? wordsOfError(error, shippedVoice())
        : String(error)
  process.stderr.write(`${said}\n`)
  process.exitCode = 2
}

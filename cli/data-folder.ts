/** What the verbs that open a database share. */
import { existsSync, readFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { InputError } from '../core/index'
import { TEMPLATE_FILE } from '../scripts/template-file'
import { wholeCatalogue } from '../scripts/words'
import { RecordTrouble } from '../server/database/trouble'
import { unpackTemplate } from '../server/database/template'
import { Refusal } from '../server/http/errors'
import { tell, wordsOfError } from '../shared/words/tell'
import type { Voice } from '../shared/words/voice'
import { provideWords } from '../shared/words/voices'

const root = fileURLToPath(new URL('..', import.meta.url))
provideWords(wholeCatalogue(join(root, 'locales')))

export const migrations = join(root, 'server/database/migrations')

/** Makes a database in an empty folder. */
export const create = (into: string) =>
  unpackTemplate(into, async () => (existsSync(TEMPLATE_FILE) ? readFileSync(TEMPLATE_FILE) : null))

/** The data folder that is meant: the one named, that of the environment, or the usual one. */
export function dataFolder(named: string | undefined): string {
  const folder = resolve(named ?? process.env.OAK_PINCH_DATA ?? join(root, '.data', 'gym'))
  process.env.OAK_PINCH_DATA = folder
  return folder
}

/** Whether a data folder has a record. */
export const hasRecord = (folder: string): boolean =>
  existsSync(join(folder, 'db')) || existsSync(join(folder, 'pglite'))

/** What went wrong, for a person. */
export function wordsOf(error: unknown, voice: Voice): string {
  if (error instanceof RecordTrouble || error instanceof Refusal || error instanceof InputError)
    return tell(error.said, voice)
  return error instanceof Error ? wordsOfError(error, voice) : String(error)
}

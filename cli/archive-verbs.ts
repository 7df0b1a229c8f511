import { opening } from './opening'
import type { Verb } from './verb'

const FOLDER = `--data  The data folder; OAK_PINCH_DATA or the usual one where not said. No server may have it open.`

/** `backup`: the whole record in one file. */
export const backup: Verb = {
  summary: 'the whole record of a data folder, photos and all, in one file',
  help: `FILE [--data FOLDER]

  FILE    Where to: a zip with record.json, the photos and a manifest.
  ${FOLDER}
  With a passphrase in OAK_PINCH_PASSPHRASE the file is locked with it (age); without it, nobody opens it again.`,
  run: async (args) => opening('cli/archive.ts', 'backup', args),
}

/** `restore`: the record of a backup in place of what is there. */
export const restore: Verb = {
  summary: 'puts the record of a backup in a data folder, in place of what is there',
  help: `FILE [--data FOLDER]

  FILE    A backup. A locked one asks for its passphrase, or takes it from OAK_PINCH_PASSPHRASE.
  ${FOLDER}
  What was there is backed up first; where it cannot be opened it is put aside in the folder. The restored record is
  read back and held against the backup before anything is replaced.`,
  run: async (args) => opening('cli/archive.ts', 'restore', args),
}

/** `password`: for who cannot sign in any more. */
export const password: Verb = {
  summary: 'sets the password of somebody who forgot theirs',
  help: `NAME [--data FOLDER]

  NAME    The name that they sign in with.
  ${FOLDER}
  Asks for the new password, or takes it from OAK_PINCH_PASSWORD. Every device of theirs is signed out.`,
  run: async (args) => opening('cli/archive.ts', 'password', args),
}

import { randomUUID } from 'node:crypto'
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { eraseClient, finishErasures } from '../../server/clients/erasures'
import { openDatabase, type Database } from '../../server/database/driver'
import { ensureGym } from '../../server/equipment/commands'
import { writePhoto } from '../../server/files/photos'
import { ensureTemplate, fromTemplate } from '../support/template'
import { migrations } from './support/global'

const scratch = mkdtempSync(join(tmpdir(), 'oak-pinch-erasing-'))
beforeAll(ensureTemplate)
afterAll(() => rmSync(scratch, { recursive: true, force: true }))

/** Which of the words stand in any file of a folder, with the file. */
function found(folder: string, words: readonly string[]): string[] {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .flatMap((entry) => {
      const path = join(entry.parentPath, entry.name)
      const bytes = readFileSync(path)
      return words
        .filter((word) => bytes.includes(word) || bytes.includes(Buffer.from(word, 'utf16le')))
        .map((word) => `${path.slice(folder.length)}: ${word}`)
    })
}

const WORDS = ['Erwin Erasable', 'a scar under the left knee', 'ran the Larkmoor relay', 'Larkmoor']
const PICTURE = Buffer.from('a picture of Erwin Erasable')

/** A folder in which a client stands everywhere that a client can, beside another whose history names them. */
async function clubWith(folder: string) {
  process.env.OAK_PINCH_DATA = folder
  const open = await openDatabase(folder, migrations, { create: fromTemplate })
  await ensureGym(open.db)
  const [client, other, checkIn, photo] = [1, 2, 3, 4].map(() => randomUUID()) as string[]
  const run = (text: string, values: unknown[]) => open.engine.query(text, values)
  for (const [id, name] of [
    [client, 'Erwin Erasable'],
    [other, 'Stays Starling'],
  ])
    await run(
      `insert into clients (id, name, sex, birth_date, cadence_days) values ($1, $2, 'male', '1990-02-03', 28)`,
      [id, name],
    )
  for (let i = 0; i < 40; i++)
    await run(
      `insert into client_notes (id, client_id, date, kind, words) values ($1, $2, '2026-05-04', 'other', $3)`,
      [randomUUID(), client, 'ran the Larkmoor relay'],
    )
  await run(
    `insert into site_notes (id, client_id, site, standard, text, side) values ($1, $2, 'thigh', 'us', $3, 'right')`,
    [randomUUID(), client, 'a scar under the left knee'],
  )
  await run(
    `insert into check_ins (id, client_id, tester_id, protocol_id, conversion, measured_on, started_at)
     select $1, $2, id, 'seven-fold', 'siri', '2026-05-04', now() from people limit 1`,
    [checkIn, other],
  )
  for (const [of, reason] of [
    [client, 'was for the Larkmoor runner'],
    [other, 'was for the Larkmoor runner'],
  ])
    await run(
      `insert into audit_log (actor, subject, client_id, check_in_id, field, old, new, reason)
       values ('this computer', 'check-in', $1, $2, 'client', '"a"', '"b"', $3)`,
      [of, checkIn, reason],
    )
  await run(
    `insert into client_notes (id, client_id, date, kind, words) values ($1, $2, '2026-05-04', 'other', $3)`,
    [randomUUID(), other, 'trains with erwin  Erasable on Mondays'],
  )
  // Measured in a study, where people are written down by hand.
  await run(
    `insert into studies (id, tester_id, standard, sites, subjects, measured_order, begun_on)
     select $1, id, 'us', '["thigh"]', $2, '[0, 1]', '2026-05-04' from people limit 1`,
    [randomUUID(), JSON.stringify(['Erwin Erasable', 'Stays Starling'])],
  )
  await writePhoto(open.db, photo!, PICTURE)
  await run(
    `insert into photos (id, client_id, view, taken_on, type, width, height) values ($1, $2, 'front', '2026-05-04', 'image/png', 1, 1)`,
    [photo, client],
  )
  await open.analyze()
  await open.checkpoint()
  return { ...open, client: client!, other: other!, photo: photo! }
}

test('nothing of who was deleted for good can be read in the folder any more', async () => {
  const folder = join(scratch, 'one')
  const { db, engine, client, other, close } = await clubWith(folder)
  await eraseClient(db, client, 'erwin erasable')
  const { rows } = await engine.query<{ words: string }>(
    'select words from client_notes where client_id = $1',
    [other],
  )
  expect(rows).toEqual([{ words: 'trains with (…) on Mondays' }])
  const { rows: reasons } = await engine.query('select reason from audit_log')
  expect(reasons).toEqual([{ reason: '(…)' }])
  const { rows: studied } = await engine.query('select subjects from studies')
  expect(studied).toEqual([{ subjects: ['(…)', 'Stays Starling'] }])
  // Before the stop as well: the log that held them is gone.
  expect(found(folder, WORDS)).toEqual([])
  await close()
  expect(found(folder, WORDS)).toEqual([])
  expect(readdirSync(join(folder, 'photos'))).toEqual([])
})

test('without that it could be: the words are in the folder before', async () => {
  const folder = join(scratch, 'before')
  const { close } = await clubWith(folder)
  await close()
  expect(new Set(found(folder, WORDS).map((line) => line.split(': ')[1]))).toEqual(new Set(WORDS))
})

test('a stop in the midst of it is finished by the next start', async () => {
  const folder = join(scratch, 'stopped')
  const { db, client, close } = await clubWith(folder)
  // The rows are gone and noted; the stop comes before anything else is done.
  const stopped = eraseClient(brokenAfterDeletion(db), client, 'Erwin Erasable')
  await expect(stopped).rejects.toThrow('stopped')
  await close()
  expect(found(folder, WORDS).length).toBeGreaterThan(0)
  const next = await openDatabase(folder, migrations)
  await finishErasures(next.db)
  await next.close()
  expect(found(folder, WORDS)).toEqual([])
  expect(readdirSync(join(folder, 'photos'))).toEqual([])
})

/** A database that stops when it is asked for something after the transaction. */
function brokenAfterDeletion(db: Database): Database {
  let deleted = false
  return new Proxy(db, {
    get(of, name) {
      if (deleted) throw new Error('stopped')
      const value = Reflect.get(of, name) as unknown
      if (name !== 'transaction') return typeof value === 'function' ? value.bind(of) : value
      return async (work: never) => {
        await of.transaction(work)
        deleted = true
      }
    },
  })
}

test('what a restore has put aside goes with it', async () => {
  const folder = join(scratch, 'aside')
  const { db, client, close } = await clubWith(folder)
  const aside = join(folder, 'aside-20260101T000000000Z')
  mkdirSync(aside)
  writeFileSync(join(aside, 'old'), 'Erwin Erasable')
  await eraseClient(db, client, 'Erwin Erasable')
  await close()
  expect(existsSync(aside)).toBe(false)
})

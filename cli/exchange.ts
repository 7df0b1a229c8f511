/**
 * `import` and `export`: records of others into a data folder, and those of a data folder out of it, while no server has
 * the folder. Run from its sources, since the database engine cannot be bundled.
 */
import { createHash, randomUUID } from 'node:crypto'
import { readFileSync, statSync } from 'node:fs'
import { basename, extname, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { isoDateOf, roundingOf, type LeftOut } from '../core/index'
import { wordsOfMaking } from '../shared/exchange/of-file'
import { readFile } from '../shared/exchange/read-file'
import { recordsIn, type RecordsIn } from '../shared/exchange/records-in'
import { LIMITS, refusedFile } from '../shared/exchange/workbook'
import { countsOf } from '../shared/exchange/coming'
import { isAmerican, usualOrder } from '../shared/exchange/usual'
import { say } from '../core/say'
import type { ImportCounts } from '../shared/contract/imports'
import { tell } from '../shared/words/tell'
import type { Voice } from '../shared/words/voice'
import { shippedVoice, voiceOf } from '../shared/words/voices'
import { create, dataFolder, hasRecord, migrations, wordsOf } from './data-folder'
import { makeBackup } from '../server/archive/backups'
import { openDatabase, type Database, type OpenDatabase } from '../server/database/driver'
import { bringIn, type LeftHere } from '../server/exchange/bring'
import { listKnown } from '../server/exchange/known'
import { writeRecord, ENDINGS } from '../server/exchange/formats'
import { writeWhole } from '../server/files/write-whole'

const { positionals, values } = parseArgs({
  args: process.argv.slice(3),
  allowPositionals: true,
  options: {
    data: { type: 'string' },
    'dry-run': { type: 'boolean', default: false },
    locale: { type: 'string', default: 'en-US' },
    json: { type: 'boolean', default: false },
    client: { type: 'string' },
  },
})
const [file, ...more] = positionals
if (file === undefined || more.length > 0)
  throw new Error('File: one is needed. VERB --help says what a verb takes.')
const folder = dataFolder(values.data)
const isThere = hasRecord(folder)

const usualOf = (locale: string) => ({
  ...(isAmerican(locale)
    ? { length: 'in' as const, mass: 'lb' as const }
    : { length: 'cm' as const, mass: 'kg' as const }),
  order: usualOrder(locale),
})

const voice: Voice = values.locale === 'en-GB' ? voiceOf('en-GB') : shippedVoice()

/** A dry run ends like this, so that its transaction keeps nothing. */
class DryRun extends Error {
  constructor(
    readonly counts: ImportCounts,
    readonly left: readonly LeftHere[],
  ) {
    super('dry run')
  }
}

async function importFile(path: string): Promise<void> {
  const { size } = statSync(path)
  if (size > LIMITS.fileBytes)
    throw refusedFile(say('exchange.fileTooLarge', { most: LIMITS.fileBytes / 1e6 }))
  const bytes = readFileSync(path)
  const dry = values['dry-run']
  const opened =
    !dry || isThere ? await openDatabase(folder, migrations, { create, mayBegin: !dry }) : undefined
  try {
    const read = recordsIn(
      await readFile(bytes),
      {
        today: isoDateOf(new Date()),
        fileName: basename(path, extname(path)),
        usual: usualOf(values.locale),
        ...(opened ? await listKnown(opened.db) : { known: [], testers: [] }),
      },
      { columns: {}, answers: {} },
      {
        newId: randomUUID,
        noonOf: (day) => new Date(`${day}T12:00`).toISOString(),
        words: wordsOfMaking((words) => tell(words, voice)),
      },
    )
    const sha256 = createHash('sha256').update(bytes).digest('hex')
    const { counts, left } = opened
      ? await bring(opened, read, { name: basename(path), sha256, dry })
      : { counts: countsOf(read.lines), left: [] }
    const report = reportOf(read, counts, left)
    process.stdout.write(
      values.json ? `${JSON.stringify(report, null, 2)}\n` : wordsOfReport(report, dry),
    )
  } finally {
    await opened?.close()
  }
}

async function bring(
  { db }: OpenDatabase,
  { gym, lines, left }: RecordsIn,
  { name, sha256, dry }: { name: string; sha256: string; dry: boolean },
): Promise<{ counts: ImportCounts; left: readonly LeftHere[] }> {
  if (!dry && isThere) await makeBackup(db, folder, 'import')
  const here: LeftHere[] = []
  const take = (on: Database) =>
    bringIn(on, lines, {
      head: { id: randomUUID(), fileName: name, sha256, clients: lines.length, gym },
      left: left.map(({ reason, ...place }) => ({ ...place, reason: tell(reason, voice) })),
      told: (reason) => tell(reason, voice),
      actor: 'command line',
      hear: (one) => here.push(one),
    })
  if (!dry) return { counts: await take(db), left: here }
  try {
    await db.transaction(async (tx) => {
      throw new DryRun(await take(tx as unknown as Database), here)
    })
  } catch (error) {
    if (error instanceof DryRun) return error
    throw error
  }
  throw new Error('a dry run that kept something')
}

function reportOf(
  { lines, questions, equations, left, sheets }: RecordsIn,
  counts: ImportCounts,
  here: readonly LeftHere[],
) {
  const told = ({ reason, ...place }: LeftOut | LeftHere) => ({
    ...('column' in place && place.column ? { column: place.column } : {}),
    ...(place.sheet === '' ? {} : { sheet: place.sheet }),
    row: place.row,
    reason: tell(reason, voice),
  })
  const all = [...left, ...here].map(told)
  return {
    ...counts,
    people: lines.map(({ client, into }) => ({ name: client.name, isNew: into === null })),
    /** Rows that were left out as a whole, and values of rows that were not. */
    skipped: all.filter(({ column }) => column === undefined),
    values: all.filter(({ column }) => column !== undefined),
    questions: questions.map(({ id, about, options, usual }) => ({
      ...{ id, question: tell(about, voice), default: usual },
      options: options.map(({ value, name }) => ({ value, name: tell(name, voice) })),
    })),
    equations: equations.map((one) => {
      const rowOf = (at: number) => one.places.get(at)!.row
      return {
        ...{ id: one.id, conversion: one.conversion, rounding: roundingOf(one) },
        ...{ agree: one.agree.length, of: one.agree.length + one.disagree.length },
        disagree: one.disagree.map(({ at }) => rowOf(at)).sort((a, b) => a - b),
        remarks: one.disagree.flatMap(({ at, looksLike }) =>
          looksLike ? [{ row: rowOf(at), words: tell(looksLike, voice) }] : [],
        ),
      }
    }),
    sheets: sheets.map(({ sheet, layout, standard, order, columns }) => ({
      ...{ sheet, layout, standard, order },
      columns: columns.map(({ place, heading, meaning, unit, unitFrom }) => ({
        ...{ place, heading, unit, unitFrom },
        meaning: 'site' in meaning ? `${meaning.is} ${meaning.site} ${meaning.trial}` : meaning.is,
      })),
    })),
  }
}

function wordsOfReport(report: ReturnType<typeof reportOf>, dry: boolean): string {
  const {
    clients,
    checkIns,
    readings,
    weighIns,
    skipped,
    values: odd,
    questions,
    equations,
  } = report
  const at = ({ sheet, row, column, reason }: (typeof skipped)[number]) =>
    `${sheet ? `${sheet}, ` : ''}row ${row}${column ? `, ${column}` : ''}: ${reason}`
  return [
    `${dry ? 'Would bring in' : 'Brought in'} ${clients} new clients, ${checkIns} check-ins, ${readings} readings, ${weighIns} body masses.`,
    ...equations.map(
      ({ id, conversion, rounding, agree, of, remarks }) =>
        `${agree} of ${of} figures are ${id}, ${conversion}, rounded to ${rounding}.${remarks.map(({ row, words }) => ` Row ${row} ${words}.`).join('')}`,
    ),
    ...(skipped.length + odd.length > 0 ? ['Left out:', ...skipped.map(at), ...odd.map(at)] : []),
    ...questions.map(({ question, default: usual, options }) => {
      const name = options.find(({ value }) => value === usual)?.name ?? usual
      return `${question} Taken: ${name}.`
    }),
    '',
  ].join('\n')
}

async function exportFile(path: string): Promise<void> {
  const ending = ENDINGS.find((one) => path.endsWith(one))
  if (!ending)
    throw new Error(
      `File: got "${basename(path)}". Accepted: a name that ends in ${ENDINGS.join(', ')}.`,
    )
  const { db, close } = await openDatabase(folder, migrations, { create, mayBegin: false })
  try {
    const parts = await writeRecord(db, ending, { client: values.client, voice, at: new Date() })
    const bytes = await writeWhole(resolve(path), parts)
    process.stderr.write(`Wrote ${path} (${(bytes / 1e6).toFixed(1)} MB).\n`)
  } finally {
    await close()
  }
}

try {
  await (process.argv[2] === 'import' ? importFile(resolve(file)) : exportFile(file))
} catch (error) {
  process.stderr.write(`${wordsOf(error, voice)}\n`)
  process.exitCode = 2
}

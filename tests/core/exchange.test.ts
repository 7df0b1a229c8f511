import { randomUUID } from 'node:crypto'
import { randomLcg } from 'd3-random'
import { expect, test } from 'vitest'
import {
  addDays,
  PROTOCOLS,
  standardWithin,
  type SiteId,
  kindOfSite,
  type ReadingKind,
} from '#core'
import { sitesOf } from '../../core/protocols/registry'
import {
  EXCHANGE_FORMAT,
  EXCHANGE_VERSION,
  exchangeSchema,
  type Exchange,
} from '#shared/contract/exchange'
import { namingBy } from '../../shared/exchange/column-words'
import { bundleOf } from '../../shared/exchange/fhir-out'
import { readFile } from '../../shared/exchange/read-file'
import { recordsIn } from '../../shared/exchange/records-in'
import { csvOf, workbookOf } from '../../shared/exchange/out-sheet'
import { longSheet, wideSheet } from '../../shared/exchange/sheets-out'
import { LIMITS, sheetsOfWorkbook } from '../../shared/exchange/workbook'
import excel from 'exceljs'
import { strToU8, zipSync } from 'fflate'
import { refusalOf, tell } from '../support/words'
import { limitsOf } from '../../core/anatomy/limits'

/*
 * Generated records out and in again: what a format carries comes back reading by reading. And files that are no records.
 */

const TODAY = '2026-11-28'
const TESTER = randomUUID()
const CALIPER = randomUUID()

/** Names as people have them, and as they should not be worked out by a spreadsheet. */
const NAMES = [
  'Ann O’Neill',
  '=cmd|calc',
  'Żaneta, the first',
  '+1 Bo',
  'Cy "Ace" Doe',
  '@home',
  'Dee; Dum',
  '-Eve',
]

function generated(count: number): Exchange {
  const next = randomLcg(0.42)
  const pick = <T>(of: readonly T[]): T => of[Math.floor(next() * of.length)]!
  const clients = Array.from({ length: count }, (_, i) => {
    const sex = pick(['male', 'female'] as const)
    const born = pick(['day', 'year', 'nothing'] as const)
    const protocol = pick(PROTOCOLS)
    const sites = sitesOf(protocol, sex)
    const checkIns = Array.from({ length: Math.floor(next() * 4) }, (_, k) => {
      const measuredOn = addDays('2025-01-01', k * 30 + Math.floor(next() * 20))
      const takenAt = `${measuredOn}T09:30:00.000Z`
      const reading = (kind: ReadingKind, site: SiteId | null, trial: number, value: number) => ({
        ...{
          id: randomUUID(),
          kind,
          site,
          trial,
          value,
          technique: null,
          takenAt,
          supersedes: null,
        },
        standard: kind === 'skinfold' ? standardWithin(site!, protocol.standard) : null,
        typedUnit: kind === 'skinfold' ? 'mm' : kind === 'mass' ? 'kg' : 'cm',
        ...{
          typedText: String(value),
          tester: TESTER,
          instrument: kind === 'skinfold' ? CALIPER : null,
          source: null,
        },
      })
      const readings = sites.flatMap((site) => {
        const { hardLow, softHighMale } = limitsOf(site)
        const within = (softHighMale - hardLow) / 8
        const about = hardLow + within + next() * (softHighMale - hardLow - 2 * within)
        return Array.from({ length: 1 + Math.floor(next() * 3) }, (_, trial) =>
          reading(kindOfSite(site), site, trial + 1, Math.round((about + trial * 0.1) * 10) / 10),
        )
      })
      if (next() > 0.2)
        readings.push(reading('mass', null, 1, Math.round((55 + next() * 50) * 100) / 100))
      return {
        ...{
          id: randomUUID(),
          measuredOn,
          startedAt: takenAt,
          closedAt: takenAt,
          tester: TESTER,
          caliper: CALIPER,
        },
        ...{ protocol: protocol.id, conversion: pick(['siri', 'brozek'] as const), readings },
      }
    })
    return {
      ...{ id: randomUUID(), name: `${pick(NAMES)} ${i}`, sex, checkIns },
      birthDate: born === 'day' ? addDays('1960-01-01', Math.floor(next() * 14_000)) : null,
      birthYear: born === 'year' ? 1960 + Math.floor(next() * 40) : null,
      weighIns: Array.from({ length: Math.floor(next() * 5) }, (_, k) => {
        const kg = Math.round((55 + next() * 50) * 10) / 10
        const date = addDays('2025-06-01', k * 7)
        return { id: randomUUID(), date, kg, typedUnit: 'kg', typedText: String(kg) }
      }),
    }
  })
  return exchangeSchema.parse({
    ...{ format: EXCHANGE_FORMAT, version: EXCHANGE_VERSION, exportedAt: `${TODAY}T00:00:00Z` },
    people: [{ id: TESTER, name: 'Fenna Dray' }],
    instruments: [{ id: CALIPER, kind: 'caliper', name: 'Blue', graduation: 0.5 }],
    clients,
  })
}

const record = generated(200)
const naming = namingBy(tell)

/** What came of a file: each client's readings and body masses in short, by name. */
async function inAgain(bytes: Uint8Array) {
  const { lines, left } = recordsIn(
    await readFile(bytes),
    {
      ...{ today: TODAY, fileName: 'records', known: [], testers: [] },
      usual: { length: 'cm', mass: 'kg', order: 'day' },
    },
    { columns: {}, answers: {} },
    {
      newId: randomUUID,
      noonOf: (day) => `${day}T12:00:00.000Z`,
      words: { untoldTester: '?', phase: '?' },
    },
  )
  return { clients: lines.map(({ client }) => client), left }
}

const short = (clients: Exchange['clients']) =>
  clients
    .map(({ name, sex, birthDate, birthYear, checkIns, weighIns }) => ({
      ...{ name, sex, birthDate, birthYear },
      checkIns: checkIns.map(({ measuredOn, protocol, conversion, readings }) => ({
        ...{ measuredOn, protocol, conversion },
        readings: readings
          .map(({ kind, site, standard, trial, value }) =>
            [kind, site, standard, trial, value].join(' '),
          )
          .sort(),
      })),
      weighIns: weighIns.map(({ date, kg }) => `${date} ${kg}`).sort(),
    }))
    .sort((a, b) => (a.name < b.name ? -1 : 1))

const text = (of: string) => new TextEncoder().encode(of)
/** A row of a sheet is of a client who was measured or weighed. */
const measured = record.clients.filter(
  ({ checkIns, weighIns }) => checkIns.length + weighIns.length > 0,
)

test.each([
  ['JSON', () => text(JSON.stringify(record)), record.clients],
  [
    'FHIR',
    () =>
      text(
        JSON.stringify(
          bundleOf(record, {
            at: record.exportedAt,
            told: tell,
            newId: randomUUID,
            workedOut: () => undefined,
          }),
        ),
      ),
    record.clients,
  ],
  ['a row a check-in', () => text(csvOf(wideSheet(record, naming))), measured],
  ['a row a reading', () => text(csvOf(longSheet(record, naming))), measured],
  ['a workbook', () => workbookOf([wideSheet(record, naming)]), measured],
] as [string, () => Uint8Array | Promise<Uint8Array>, Exchange['clients']][])(
  '200 records as %s give the same readings',
  async (_, write, expected) => {
    const { clients, left } = await inAgain(await write())
    expect(left).toEqual([])
    expect(short(clients)).toEqual(short(expected))
  },
)

test('no cell begins with what a spreadsheet works out', async () => {
  const csv = csvOf(wideSheet(record, naming))
  expect(csv).not.toMatch(/(?:^|[\n,]"?)[=+@]/)
  const book = new excel.Workbook()
  await book.xlsx.load((await workbookOf([wideSheet(record, naming)])).buffer as ArrayBuffer)
  const texts: string[] = []
  book.worksheets[0]!.eachRow((row) =>
    row.eachCell(({ value }) => void (typeof value === 'string' && texts.push(value))),
  )
  expect(texts.length).toBeGreaterThan(1000)
  expect(texts.filter((cell) => /^[=+@-]/.test(cell))).toEqual([])
})

/** A workbook's parts, packed. */
const packed = (files: Record<string, string>) =>
  zipSync(Object.fromEntries(Object.entries(files).map(([name, of]) => [name, strToU8(of)])))

test.each([
  ['nothing', () => new Uint8Array(), 'an empty file'],
  ['a web page', () => text('<!DOCTYPE html><table></table>'), 'a web page'],
  ['a PDF', () => text('%PDF-1.7'), 'a PDF'],
  ['an old workbook', () => new Uint8Array([0xd0, 0xcf, 0x11, 0xe0, 0]), '.xls'],
  ['another archive', () => packed({ 'a.txt': 'x' }), 'no workbook'],
  ['a damaged workbook', () => packed({ 'xl/workbook.xml': '<nonsense' }), 'damaged'],
  [
    'entities that grow',
    () => packed({ 'xl/workbook.xml': '<!DOCTYPE x [<!ENTITY a "aaaa">]><workbook/>' }),
    'damaged',
  ],
  ['a million columns', () => text(`${'a,'.repeat(1_000_000)}\n`), 'more columns'],
  ['bytes that are no text', () => new Uint8Array(100), 'no text'],
  ['JSON of others', () => text('{"a":1}'), 'neither ours nor'],
  ['JSON that is cut short', () => text('{"format":"oak'), 'damaged'],
])('%s is refused in words', async (_, bytes, words) => {
  let said: string | undefined
  try {
    await inAgain(bytes())
  } catch (error) {
    said = refusalOf(() => {
      throw error
    })
  }
  expect(said).toContain(words)
})

test('what unpacks to far more than it is, or has more cells than anybody fills, is refused before it is in memory', async () => {
  const sheet = (text: string) =>
    packed({ 'xl/workbook.xml': '<workbook/>', 'xl/worksheets/sheet1.xml': text })
  const bomb = sheet(' '.repeat(8e6))
  expect(bomb.length).toBeLessThan(10_000)
  const said = (of: Promise<unknown>) =>
    of.then(
      () => undefined,
      (error) =>
        refusalOf(() => {
          throw error
        }),
    )
  expect(await said(sheetsOfWorkbook(bomb, { ...LIMITS, unpackedBytes: 1e6 }))).toContain('unpacks')
  const cells = sheet('<c r="A1"/>'.repeat(200_000))
  expect(await said(sheetsOfWorkbook(cells, { ...LIMITS, cells: 1e5 }))).toContain('more cells')
})

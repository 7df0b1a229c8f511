/**
 * `npm run bench -- batch`: 100,000 rows of seven folds, by the estimate command, by a bare loop of the same arithmetic
 * with the same CSV reading and writing, and by LibreOffice Calc recalculating the same formulas. One run, ratios.
 */
import { saidOf } from '../cli/said-row'
import { spawnSync } from 'node:child_process'
import { createReadStream, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { randomLcg, randomUniform } from 'd3-random'
import Papa from 'papaparse'
import { BATCH_COLUMNS, batchReader, csvLines, READ_ROWS, SEVEN_FOLDS } from '../core/index'

const ROWS = 100_000
const SEXES = ['male', 'female']

/** c0, c1, c2, c3 and standard error of the seven-fold equation: men, women. */
const MEN = [1.112, 0.00043499, 0.00000055, 0.00028826, 0.0078] as const
const WOMEN = [1.097, 0.00046971, 0.00000056, 0.00012828, 0.008] as const

const CHUNK = 1 << 20
const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-bench-'))
const sheet = join(folder, 'sheets.csv')

function makeSheet() {
  const uniform = randomUniform.source(randomLcg(0.5))
  const fold = uniform(16, 80)
  const age = uniform(18, 55)
  const mass = uniform(50, 100)
  const lines = Array.from({ length: ROWS }, (_, i) => {
    const folds = SEVEN_FOLDS.map(() => (Math.round(fold()) / 2).toFixed(1))
    return [
      `p${i}`,
      SEXES[i % 2],
      Math.floor(age()),
      mass().toFixed(1),
      'jackson-pollock-7',
      ...folds,
    ].join(',')
  })
  const header = [
    'id',
    'sex',
    'age_years',
    'mass_kg',
    'equation',
    ...SEVEN_FOLDS.map((s) => `${s}_mm`),
  ]
  writeFileSync(sheet, `${header.join(',')}\n${lines.join('\n')}\n`)
}

type Reader = (cells: string[]) => Record<string, string | number>[]

/** Reads the sheet in chunks and writes what `by` makes of each row. */
async function through(by: (header: string[]) => Reader, out: string) {
  const parts: string[] = []
  let read: Reader | undefined
  await new Promise<void>((resolve, reject) => {
    Papa.parse<string[]>(createReadStream(sheet, { highWaterMark: CHUNK }), {
      ...READ_ROWS,
      chunkSize: CHUNK,
      chunk({ data }) {
        read ??= by(data.shift()!)
        parts.push(csvLines(BATCH_COLUMNS, data.flatMap(read)))
      },
      complete: () => resolve(),
      error: reject,
    })
  })
  writeFileSync(out, parts.join(''))
}

/** The same arithmetic with nothing around it: no checks, no words, no registry. Columns are known by their place. */
function bare(): Reader {
  return (cells) => {
    let sum = 0
    for (let i = 5; i < 12; i++) sum += Number(cells[i])
    const [c0, c1, c2, c3, error] = cells[1] === 'male' ? MEN : WOMEN
    const density = c0 - c1 * sum + c2 * sum * sum - c3 * Number(cells[2])
    const fat = 495 / density - 450
    const mass = Number(cells[3])
    const fatMass = (mass * fat) / 100
    return [
      {
        id: cells[0]!,
        equation: cells[4]!,
        conversion: 'siri',
        sum_mm: sum,
        density,
        fat_percent: fat,
        standard_error: (495 / density ** 2) * error,
        fat_mass_kg: fatMass,
        lean_mass_kg: mass - fatMass,
        warnings: '',
        error: '',
      },
    ]
  }
}

/** The same rows, columns and formulas as a flat spreadsheet; loading it makes Calc compute every formula. */
function makeSpreadsheet(path: string) {
  const rows = readFileSync(sheet, 'utf8').trim().split('\n').slice(1)
  const cell = (value: string) =>
    `<table:table-cell office:value-type="float" office:value="${value}"/>`
  const words = (text: string) =>
    `<table:table-cell office:value-type="string"><text:p>${text}</text:p></table:table-cell>`
  const formula = (text: string) =>
    `<table:table-cell table:formula="of:=${text}" office:value-type="float"/>`
  const lines = rows.map((line, i) => {
    const [id, sex, age, mass, equation, ...folds] = line.split(',')
    const n = i + 1
    const bySex = (of: (c: readonly number[]) => string) =>
      `IF([.B${n}]=&quot;male&quot;;${of(MEN)};${of(WOMEN)})`
    const formulas = [
      `SUM([.F${n}:.L${n}])`,
      bySex((c) => `${c[0]}-${c[1]}*[.M${n}]+${c[2]!.toFixed(8)}*[.M${n}]^2-${c[3]}*[.C${n}]`),
      `495/[.N${n}]-450`,
      `495/[.N${n}]^2*${bySex((c) => String(c[4]))}`,
      `[.D${n}]*[.O${n}]/100`,
      `[.D${n}]-[.Q${n}]`,
    ].map(formula)
    return `<table:table-row>${words(id!)}${words(sex!)}${cell(age!)}${cell(mass!)}${words(equation!)}${folds.map(cell).join('')}${formulas.join('')}${words('siri')}</table:table-row>`
  })
  const space = (name: string) =>
    `xmlns:${name}="urn:oasis:names:tc:opendocument:xmlns:${name}:1.0"`
  writeFileSync(
    path,
    `<?xml version="1.0" encoding="UTF-8"?><office:document ${['office', 'table', 'text'].map(space).join(' ')} xmlns:of="urn:oasis:names:tc:opendocument:xmlns:of:1.2" office:version="1.2" office:mimetype="application/vnd.oasis.opendocument.spreadsheet"><office:body><office:spreadsheet><table:table table:name="s">${lines.join('')}</table:table></office:spreadsheet></office:body></office:document>`,
  )
}

async function timed(run: () => unknown): Promise<number> {
  const from = performance.now()
  await run()
  return (performance.now() - from) / 1000
}

function best(times: number[]) {
  return Math.min(...times)
}

/** As the command line does it: every row with its words told. */
function told(header: string[]): Reader {
  const read = batchReader(header)
  return (cells) => read(cells).map(saidOf)
}

function command(name: string, args: string[], out?: string) {
  const done = spawnSync(name, args, { cwd: new URL('..', import.meta.url), maxBuffer: 1 << 30 })
  if (done.status !== 0) throw new Error(`${name} failed: ${done.stderr}`)
  if (out) writeFileSync(out, done.stdout)
}

try {
  makeSheet()
  const paths = { ours: join(folder, 'ours.csv'), bare: join(folder, 'bare.csv') }
  const [ours, plain]: [number[], number[]] = [[], []]
  for (let round = 0; round < 4; round++) {
    ours.push(await timed(() => through(told, paths.ours)))
    plain.push(await timed(() => through(bare, paths.bare)))
  }
  const firstFat = (path: string) =>
    Number(readFileSync(path, 'utf8').split('\r\n')[0]!.split(',')[5])
  if (Math.abs(firstFat(paths.ours) - firstFat(paths.bare)) > 1e-9)
    throw new Error('The two disagree.')

  const spreadsheet = join(folder, 'calc.fods')
  makeSpreadsheet(spreadsheet)
  const [withNpm, alone, calcs]: [number[], number[], number[]] = [[], [], []]
  for (let round = 0; round < 3; round++) {
    const out = join(folder, 'command.csv')
    withNpm.push(await timed(() => command('npm', ['run', '-s', 'estimate', '--', sheet], out)))
    alone.push(await timed(() => command('node', ['scripts/oak.mjs', 'estimate', sheet], out)))
    calcs.push(
      await timed(() =>
        command('soffice', [
          '--headless',
          `-env:UserInstallation=file://${folder}/profile`,
          '--convert-to',
          'csv',
          '--outdir',
          folder,
          spreadsheet,
        ]),
      ),
    )
  }
  const calcFat = Number(
    readFileSync(join(folder, 'calc.csv'), 'utf8').split('\n')[0]!.split(',')[14],
  )
  if (Math.abs(calcFat - firstFat(paths.bare)) > 0.01) throw new Error(`Calc disagrees: ${calcFat}`)

  const say = (what: string, ratio: number, asked: string) =>
    console.log(`${what}: ${ratio.toFixed(2)} times (${asked})`)
  say(
    'estimate against a bare loop, same CSV reading and writing',
    best(ours) / best(plain),
    'at most 2 is asked for',
  )
  say('LibreOffice Calc against the command', best(calcs) / best(alone), 'at least 10 is asked for')
  say(
    'LibreOffice Calc against the command started through npm',
    best(calcs) / best(withNpm),
    'npm itself takes the difference',
  )
  const seconds = { ours, plain, alone, withNpm, calcs }
  console.log(
    Object.entries(seconds)
      .map(([name, times]) => `${name} ${best(times).toFixed(2)} s`)
      .join(', '),
  )
} finally {
  rmSync(folder, { recursive: true, force: true })
}

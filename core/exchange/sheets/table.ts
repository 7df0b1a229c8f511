import { type Cell, saysNothing, type FileSheet, textOf } from './cells'
import { looksLikeDay } from './days'
import { type Heading, isKnown, methodOfFact, readHeading, unitIn } from './headings'

/** How a sheet is laid out: a row a check-in, a row a reading, or sites down and days across. */
export type Layout = 'check-ins' | 'readings' | 'log'

/** One line of a table: a row of the sheet, or a column where days run across. */
export interface Line {
  /** The number of its row or column in the sheet, from 1. */
  at: number
  cells: readonly Cell[]
}

/** A table found in a sheet, turned so that each line is of one day. */
export interface Table {
  sheet: string
  layout: Layout
  /** One a column, as it is read. */
  headings: readonly string[]
  /** Where each column begins in the sheet: the column's number, or the row's where days run across. */
  places: readonly number[]
  lines: readonly Line[]
  /** What stands above the table about a person: `Name: Ann Example`. */
  above: ReadonlyMap<string, Cell>
  /** The first text above the table that says nothing else. */
  title: string
}

/** Headings are looked for so far down. */
const DEEPEST_HEADING = 40
const FEWEST_LABELS = 3

type Grid = readonly (readonly Cell[])[]

const headingsOf = (row: readonly Cell[]): Heading[] =>
  row.map((cell) =>
    typeof cell === 'string' ? readHeading(textOf(cell)) : { trial: 'all', units: [] },
  )

const filled = (row: readonly Cell[] | undefined) =>
  (row ?? []).filter((cell) => cell !== null && textOf(cell) !== '')

/** The row that has most headings in it; the first of those that have as many. */
function headingRow(grid: Grid): { at: number; known: number } {
  let best = { at: -1, known: 0 }
  for (const [at, row] of grid.slice(0, DEEPEST_HEADING).entries()) {
    const known = headingsOf(row).filter(isKnown).length
    if (known > best.known) best = { at, known }
  }
  return best
}

/** Labels of what is measured down one of the first columns, with the row of days above or among them. */
function logSheet(grid: Grid): { column: number; days: number; labels: number } | undefined {
  for (const column of [0, 1, 2]) {
    const labelled = grid.flatMap((row, at) => {
      const cell = row[column]
      const { fact, fold, girth } =
        typeof cell === 'string' ? readHeading(textOf(cell)) : ({} as Partial<Heading>)
      const isMeasure =
        fold ??
        girth ??
        (['mass', 'height', 'fat'].includes(fact ?? '') || methodOfFact(fact) !== undefined)
      return isMeasure ? [at] : []
    })
    if (labelled.length === 0) continue
    const days = grid.findIndex(
      (row, at) => at <= labelled.at(-1)! && row.slice(column + 1).some(looksLikeDay),
    )
    // A row of data has a day too, but none of its cells is the label of a row.
    if (days === -1 || days > labelled[0]! + 1) continue
    return { column, days, labels: labelled.length }
  }
  return undefined
}

/** Headings over two rows: sites over trials, groups over sites, units under names. */
function withNeighbours(grid: Grid, at: number): { headings: string[]; first: number } {
  const row = grid[at]!
  const width = Math.max(...grid.map(({ length }) => length))
  const texts = Array.from({ length: width }, (_, i) => textOf(row[i]))
  const over = grid[at - 1]
  const isGroup = (cell: Cell) => {
    if (typeof cell !== 'string') return false
    const heading = readHeading(textOf(cell))
    return heading.kind !== undefined || isKnown(heading)
  }
  const headings = [...texts]
  if (over && filled(over).length > 1 && filled(over).some(isGroup)) {
    let group = ''
    for (let i = 0; i < width; i++) {
      if (textOf(over[i]) !== '') group = textOf(over[i])
      if (group !== '' && (texts[i] !== '' || textOf(over[i]) !== ''))
        headings[i] = `${group} ${texts[i]}`.trim()
    }
  }
  const under = grid[at + 1]
  const below = filled(under)
  const isUnder = (cell: Cell) => {
    const text = textOf(cell)
    if (unitIn(text)) return true
    if (typeof cell === 'number' && !(Number.isInteger(cell) && cell > 0 && cell < 10)) return false
    const heading = readHeading(`x ${text}`)
    return !isKnown(readHeading(text)) && heading.trial !== 'all'
  }
  if (below.length === 0 || !below.every(isUnder)) return { headings, first: at + 1 }
  let name = ''
  for (let i = 0; i < width; i++) {
    if (texts[i] !== '') name = headings[i]!
    const text = textOf(under![i])
    if (text !== '') headings[i] = `${name} ${unitIn(text) ? `(${text})` : text}`.trim()
  }
  return { headings, first: at + 2 }
}

/** Names what stands above a table: `Name: Ann`, or a label with what it says beside it. */
function aboveOf(grid: Grid): Pick<Table, 'above' | 'title'> {
  const above = new Map<string, Cell>()
  let title = ''
  for (const row of grid) {
    let label = ''
    for (const cell of row) {
      if (cell === null || textOf(cell) === '') continue
      const text = textOf(cell)
      const pair = /^([^:=]{2,30})\s*[:=]\s*(.*)$/.exec(text)
      const fact = readHeading(pair?.[1] ?? text).fact
      if (label !== '') {
        above.set(label, cell)
        label = ''
      } else if (typeof cell === 'string' && pair && fact && pair[2]) above.set(fact, pair[2])
      else if (typeof cell === 'string' && fact) label = fact
      else if (typeof cell === 'string' && title === '') title = text
    }
  }
  return { above, title }
}

const isEmpty = (cells: readonly Cell[]) => cells.every(saysNothing)

/** Turned: rows become columns. */
function turned(grid: Grid, from: number): Cell[][] {
  const width = Math.max(0, ...grid.map(({ length }) => length))
  return Array.from({ length: width - from }, (_, i) => grid.map((row) => row[from + i] ?? null))
}

/**
 * The table of a sheet.
 *
 * @returns undefined where nothing in the sheet is known
 */
export function findTable({ name, rows: grid }: FileSheet): Table | undefined {
  const heading = headingRow(grid)
  const log = logSheet(grid)
  const known = heading.at === -1 ? [] : headingsOf(grid[heading.at]!)
  const has = (fact: Heading['fact']) => known.some((one) => one.fact === fact)
  const isReadings =
    has('site') && (has('value') || known.some(({ fact, units }) => units.length > 0 && !fact))
  if (log && log.labels >= Math.min(FEWEST_LABELS, heading.known + 1) && !isReadings) {
    if (log.labels >= heading.known) return logTable(name, grid, log)
  }
  if (heading.known < 2) return log ? logTable(name, grid, log) : undefined
  const { headings, first } = withNeighbours(grid, heading.at)
  const lines = grid
    .slice(first)
    .map((cells, i): Line => ({ at: first + i + 1, cells }))
    .filter(({ cells }) => !isEmpty(cells))
  return {
    ...{ sheet: name, layout: isReadings ? 'readings' : 'check-ins', headings, lines },
    places: headings.map((_, i) => i + 1),
    ...aboveOf(grid.slice(0, heading.at)),
  }
}

function logTable(
  name: string,
  grid: Grid,
  { column, days }: NonNullable<ReturnType<typeof logSheet>>,
): Table {
  const group = column > 0 ? column - 1 : undefined
  const body = grid.slice(days)
  let over = ''
  const headings = body.map((row, i) => {
    if (i === 0) return 'Date'
    if (group !== undefined && textOf(row[group]) !== '') over = textOf(row[group])
    const label = textOf(row[column])
    // `Skinfolds` on a line of its own is the head of the lines under it.
    if (filled(row).length === 1 && readHeading(label).kind && !isKnown(readHeading(label)))
      over = label
    return `${over} ${label}`.trim()
  })
  const lines = turned(body, column + 1)
    .map((cells, i): Line => ({ at: column + 2 + i, cells }))
    .filter(({ cells }) => !isEmpty(cells))
  return {
    ...{ sheet: name, layout: 'log', headings, lines },
    places: body.map((_, i) => days + i + 1),
    ...aboveOf(grid.slice(0, days)),
  }
}

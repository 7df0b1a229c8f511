import { isSkinfold, LANDMARK_STANDARDS, type LandmarkStandard } from '../../anatomy/ids'
import { LANDMARK_STANDARD_NAMES } from '../../anatomy/landmark-standards'
import { say } from '../../say'
import type { IsoDate } from '../../units/dates'
import type { DateOrder } from '../../units/typed-date'
import { bringPerson } from './bring-person'
import type { BroughtPerson } from './brought'
import { type FileSheet, textOf } from './cells'
import { type Column, type ColumnChoice, hasMeasures, readColumns, type Usual } from './columns'
import { dayOf, orderOf } from './days'
import type { LocatedRow } from './days-of-person'
import { findOldEquations, type OldEquation } from './old-equation'
import { type KnownPerson, KnownPeople, peopleIn } from './people'
import { type Answers, type Question, Questions } from './question'
import { type FileRow, type LeftOut, nameInOrder, type Place, sexOf } from './file-row'
import { readLines } from './read-lines'
import { nameOfSheet } from './sheet-name'
import { siteWithin, standardBySites } from './standard'
import { findTable, type Table } from './table'
import { identified } from './who'
import { shownDigits, workedRow } from './worked-rows'

/** What a file is read beside. */
export interface Around {
  today: IsoDate
  /** The file's name without its ending. */
  fileName: string
  usual: Usual & { order: DateOrder }
  known: readonly KnownPerson[]
  /** Who measures here. */
  testers: readonly { id: string; name: string }[]
}

/** What somebody chose, in place of what was understood. */
export interface Choices {
  /** By sheet and column: see `columnKey`. */
  columns: Readonly<Record<string, ColumnChoice>>
  answers: Answers
}

export const columnKey = (sheet: string, index: number) => `${sheet}!${index}`

/** A table of the file with what was understood of it. */
export interface ReadSheet {
  sheet: string
  layout: Table['layout']
  lines: number
  columns: Column[]
  standard: LandmarkStandard
  order: DateOrder
}

/** A file, understood. */
export interface Understood {
  sheets: ReadSheet[]
  people: BroughtPerson[]
  left: LeftOut[]
  questions: Question[]
  /** By which the old sheet was worked out; rows by their place. */
  equations: (OldEquation & { places: Map<number, Place> })[]
  /** The tester of what names none: an id, or null for one who is not on record. */
  tester: string | null
}

const STANDARD_OPTIONS = LANDMARK_STANDARDS.map((value) => ({
  value,
  name: LANDMARK_STANDARD_NAMES[value],
}))
const ORDER_OPTIONS = [
  { value: 'day', name: say('exchange.dayFirst') },
  { value: 'month', name: say('exchange.monthFirst') },
]

class Understanding {
  readonly questions: Questions
  readonly left: LeftOut[] = []
  readonly sheets: ReadSheet[] = []

  constructor(
    private readonly around: Around,
    private readonly choices: Choices,
  ) {
    this.questions = new Questions(choices.answers)
  }

  /** Every row of every table of the file. */
  rowsOf(file: readonly FileSheet[]): LocatedRow[] {
    return file.flatMap((sheet) => {
      if (sheet.rows.every((row) => row.every((cell) => textOf(cell) === ''))) return []
      const table = findTable(sheet)
      if (!table) return []
      const columns = this.columnsOf(table)
      // A sheet of another subject says nothing of it, where others do.
      if (!hasMeasures(columns)) return []
      const order = this.order(table, columns, 'date')
      const read = readLines(table, columns, {
        order,
        birthOrder: this.order(table, columns, 'birth-date', order),
        today: this.around.today,
      })
      this.left.push(...read.left)
      this.factsAbove(table, read.rows, columns, order)
      const standard = this.standardOf(table, read.rows)
      this.sheets.push({
        ...{ sheet: table.sheet, layout: table.layout, lines: table.lines.length },
        ...{ columns, standard, order },
      })
      return this.located(table, columns, read.rows, standard)
    })
  }

  private columnsOf(table: Table): Column[] {
    const chosen = new Map<number, ColumnChoice>()
    for (const index of table.headings.keys()) {
      const choice = this.choices.columns[columnKey(table.sheet, index)]
      if (choice) chosen.set(index, choice)
    }
    let columns = readColumns(table, this.around.usual, chosen)
    let asked = false
    for (const column of columns) {
      const key = columnKey(table.sheet, column.index)
      if (column.unitIsOpen && column.unit) {
        const both = column.meaning.is === 'mass' ? ['kg', 'lb'] : ['cm', 'in']
        const unit = this.questions.ask({
          id: `unit:${key}`,
          about: say('exchange.askUnit', { heading: column.heading, example: column.example }),
          options: both.map((value) => ({ value, name: value })),
          usual: column.unit,
        })
        if (unit !== column.unit) {
          chosen.set(column.index, { ...chosen.get(column.index), unit: unit as 'kg' })
          asked = true
        }
      }
      if (
        column.meaning.is === 'unknown' &&
        column.heading !== '' &&
        column.example !== '' &&
        !chosen.has(column.index)
      ) {
        const answer = this.questions.ask({
          id: `column:${key}`,
          about: say('exchange.askColumn', { heading: column.heading, example: column.example }),
          options: [
            { value: 'leave', name: say('exchange.leaveOut') },
            { value: 'note', name: say('exchange.asNote') },
          ],
          usual: 'leave',
        })
        if (answer === 'note') {
          chosen.set(column.index, { meaning: { is: 'note' } })
          asked = true
        }
      }
    }
    if (asked) columns = readColumns(table, this.around.usual, chosen)
    return columns
  }

  /** How a column of days writes them; asked where all of it leaves that open. */
  private order(
    table: Table,
    columns: readonly Column[],
    fact: 'date' | 'birth-date',
    like?: DateOrder,
  ): DateOrder {
    const column = columns.find(({ meaning: { is } }) => is === fact)
    const usual = like ?? this.around.usual.order
    if (!column) return usual
    const cells = table.lines.map(({ cells: of }) => of[column.index] ?? null)
    const { order, isOpen } = orderOf(cells, this.around.today, usual)
    if (!isOpen || like) return isOpen ? usual : order
    return this.questions.ask({
      id: `order:${table.sheet}`,
      about: say('exchange.askOrder', { heading: column.heading, example: column.example }),
      options: ORDER_OPTIONS,
      usual: order,
    }) as DateOrder
  }

  /** What stands above a table is of everybody in it: a log sheet's name, birth date, sex and height. */
  private factsAbove(
    table: Table,
    rows: FileRow[],
    columns: readonly Column[],
    order: DateOrder,
  ): void {
    const { above, title } = table
    const { today } = this.around
    const sex = sexOf(textOf(above.get('sex')))
    const birthDate = dayOf(above.get('birth-date'), today, order)
    const named = columns.some(
      ({ meaning: { is } }) =>
        is === 'client' || is === 'client-id' || is === 'first-name' || is === 'last-name',
    )
    const nameless = rows.filter(
      ({ person }) => person.name === undefined && person.code === undefined,
    )
    if (nameless.length > 0 && !named) {
      const said = textOf(above.get('client'))
      const name = said === '' ? this.askName(table.sheet, title) : nameInOrder(said)
      for (const { person } of nameless) person.name = name
    }
    for (const row of rows) {
      if (sex) row.person.sex ??= sex
      if (birthDate) row.person.birthDate ??= birthDate
      row.tester ??= above.has('tester') ? textOf(above.get('tester')).slice(0, 80) : undefined
    }
  }

  /** Whose sheet it is, where nothing in it says so. */
  private askName(sheet: string, title: string): string {
    const { fileName } = this.around
    const usual = nameOfSheet(title, sheet, fileName)
    return this.questions.ask({
      id: `name:${sheet}`,
      about: say('exchange.askName', { sheet: sheet || fileName }),
      options: [{ value: usual, name: usual }],
      usual,
      free: true,
    })
  }

  private standardOf(table: Table, rows: readonly FileRow[]): LandmarkStandard {
    const sites = [...new Set(rows.flatMap(({ readings }) => readings.map(({ site }) => site)))]
    const { standard, isOpen } = standardBySites(sites)
    const id = `standard:${table.sheet}`
    if (!isOpen && this.choices.answers[id] === undefined) return standard
    return this.questions.ask({
      ...{ id, options: STANDARD_OPTIONS, usual: standard },
      about: say('exchange.askStandard', { sheet: table.sheet || this.around.fileName }),
    }) as LandmarkStandard
  }

  /** Sites by the names that the standard has for them; a row that names its own standard keeps it. */
  private located(
    table: Table,
    columns: readonly Column[],
    rows: FileRow[],
    standard: LandmarkStandard,
  ) {
    const at = columns.find(({ meaning: { is } }) => is === 'standard')?.index
    const lines = new Map(table.lines.map((line) => [line.at, line]))
    const all = new Set(rows.flatMap(({ readings }) => readings.map(({ site }) => site)))
    return rows.map((row) => {
      const said = at === undefined ? '' : textOf(lines.get(row.place.row)?.cells[at]).toLowerCase()
      const own = LANDMARK_STANDARDS.find((one) => one === said)
      const of = own ?? standard
      for (const reading of row.readings)
        if (own) reading.standard = own
        else if (isSkinfold(reading.site)) reading.site = siteWithin(reading.site, of, all)
      return { ...row, standard: of, layout: table.layout }
    })
  }
}

/**
 * Understands a file: its tables and columns, who is in it, the check-ins and body masses that come out, the equation that
 * its figures were worked out by, what is left out and what is open.
 *
 * @param file its sheets
 * @param tell hears how far it has come, from 0 to 1
 */
export function understand(
  file: readonly FileSheet[],
  around: Around,
  choices: Choices = { columns: {}, answers: {} },
  tell: (share: number) => void = () => {},
): Understood {
  const reading = new Understanding(around, choices)
  const rows = reading.rowsOf(file)
  const { questions, left, sheets } = reading
  if (sheets.length === 0) {
    const name = file[0]?.name ?? ''
    left.push({ sheet: name, row: 1, reason: say('exchange.noTable') })
  }
  tell(0.3)
  shownDigits(rows)
  const index = new Map<FileRow, number>(rows.map((row, i) => [row, i]))
  const grouped = peopleIn(rows)
  left.push(...grouped.left)
  const known = new KnownPeople(around.known)
  const people = grouped.people.flatMap((person) =>
    identified(person, known, questions, index, left),
  )
  tell(0.5)
  const worked = people.flatMap(({ of, sex }) =>
    of.rows.flatMap(
      (row) =>
        workedRow(
          { ...row, person: { ...row.person, birthDate: of.birthDate } },
          index.get(row)!,
          of,
          sex,
        ) ?? [],
    ),
  )
  const found = findOldEquations(worked)
  tell(0.8)
  const byRow = new Map(
    found.flatMap((equation) => equation.agree.map((at) => [at, equation] as const)),
  )
  const places = new Map(rows.map((row, i) => [i, row.place]))
  const brought = people.map(({ of, clientId, sex }) =>
    bringPerson(of, sex, clientId, {
      fileName: around.fileName,
      left,
      equationOf: (row) => byRow.get(index.get(row) ?? -1) ?? found[0],
    }),
  )
  tell(1)
  return {
    ...{ sheets, left, people: brought },
    tester: testerOf(rows, around, questions),
    questions: questions.asked,
    equations: found.map((equation) => ({ ...equation, places })),
  }
}

/** Who measured what names nobody. */
function testerOf(
  rows: readonly FileRow[],
  { testers }: Around,
  questions: Questions,
): string | null {
  if (rows.every(({ tester, readings }) => tester !== undefined || readings.length === 0))
    return null
  const answer = questions.ask({
    id: 'tester',
    about: say('exchange.askTester'),
    options: [
      ...testers.map(({ id, name }) => ({ value: id, name })),
      { value: 'nobody', name: say('exchange.nobodyOnRecord') },
    ],
    usual: testers.length === 1 ? testers[0]!.id : 'nobody',
  })
  return answer === 'nobody' ? null : answer
}

import { unitOfSite } from '../../anatomy/limits'
import { isSkinfold, type SiteId } from '../../anatomy/ids'
import { nameOf } from '../../anatomy/names'
import { checkedConversion } from '../../equations/conversions'
import { GROUP_TERMS } from '../../equations/types'
import { InputError, refusal } from '../../errors'
import { attempt } from '../../outcome'
import { say, type Words } from '../../say'
import type { IsoDate } from '../../units/dates'
import type { DateOrder } from '../../units/typed-date'
import { heightOf, massOf, possible, readingsIn } from './amounts'
import { type Cell, decimalsOf, numberIn, saysNothing, textOf } from './cells'
import type { Column } from './columns'
import { dayOf } from './days'
import { type FileRow, type LeftOut, nameInOrder, type Place, sexOf } from './file-row'
import { type Meaning, methodOfFact, readHeading, unitIn } from './headings'
import { gatherOthers } from './other-methods'
import type { Line, Table } from './table'

/*
 * Lines of a table as what they say. Longer than most files since it is one switch over what a column can mean, with what
 * a line carries over from the one before it.
 */

const TOTALS =
  /^(?:grand |over ?all |sub ?)?(?:totals?|sum|averages?|avg|mean|median|min(?:imum)?|max(?:imum)?|count|n|sd|std|st ?dev|range|change|difference|diff|delta|target|goal|norms?)\b[\s.:]*(?:s|of.*|all|change|difference|for.*|\d.*)?$/i

/** How a table is read besides its columns. */
export interface Reading {
  order: DateOrder
  birthOrder: DateOrder
  today: IsoDate
}

/** What a table says, line by line, and what of it was left out. */
export interface ReadTable {
  rows: FileRow[]
  left: LeftOut[]
}

const MOST_TEXT = 200
const OLDEST = 110

class LineReader {
  private before: FileRow | undefined
  private section: string | undefined
  readonly left: LeftOut[] = []
  /** Whether most names have the last one first. */
  private readonly lastFirst: boolean

  constructor(
    private readonly table: Table,
    private readonly columns: readonly Column[],
    private readonly how: Reading,
  ) {
    const names = table.lines.map((line) => this.nameOf(line)).filter((name) => name !== '')
    const turned = names.filter((name) => nameInOrder(name) !== name.replace(/\s+/g, ' ').trim())
    this.lastFirst = turned.length > names.length / 2
  }

  read(line: Line): FileRow | undefined {
    const place: Place = { sheet: this.table.sheet, row: line.at }
    const filled = line.cells.filter((cell) => !saysNothing(cell))
    const first = textOf(filled[0])
    if (TOTALS.test(first) || (this.isNamed(line, first) && TOTALS.test(this.nameOf(line)))) {
      this.left.push({ ...place, reason: say('exchange.totalsRow', { text: first }) })
      return undefined
    }
    if (this.repeatsHeadings(line)) return undefined
    if (this.isSection(filled, line)) {
      this.section = nameInOrder(first)
      return undefined
    }
    const row = this.rowOf(line, place)
    if (!this.measures(row)) {
      // What was refused of it says so already; a line that tells who somebody is was not to be measured.
      const isTold = this.left.at(-1)?.row === place.row
      if (!isTold && (row.date !== undefined || !this.saysPerson(row)))
        this.left.push({ ...place, reason: say('exchange.nothingMeasured') })
      return undefined
    }
    if (row.date === undefined) {
      const day = this.cellOf(line, 'date')
      this.left.push({
        ...place,
        ...(saysNothing(day) ? {} : { column: this.headingOf('date') }),
        reason: saysNothing(day)
          ? say('exchange.noDay')
          : refusal(say('exchange.day'), textOf(day), say('exchange.dayAccepted')),
      })
      return undefined
    }
    if (row.date > this.how.today) {
      this.left.push({
        ...place,
        reason: say('exchange.dayToCome', { day: { day: row.date, year: true } }),
      })
      return undefined
    }
    this.before = row
    return row
  }

  private readonly saysPerson = ({ person }: FileRow) =>
    Object.values(person).some((fact) => fact !== undefined)

  private isNamed(line: Line, first: string): boolean {
    return first !== '' && this.nameOf(line) !== ''
  }

  private nameOf(line: Line): string {
    return textOf(this.cellOf(line, 'client'))
  }

  private columnOf(fact: Meaning['is']): Column | undefined {
    return this.columns.find(({ meaning: { is } }) => is === fact)
  }

  private cellOf(line: Line, fact: Meaning['is']): Cell {
    const column = this.columnOf(fact)
    return column ? (line.cells[column.index] ?? null) : null
  }

  private headingOf(fact: Meaning['is']): string {
    return this.columnOf(fact)?.heading ?? ''
  }

  /** The heading again, at the top of a further page. */
  private repeatsHeadings({ cells }: Line): boolean {
    const texts = cells.map(textOf)
    const same = texts.filter((text, i) => text !== '' && text === this.table.headings[i]).length
    return same > 1 && same >= texts.filter((text) => text !== '').length / 2
  }

  /** A name alone, over the rows of one client. */
  private isSection(filled: readonly Cell[], line: Line): boolean {
    if (this.table.layout === 'log' || filled.length !== 1 || this.columnOf('client')) return false
    const [cell] = filled
    if (typeof cell !== 'string' || line.cells.findIndex((one) => one === cell) > 0) return false
    const text = textOf(cell)
    return /^\p{L}[\p{L}\p{M}'’. ,-]+$/u.test(text) && !readHeading(text).fact
  }

  private measures({ readings, mass, height, fat, others, startsPhase }: FileRow): boolean {
    return (
      startsPhase === true ||
      readings.length > 0 ||
      mass !== undefined ||
      height !== undefined ||
      others.length > 0 ||
      fat !== undefined
    )
  }

  private rowOf(line: Line, place: Place): FileRow {
    const row: FileRow = { place, person: {}, readings: [], others: [], notes: [] }
    const names: { first?: string; last?: string } = {}
    for (const column of this.columns) {
      const cell = line.cells[column.index] ?? null
      if (saysNothing(cell)) continue
      try {
        this.take(row, names, column, cell)
      } catch (error) {
        if (!(error instanceof InputError)) throw error
        this.left.push({ ...place, column: column.heading, reason: error.said })
      }
    }
    if (this.table.layout === 'readings') this.takeReading(row, line)
    if (names.first ?? names.last)
      row.person.name ??= [names.first, names.last].filter(Boolean).join(' ')
    this.carry(row)
    return row
  }

  /** What stands once for several lines: a name over its rows, a day over its readings. */
  private carry(row: FileRow): void {
    if (this.table.layout === 'log') {
      if (row.date === undefined && this.before && row.readings.length > 0)
        row.date = this.before.date
      return
    }
    if (row.person.name === undefined && row.person.code === undefined) {
      const name = this.section ?? this.before?.person.name
      if (name !== undefined) row.person.name = name
      // Whose it is, and so what was said of them.
      if (this.section === undefined && this.before)
        row.person = { ...this.before.person, ...row.person }
    }
    const isSame = row.person.name === this.before?.person.name
    if (row.date === undefined && isSame && this.table.layout === 'readings')
      row.date = this.before?.date
  }

  private take(
    row: FileRow,
    names: { first?: string; last?: string },
    { meaning, unit, heading }: Column,
    cell: Cell,
  ): void {
    const text = textOf(cell).slice(0, MOST_TEXT)
    const { order, birthOrder, today } = this.how
    const label = say('exchange.columnLabel', { heading })
    switch (meaning.is) {
      case 'fold':
      case 'girth': {
        const { site, trial } = meaning
        for (const amount of readingsIn(
          meaning,
          cell,
          unit ?? (meaning.is === 'fold' ? 'mm' : 'cm'),
        ))
          row.readings.push({ ...possible(site, nameOf(site), amount), site, trial })
        return
      }
      case 'mass':
        row.mass = possible('mass', say('units.bodyMass'), massOf(cell, unit ?? 'kg'))
        return
      case 'height':
        row.height = possible('height', say('units.height'), heightOf(cell, unit))
        return
      case 'client':
        row.person.name = this.lastFirst ? nameInOrder(text) : text.replace(/\s+/g, ' ').trim()
        return
      case 'first-name':
        names.first = text
        return
      case 'last-name':
        names.last = text
        return
      case 'client-id':
        row.person.code = text
        return
      case 'date':
        row.date = dayOf(cell, today, order)
        return
      case 'birth-date': {
        const born = dayOf(cell, today, birthOrder)
        const year = numberIn(cell)
        if (born !== undefined && born <= today) row.person.birthDate = born
        else if (year !== undefined && year >= 1900 && year <= Number(today.slice(0, 4)))
          row.person.birthYear = Math.floor(year)
        else throw refused(label, text, say('exchange.dayAccepted'))
        return
      }
      case 'birth-year': {
        const year = numberIn(cell)
        if (year === undefined || year < 1900 || year > Number(today.slice(0, 4)))
          throw refused(label, text, say('exchange.yearAccepted'))
        row.person.birthYear = year
        return
      }
      case 'age': {
        const years = numberIn(cell)
        if (years === undefined || years > OLDEST)
          throw refused(label, text, say('files.n0120Years'))
        row.ageYears = years
        return
      }
      case 'sex': {
        const sex = sexOf(text)
        if (!sex) throw refused(label, text, say('methods.maleFemale'))
        row.person.sex = sex
        return
      }
      case 'fat': {
        const value = numberIn(cell)
        if (value === undefined) throw refused(label, text, say('files.numberDecimalPointComma'))
        row.fat = { value, decimals: decimalsOf(cell) }
        return
      }
      case 'fat-dxa':
      case 'fat-air':
      case 'fat-water':
      case 'fat-bia':
      case 'fat-ultrasound': {
        const fatPercent = numberIn(cell)
        if (fatPercent === undefined)
          throw refused(label, text, say('files.numberDecimalPointComma'))
        row.others.push({ method: methodOfFact(meaning.is)!, fatPercent })
        return
      }
      case 'equation':
        row.equation = text
        return
      case 'conversion': {
        const read = attempt(() => checkedConversion(text.toLowerCase()))
        if (read.ok) row.conversion = read.value
        return
      }
      case 'protocol':
        row.protocol = text
        return
      case 'tester':
        row.tester = text.slice(0, 80)
        return
      case 'tester-skill':
        if (text === 'novice' || text === 'trained') row.testerSkill = text
        return
      case 'caliper':
        row.caliper = text.slice(0, 80)
        return
      case 'tape':
        row.tape = text.slice(0, 80)
        return
      case 'caliper-graduation':
        row.caliperGraduation = numberIn(cell)
        return
      case 'tape-graduation':
        row.tapeGraduation = numberIn(cell)
        return
      case 'percentages':
        if (text.toLowerCase() === 'hidden') row.hidesPercentages = true
        return
      case 'group-term':
        row.groupTerm = GROUP_TERMS.find((term) => term === text.toLowerCase())
        return
      case 'week-ends-on': {
        const day = numberIn(cell)
        if (day !== undefined && day <= 6) row.weekEndsOn = Math.round(day)
        return
      }
      case 'cadence': {
        const days = numberIn(cell)
        if (days !== undefined && days >= 1 && days <= 365) row.cadenceDays = Math.round(days)
        return
      }
      case 'event':
        row.startsPhase = true
        return
      case 'note':
        row.notes.push(text)
        return
      case 'standard':
      case 'site':
      case 'trial':
      case 'value':
      case 'unit':
      case 'worked-out':
      case 'unknown':
    }
  }

  /** One row a reading: what the row names as its site, with its value. */
  private takeReading(row: FileRow, line: Line): void {
    const named = textOf(this.cellOf(line, 'site'))
    const value = this.cellOf(line, 'value')
    if (named === '' || saysNothing(value)) return
    const heading = readHeading(named)
    const unitText = textOf(this.cellOf(line, 'unit'))
    const unit =
      unitIn(unitText) ?? heading.units.at(-1) ?? this.columnOf('value')?.unit ?? undefined
    const trial = numberIn(this.cellOf(line, 'trial')) ?? heading.trial
    const isCm = unit === 'cm' || unit === 'in'
    const site = heading.kind
      ? heading[heading.kind]
      : isCm
        ? (heading.girth ?? heading.fold)
        : (heading.fold ?? heading.girth)
    const by = methodOfFact(heading.fact)
    const place = row.place
    const refuse = (reason: Words) => this.left.push({ ...place, column: named, reason })
    try {
      if (site !== undefined) {
        const meaning = { is: isSkinfold(site) ? 'fold' : 'girth', site, trial } as Extract<
          Meaning,
          { site: SiteId }
        >
        for (const amount of readingsIn(meaning, value, unit ?? unitOfSite(site)))
          row.readings.push({ ...possible(site, nameOf(site), amount), site, trial })
      } else if (heading.fact === 'mass')
        row.mass = possible('mass', say('units.bodyMass'), massOf(value, unit ?? 'kg'))
      else if (heading.fact === 'height')
        row.height = possible('height', say('units.height'), heightOf(value, unit ?? null))
      else if (heading.fact === 'fat') {
        const share = numberIn(value)
        if (share !== undefined) row.fat = { value: share, decimals: decimalsOf(value) }
      } else if (by) {
        const fatPercent = numberIn(value)
        if (fatPercent !== undefined) row.others.push({ method: by, fatPercent })
      } else if (heading.fact !== 'worked-out') refuse(say('exchange.nobodyKnows', { what: named }))
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      refuse(error.said)
    }
  }
}

const refused = (label: Words, got: string, accepted: Words) =>
  new InputError('cell', 'not-a-number', refusal(label, got, accepted))

/** Shares of one are points of a hundred. */
function inPoints(rows: readonly FileRow[]): void {
  const fats = rows.flatMap(({ fat }) => fat ?? [])
  if (fats.length === 0 || fats.some(({ value }) => value > 1)) return
  for (const fat of fats) {
    fat.value *= 100
    if (fat.decimals !== undefined) fat.decimals = Math.max(0, fat.decimals - 2)
  }
}

/** Reads every line of a table by what its columns mean. */
export function readLines(table: Table, columns: readonly Column[], how: Reading): ReadTable {
  const reader = new LineReader(table, columns, how)
  const rows = table.lines.flatMap((line) => reader.read(line) ?? [])
  inPoints(rows)
  gatherOthers(rows, reader.left)
  return { rows, left: reader.left }
}

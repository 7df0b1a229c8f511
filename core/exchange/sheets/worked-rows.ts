import type { Sex, SiteId } from '../../anatomy/ids'
import { daysBetween } from '../../units/dates'
import { findOldEquations, type WorkedRow } from './old-equation'
import type { FilePerson } from './people'
import { ageAt, type FileRow } from './file-row'

/** A row for the search of its equation. */
export function workedRow(
  row: FileRow,
  at: number,
  { key: person }: FilePerson,
  sex: Sex | undefined,
): WorkedRow | undefined {
  if (!row.fat) return undefined
  const readings = new Map<SiteId, number[]>()
  for (const { site, value } of row.readings) {
    const of = readings.get(site)
    if (of) of.push(value)
    else readings.set(site, [value])
  }
  return {
    ...{ at, person, sex, readings, fat: row.fat.value, decimals: row.fat.decimals },
    ...{ heightCm: row.height?.value, massKg: row.mass?.value },
    ageYears: exactAge(row),
  }
}

const DAYS_A_YEAR = 365.25

/** Years with their fraction where the birth date is known; its whole part is the completed age. */
function exactAge(row: FileRow): number | undefined {
  const whole = ageAt(row)
  const { birthDate } = row.person
  if (whole === undefined || birthDate === undefined) return whole
  const exact = daysBetween(birthDate, row.date!) / DAYS_A_YEAR
  return Math.min(Math.max(exact, whole), whole + 0.9999)
}

/** What a column says at most: an old sheet that shows one digit shows it in every row. */
export function shownDigits(rows: readonly FileRow[]): void {
  const most = new Map<string, number>()
  for (const { place, fat } of rows)
    if (fat?.decimals !== undefined)
      most.set(place.sheet, Math.max(most.get(place.sheet) ?? 0, fat.decimals))
  const numbers = new Map<string, number>()
  for (const { place, fat } of rows) {
    if (!fat || fat.decimals !== undefined) continue
    const digits = /\.(\d+)$/.exec(String(Number(fat.value.toPrecision(12))))?.[1]?.length ?? 0
    numbers.set(place.sheet, Math.max(numbers.get(place.sheet) ?? 0, digits))
  }
  for (const { place, fat } of rows) {
    if (!fat) continue
    if (fat.decimals !== undefined) fat.decimals = most.get(place.sheet)
    // Numbers of a workbook that somebody typed have few digits, those that it worked out have many.
    else if (numbers.get(place.sheet)! <= 2) fat.decimals = numbers.get(place.sheet)
  }
}

/** Gives those without a sex the one under which most of their figures come out. */
export function sexByFigures(
  person: FilePerson,
  index: ReadonlyMap<FileRow, number>,
): Sex | undefined {
  const agree = (sex: Sex) => {
    const rows = person.rows.flatMap((row) => workedRow(row, index.get(row)!, person, sex) ?? [])
    return findOldEquations(rows).reduce((all, { agree: of }) => all + of.length, 0)
  }
  const [male, female] = [agree('male'), agree('female')]
  return male === female ? undefined : male > female ? 'male' : 'female'
}

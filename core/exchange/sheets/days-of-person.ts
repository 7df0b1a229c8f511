import { isSkinfold, type LandmarkStandard } from '../../anatomy/ids'
import { dayValue, say } from '../../say'
import type { FileRow, LeftOut } from './file-row'
import type { Table } from './table'

/** A row with the standard that its folds were found by, and how its sheet is laid out. */
export interface LocatedRow extends FileRow {
  standard: LandmarkStandard
  layout: Table['layout']
}

/** Readings of one site lie so far apart where they are two of one day, and not of two people. */
const REPEAT = { fold: { mm: 3, share: 0.15 }, girth: 2, mass: 1 }

function isRepeat(a: FileRow, b: FileRow): boolean {
  if (a.mass && b.mass && Math.abs(a.mass.value - b.mass.value) > REPEAT.mass) return false
  return a.readings.every(({ site, value }) =>
    b.readings
      .filter((other) => other.site === site)
      .every(
        (other) =>
          Math.abs(other.value - value) <=
          (isSkinfold(site) ? Math.max(REPEAT.fold.mm, REPEAT.fold.share * value) : REPEAT.girth),
      ),
  )
}

const saysSame = (a: FileRow, b: FileRow) => {
  const of = ({ readings, mass }: FileRow) =>
    JSON.stringify([
      readings.map(({ site, value, trial }) => [site, value, trial]),
      mass?.value ?? null,
    ])
  return of(a) === of(b)
}

/** Rows of one day of somebody, put together; what contradicts is left out. */
export function dayOfPerson(rows: readonly LocatedRow[], left: LeftOut[]): LocatedRow {
  const [first, ...more] = rows as [LocatedRow, ...LocatedRow[]]
  const day: LocatedRow = { ...first, readings: [...first.readings], notes: [...first.notes] }
  for (const row of more) {
    const parts = row.layout === 'readings' || row.layout === 'log'
    if (!parts && saysSame(row, first)) {
      left.push({ ...row.place, reason: say('exchange.sameAsRow', { row: first.place.row }) })
      continue
    }
    if (!parts && !isRepeat(row, day)) {
      left.push({
        ...row.place,
        reason: say('exchange.otherOfDay', {
          row: first.place.row,
          day: dayValue(row.date!, true),
        }),
      })
      continue
    }
    day.readings.push(...row.readings)
    day.notes.push(...row.notes)
    day.mass ??= row.mass
    day.height ??= row.height
    day.fat ??= row.fat
    day.tester ??= row.tester
    day.caliper ??= row.caliper
    day.caliperGraduation ??= row.caliperGraduation
    day.tape ??= row.tape
    day.tapeGraduation ??= row.tapeGraduation
    day.conversion ??= row.conversion
    day.startsPhase ??= row.startsPhase
  }
  day.standard = standardOfDay(day)
  return day
}

/** The standard that most folds of a day name, where their rows name one each. */
function standardOfDay({ readings, standard }: LocatedRow): LandmarkStandard {
  const counts = new Map<LandmarkStandard, number>()
  for (const { standard: of } of readings) if (of) counts.set(of, (counts.get(of) ?? 0) + 1)
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? standard
}

/**
 * Rows of a body mass alone, beside those of a check-in. One is the mass of a check-in that has none, unless the file says
 * which rows are of one.
 */
export function massesApart(rows: readonly LocatedRow[]): {
  measured: LocatedRow[]
  weighed: LocatedRow[]
} {
  const isWeighed = ({ readings, mass, protocol, height, startsPhase }: LocatedRow) =>
    readings.length === 0 && mass !== undefined && protocol === undefined && !height && !startsPhase
  const measured = rows.filter((row) => !isWeighed(row))
  const weighed = rows.filter(isWeighed)
  const some = measured.some(({ readings }) => readings.length > 0)
  const needsMass = some && measured.every(({ mass, protocol }) => !mass && !protocol)
  if (needsMass && weighed.length > 0) measured.push(weighed.shift()!)
  return { measured, weighed }
}

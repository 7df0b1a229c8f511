import {
  equationById,
  findingsOf,
  type BroughtCheckIn,
  type Finding,
  type IsoDate,
  type LeftOut,
  type Message,
  type Place,
  type Question,
  type ReadSheet,
  type Sex,
  type SiteId,
  type Words,
  type Conversion,
} from '../../core/index'
import type { ExchangeCheckIn, ExchangeGym } from '../contract/exchange'
import type { ImportCounts, ImportLine } from '../contract/imports'
import { readingsOf } from './in-force'
import type { RecordsIn } from './records-in'
import { checkInRecord, personOf, workedOutOf } from './worked-out'

/*
 * What a file comes to, for somebody who looks at it before it is brought in: short however long the file is. Check-ins
 * are told one client at a time.
 */

/** Lists of a long file are told up to here, and how many they are. */
export const MOST_TOLD = 500

/** Somebody of the file. */
export interface ComingPerson {
  name: string
  sex: Sex
  birthDate: IsoDate | null
  birthYear: number | null
  /** On record already. */
  isKnown: boolean
  checkIns: number
  weighIns: number
  first: IsoDate | null
  last: IsoDate | null
}

/** An equation by which the file's figures were worked out. */
export interface ComingEquation {
  name: Words
  conversion: Conversion | 'direct'
  agree: number
  of: number
  /** Rows that say otherwise, with what may have been done there. */
  odd: { row: number; sheet: string; looksLike?: Message }[]
}

export interface Coming {
  sheets: ReadSheet[]
  questions: Question[]
  equations: ComingEquation[]
  people: ComingPerson[]
  left: LeftOut[]
  counts: ImportCounts & { left: number }
}

const daysOf = ({ client }: ImportLine): IsoDate[] =>
  [
    ...client.checkIns.map(({ measuredOn }) => measuredOn),
    ...client.weighIns.map(({ date }) => date),
    ...client.otherResults.map(({ on }) => on),
  ].sort()

function personOfLine(line: ImportLine): ComingPerson {
  const { name, sex, birthDate, birthYear, checkIns, weighIns } = line.client
  const days = daysOf(line)
  return {
    ...{ name, sex, birthDate, birthYear, isKnown: line.into !== null },
    ...{ checkIns: checkIns.length, weighIns: weighIns.length },
    ...{ first: days[0] ?? null, last: days.at(-1) ?? null },
  }
}

/** What is new on record, where nothing of it is there yet. */
export function countsOf(lines: readonly ImportLine[]): ImportCounts {
  const checkIns = lines.flatMap(({ client }) => client.checkIns)
  return {
    clients: lines.filter(({ into }) => into === null).length,
    checkIns: checkIns.length,
    readings: checkIns.reduce((all, { readings }) => all + readings.length, 0),
    weighIns: lines.reduce((all, { client }) => all + client.weighIns.length, 0),
    otherResults: lines.reduce((all, { client }) => all + client.otherResults.length, 0),
  }
}

/** What a file comes to, told shortly. */
export function comingOf(read: RecordsIn): Coming {
  const { sheets, questions, equations, lines, left } = read
  return {
    ...{ sheets, questions: questions.slice(0, MOST_TOLD) },
    equations: equations.map((one) => ({
      name: equationById(one.id).name,
      conversion: one.conversion,
      agree: one.agree.length,
      of: one.agree.length + one.disagree.length,
      odd: one.disagree
        .map(({ at, looksLike }) => {
          const { row, sheet } = one.places.get(at)!
          return { row, sheet, ...(looksLike ? { looksLike } : {}) }
        })
        .sort((a, b) => a.row - b.row)
        .slice(0, MOST_TOLD),
    })),
    people: lines.slice(0, MOST_TOLD).map(personOfLine),
    left: left.slice(0, MOST_TOLD),
    counts: { ...countsOf(lines), left: left.length },
  }
}

/** A check-in as it will stand. */
export interface ComingCheckIn {
  date: IsoDate
  place: Place | null
  /** Sites with their readings in the order they were taken, mm or cm; body mass is apart. */
  sites: { site: SiteId; trials: number[] }[]
  massKg: number | null
  /** Points of fat as it is worked out here; null where its sites feed no equation. */
  fat: number | null
  /** What the file says. */
  fileFat: BroughtCheckIn['fat']
}

/** Check-ins of one client as they will stand, the file's own figure beside ours. */
export function comingCheckIns(read: RecordsIn, index: number): ComingCheckIn[] {
  const { client } = read.lines[index]!
  const told = new Map(
    (read.people[index]?.checkIns ?? []).map(({ date, place, fat }) => [
      `${place.sheet}!${place.row}!${date}`,
      fat,
    ]),
  )
  return client.checkIns.map((checkIn) => {
    const { measuredOn: date, source } = checkIn
    const readings = readingsOf(checkIn)
    const sites = new Map<SiteId, number[]>()
    for (const { site, value } of readings)
      if (site !== null) sites.set(site, [...(sites.get(site) ?? []), value])
    return {
      ...{ date, place: source },
      sites: [...sites].map(([site, trials]) => ({ site, trials })),
      massKg: readings.find(({ kind }) => kind === 'mass')?.value ?? null,
      fat: workedOutOf(client, checkIn)?.fatPercent ?? null,
      fileFat: source ? (told.get(`${source.sheet}!${source.row}!${date}`) ?? null) : null,
    }
  })
}

/** Something in a check-in of the file that asks for a second look, as on the floor. */
export interface ComingFinding {
  name: string
  date: IsoDate
  place: Place | null
  evidence: Message
}

/** Check-ins before one that tell what is to be expected: older ones add nothing. */
const LOOKED_BACK = 6

const setupOf = (
  { people, instruments }: ExchangeGym,
  { tester, caliper, tape }: ExchangeCheckIn,
) => {
  const graduation = (id: string | null) => instruments.find((one) => one.id === id)?.graduation
  const [mm, cm] = [graduation(caliper), graduation(tape)]
  return {
    skill: people.find(({ id }) => id === tester)?.skill ?? ('trained' as const),
    graduation: { mm: mm ?? 0.5, ...(cm ? { cm } : {}) },
  }
}

/** Looks for slips of the pen in one client's check-ins, each against the ones before it. */
export function comingFindings(
  { gym, lines }: Pick<RecordsIn, 'gym' | 'lines'>,
  index: number,
  units: { mass: 'kg' | 'lb'; length: 'cm' | 'in' },
): ComingFinding[] {
  const { client } = lines[index]!
  const person = personOf(client)
  const inOrder = client.checkIns
    .filter(({ voided }) => voided === null)
    .sort((a, b) => (a.measuredOn < b.measuredOn ? -1 : 1))
  const records = inOrder.map((checkIn) => checkInRecord(client, checkIn))
  const weighIns = client.weighIns.flatMap(({ date, kg }) => (kg === null ? [] : [{ date, kg }]))
  return inOrder.flatMap((checkIn, i) => {
    const earlier = records.slice(Math.max(0, i - LOOKED_BACK), i).reverse()
    const found: Finding[] = findingsOf(person, records[i]!, earlier, setupOf(gym, checkIn), {
      ...{ units, weighIns },
    })
    return found.map(({ evidence }) => ({
      ...{ name: client.name, date: checkIn.measuredOn, place: checkIn.source, evidence },
    }))
  })
}

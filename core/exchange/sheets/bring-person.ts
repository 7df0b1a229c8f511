import { isSkinfold, type Sex, type SiteId, kindOfSite, isGirth } from '../../anatomy/ids'
import { standardWithin } from '../../anatomy/landmark-standards'
import { attempt } from '../../outcome'
import { protocolById } from '../../protocols/registry'
import { dayValue, say } from '../../say'
import type { IsoDate } from '../../units/dates'
import type { BroughtOther, BroughtPerson, BroughtReading, BroughtTool } from './brought'
import { dayOfPerson, type LocatedRow, massesApart } from './days-of-person'
import type { OldEquation } from './old-equation'
import type { FilePerson } from './people'
import type { FileRow, LeftOut } from './file-row'
import { type BroughtProtocol, protocolFor } from './standard'

const MOST_TRIALS = 9
const LONGEST_NOTE = 500

/** Readings in the order of the sheet, with their trials counted. */
function readingsOf(row: LocatedRow, left: LeftOut[]): BroughtReading[] {
  const taken = new Map<SiteId, Set<number>>()
  const readings = row.readings.flatMap((reading): BroughtReading[] => {
    const { site, trial, value, unit, text } = reading
    const of = taken.get(site) ?? new Set<number>()
    taken.set(site, of)
    let number = typeof trial === 'number' && !of.has(trial) ? trial : 1
    while (of.has(number)) number++
    if (number > MOST_TRIALS) {
      left.push({ ...row.place, reason: say('exchange.tooManyReadings', { most: MOST_TRIALS }) })
      return []
    }
    of.add(number)
    const kind = kindOfSite(site)
    const standard = isSkinfold(site)
      ? standardWithin(site, reading.standard ?? row.standard)
      : null
    return [{ kind, site, standard, trial: number, value, unit, text }]
  })
  const { mass } = row
  return mass
    ? [...readings, { kind: 'mass', site: null, standard: null, trial: 1, ...mass }]
    : readings
}

/** A share of the check-ins of somebody in which a site must be for their set to have it. */
const OFTEN = 0.3

/** The set of somebody's check-ins: what is measured of them as a rule, in the order of the sheet. */
function setOf(
  days: readonly LocatedRow[],
  sex: Sex,
  equation: string | undefined,
  name: string,
): BroughtProtocol {
  const counts = new Map<SiteId, number>()
  for (const { readings } of days)
    for (const site of new Set(readings.map((reading) => reading.site)))
      counts.set(site, (counts.get(site) ?? 0) + 1)
  const measured = days.filter(({ readings }) => readings.length > 0).length
  const sites = [...counts].filter(([, count]) => count >= OFTEN * measured).map(([site]) => site)
  return protocolFor(sites, sex, days[0]!.standard, equation, name)
}

interface Bringing {
  fileName: string
  left: LeftOut[]
  equationOf: (row: FileRow) => OldEquation | undefined
}

/** All that comes of somebody's rows: check-ins, body masses, heights and the beginnings of phases. */
export function bringPerson(
  of: FilePerson,
  sex: Sex,
  clientId: string | null,
  { fileName, left, equationOf }: Bringing,
): BroughtPerson {
  const byDay = new Map<IsoDate, LocatedRow[]>()
  const others: BroughtOther[] = []
  for (const row of of.rows as LocatedRow[]) {
    if (of.birthDate && row.date! < of.birthDate) {
      left.push({
        ...row.place,
        reason: say('exchange.beforeBirth', {
          day: dayValue(row.date!, true),
          born: dayValue(of.birthDate, true),
        }),
      })
      continue
    }
    others.push(...othersOfRow(row))
    if (saysOthersAlone(row)) continue
    const day = byDay.get(row.date!)
    if (day) day.push(row)
    else byDay.set(row.date!, [row])
  }
  const days = [...byDay]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([, rows]) => {
      const { measured, weighed } = massesApart(rows)
      const all = measured.length > 0 ? measured : [weighed.shift()!]
      return {
        ...dayOfPerson(all, left),
        old: equationOf(rows.find(({ fat }) => fat !== undefined) ?? rows[0]!),
        weighed,
      }
    })
  const person: BroughtPerson = {
    ...{ key: of.key, name: of.name, sex, clientId },
    birthDate: of.birthDate ?? null,
    birthYear: of.birthYear ?? null,
    weekEndsOn: of.rows.find(({ weekEndsOn }) => weekEndsOn !== undefined)?.weekEndsOn ?? null,
    groupTerm: of.rows.find(({ groupTerm }) => groupTerm !== undefined)?.groupTerm ?? null,
    showPercentages: !of.rows.some(({ hidesPercentages }) => hidesPercentages),
    cadenceDays: of.rows.find(({ cadenceDays }) => cadenceDays !== undefined)?.cadenceDays ?? null,
    ...{ heights: [], checkIns: [], weighIns: [], phases: [], others: withoutTwins(others) },
  }
  const measured = days.filter(({ readings }) => readings.length > 0)
  const equation = measured.find(({ old }) => old !== undefined)?.old
  const sets = new Map<string, BroughtProtocol>()
  for (const day of days) {
    const { place, date, height } = day
    if (height && person.heights.at(-1)?.value !== height.value)
      person.heights.push({ ...height, place, date: date! })
    if (day.startsPhase) person.phases.push(date!)
    // A day on which only a phase began was not weighed by that.
    const isWeighed = day.readings.length === 0 && day.mass !== undefined
    const [weighed, ...more] = [...(isWeighed ? [day] : []), ...day.weighed]
    if (weighed?.mass) person.weighIns.push({ ...weighed.mass, place: weighed.place, date: date! })
    for (const row of more) {
      const isSame = row.mass?.value === weighed?.mass?.value
      const reason = isSame
        ? say('exchange.sameAsRow', { row: weighed!.place.row })
        : say('exchange.otherMassOfDay', { row: weighed!.place.row, day: dayValue(date!, true) })
      left.push({ ...row.place, reason })
    }
    if (day.readings.length === 0) continue
    let set = sets.get(day.standard)
    if (!set) {
      const alike = measured.filter(({ standard }) => standard === day.standard)
      sets.set(day.standard, (set = setOf(alike, sex, equation?.id, fileName)))
    }
    const { old = equation } = day
    person.checkIns.push({
      ...{ place, date: date!, ...namedSet(day, set, sex) },
      conversion: day.conversion ?? (old && old.conversion !== 'direct' ? old.conversion : 'siri'),
      tester: day.tester ?? null,
      testerSkill: day.testerSkill ?? null,
      caliper: toolOf(day.caliper, day.caliperGraduation),
      tape: toolOf(day.tape, day.tapeGraduation),
      notes: day.notes.join(' · ').slice(0, LONGEST_NOTE),
      readings: readingsOf(day, left),
      fat: day.fat ?? null,
    })
  }
  return person
}

/** What another method said on the day of a row; what a row alone says of it is how it was taken. */
function othersOfRow(row: LocatedRow): BroughtOther[] {
  const alone = saysOthersAlone(row)
  return row.others.map((other) => ({
    ...{ ...other, date: row.date!, place: row.place },
    device: alone ? (row.caliper ?? '').slice(0, LONGEST_DEVICE) : '',
    conditions: alone ? row.notes.join(' · ').slice(0, LONGEST_CONDITIONS) : '',
  }))
}
const LONGEST_DEVICE = 80
const LONGEST_CONDITIONS = 200

const saysOthersAlone = ({ others, readings, mass, height, fat, startsPhase }: LocatedRow) =>
  others.length > 0 && readings.length === 0 && !mass && !height && !fat && !startsPhase

/** The same result in two rows is one. */
function withoutTwins(others: readonly BroughtOther[]): BroughtOther[] {
  const which = ({ method, date, fatPercent }: BroughtOther) => `${method} ${date} ${fatPercent}`
  const first = new Map<string, BroughtOther>()
  for (const one of others) if (!first.has(which(one))) first.set(which(one), one)
  return [...first.values()]
}

const toolOf = (name: string | undefined, graduation: number | undefined): BroughtTool | null =>
  name === undefined ? null : { name, graduation: graduation ?? null }

/** The set that a row names itself, where it is one that there is and fits what was measured. */
function namedSet(
  { protocol, readings }: LocatedRow,
  set: BroughtProtocol,
  sex: Sex,
): BroughtProtocol {
  if (protocol === undefined || protocol === set.protocolId) return set
  const named = attempt(() => protocolById(protocol))
  if (!named.ok) return set
  const girths = readings.flatMap(({ site }) => (isGirth(site) ? [site] : []))
  const own = named.value.girths[sex]
  return {
    ...{ protocolId: protocol, ownProtocol: null },
    extraGirths: [...new Set(girths)].filter((girth) => !own.includes(girth)),
  }
}

import type { Sex, SkinfoldId } from '../anatomy/ids'
import { compare, type Comparison } from '../change/compare'
import type { Conversion, Estimate, Subject, Values } from '../equations/types'
import { foldValues, massOf } from '../measuring/rotation'
import type { Reading } from '../measuring/readings'
import type { SiteValue } from '../measuring/site-value'
import { attempt, type Outcome } from '../outcome'
import { protocolById } from '../protocols/registry'
import type { Protocol } from '../protocols/types'
import { ageOn, type IsoDate } from '../units/dates'
import { estimate } from './estimate'
import { working, type Step } from './working'

/** Who is measured. */
export interface Person {
  sex: Sex
  birthDate: IsoDate
  heightCm: number | null
}

/** One check-in as it is stored: readings, and by which rules they are read. */
export interface CheckInRecord {
  protocolId: string
  conversion: Conversion
  measuredOn: IsoDate
  readings: readonly Reading[]
}

/** A check-in's readings turned into what an equation takes. */
export interface Sheet {
  protocol: Protocol
  subject: Subject
  /** How each site's value came about. */
  sites: Partial<Record<SkinfoldId, SiteValue>>
  values: Values
  /** Sites of the protocol without a reading yet. */
  missing: SkinfoldId[]
}

/** Reads a check-in: the value of each site by the protocol's rules, and the person on that day. */
export function sheetOf(person: Person, record: CheckInRecord): Sheet {
  const protocol = protocolById(record.protocolId)
  const sites = foldValues(protocol, person.sex, record.readings)
  const values: Values = {}
  for (const site of protocol.folds[person.sex]) {
    const found = sites[site]
    if (found) values[site] = found.value
  }
  return {
    protocol,
    sites,
    values,
    missing: protocol.folds[person.sex].filter((site) => !sites[site]),
    subject: {
      sex: person.sex,
      ageYears: ageOn(person.birthDate, record.measuredOn),
      heightCm: person.heightCm ?? undefined,
      massKg: massOf(record.readings),
    },
  }
}

/**
 * The estimate of a check-in.
 *
 * @param equationId another equation than the protocol's own, for a series by one equation
 * @returns the estimate, or the reason in words why there is none
 */
export function resultOf(
  person: Person,
  record: CheckInRecord,
  equationId?: string,
): Outcome<Estimate> {
  const { protocol, subject, values } = sheetOf(person, record)
  const { conversion } = record
  return attempt(() =>
    estimate(equationId ?? protocol.equationId, subject, values, {
      conversion,
      school: protocol.school,
    }),
  )
}

/** The working of a check-in's estimate by its protocol's own equation. */
export function workingOf(person: Person, record: CheckInRecord): Outcome<Step[]> {
  const { protocol, subject, values } = sheetOf(person, record)
  const { conversion } = record
  return attempt(() =>
    working(protocol.equationId, subject, values, { conversion, school: protocol.school }),
  )
}

/**
 * What changed since the latest earlier check-in that the same equation can read, by the equation and conversion of
 * the later one.
 *
 * @param earlier earlier check-ins, newest first
 * @returns undefined where none can be compared
 */
export function changeSince<R extends CheckInRecord>(
  person: Person,
  record: CheckInRecord,
  earlier: readonly R[],
): { since: R; comparison: Comparison } | undefined {
  const after = sheetOf(person, record)
  for (const since of earlier) {
    const before = sheetOf(person, since)
    if (before.protocol.school !== after.protocol.school) continue
    const comparison = attempt(() =>
      compare(after.protocol.equationId, before, after, {
        conversion: record.conversion,
        school: after.protocol.school,
      }),
    )
    if (comparison.ok) return { since, comparison: comparison.value }
  }
  return undefined
}

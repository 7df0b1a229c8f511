import { say } from '../say'
import type { Sex, SiteId } from '../anatomy/ids'
import type { LocatedValue } from '../anatomy/landmark-standards'
import { estimate } from './estimate'
import { type EquationResult, estimateEvery, servedValues } from './every'
import { type Person, ageOf } from './person'
import { type Step, working } from './working'
import { isOfGroup } from '../equations/populations'
import { equationById } from '../equations/registry'
import type {
  Conversion,
  Equation,
  Estimate,
  EstimateOptions,
  Subject,
  Values,
} from '../equations/types'
import { inputError } from '../errors'
import { type Outcome, attempt } from '../outcome'
import { type ProtocolChoice, protocolOf } from '../protocols/in-force'
import { sitesOf } from '../protocols/registry'
import type { Protocol } from '../protocols/types'
import { placeOf } from '../protocols/wording'
import { type Reading, readingsInForce } from '../readings/reading'
import type { SiteValue } from '../readings/site-value'
import { heightTaken, massTaken, siteValuesIn } from '../readings/values'
import type { IsoDate } from '../units/dates'

export type { Person } from './person'

/** One check-in as it is stored: readings, and by which rules they are read. */
export interface CheckInRecord extends ProtocolChoice {
  /** The height in force on its day, where that is known; a height taken in the check-in itself comes first. */
  heightCm?: number | null
  conversion: Conversion
  measuredOn: IsoDate
  readings: readonly Reading[]
  /** The average body mass of the days around it and how many they are, in place of the one weighing. */
  weekMass?: { kg: number; days: number }
}

/** A check-in's readings turned into what an equation takes. */
export interface Sheet {
  protocol: Protocol
  subject: Subject
  /** How each site's value came about. */
  sites: Partial<Record<SiteId, SiteValue>>
  /** The site values with the landmark standard they were located by. */
  measured: LocatedValue[]
  /** Sites of the protocol without a reading yet. */
  missing: SiteId[]
}

/** Reads a check-in: the value of each site by the protocol's rules, and the person on that day. */
export function sheetOf(person: Person, record: CheckInRecord): Sheet {
  const protocol = protocolOf(record)
  const { sex } = person
  const wanted = sitesOf(protocol, sex)
  const inForce = readingsInForce(record.readings)
  const sites = siteValuesIn(protocol, sex, inForce)
  const measured = wanted.flatMap((site): LocatedValue[] => {
    const value = sites[site]?.value
    if (value === undefined) return []
    return [{ ...placeOf(protocol, site), value }]
  })
  return {
    protocol,
    sites,
    measured,
    missing: wanted.filter((site) => !sites[site]),
    subject: {
      sex,
      ageYears: ageOf(person, record.measuredOn),
      heightCm: heightTaken(inForce) ?? record.heightCm ?? person.heightCm ?? undefined,
      massKg: record.weekMass?.kg ?? massTaken(inForce),
      groupTerm: person.groupTerm ?? undefined,
    },
  }
}

/** The equation that a protocol is meant for, for one sex; undefined where it only keeps a record. */
export function leadEquation(protocol: Protocol, sex: Sex): string | undefined {
  return protocol.equations[sex][0]
}

/** The equation asked for, or the protocol's own; an InputError where the protocol has none. */
function equationFor({ protocol, subject }: Sheet, equationId: string | undefined): Equation {
  const id = equationId ?? leadEquation(protocol, subject.sex)
  if (id === undefined) {
    throw inputError(
      'protocol',
      'outside-domain',
      say('methods.equationOf', { protocol: protocol.name }),
      undefined,
      say('methods.setFeedsEquation'),
    )
  }
  return equationById(id)
}

/** Runs something by the equation of a check-in: by the one named, or by the protocol's own. */
function byEquation<T>(
  person: Person,
  record: CheckInRecord,
  equationId: string | undefined,
  run: (id: string, subject: Subject, values: Values, options: EstimateOptions) => T,
): Outcome<T> {
  const sheet = sheetOf(person, record)
  const { conversion } = record
  return attempt(() => {
    const equation = equationFor(sheet, equationId)
    return run(equation.id, sheet.subject, servedValues(equation, sheet.measured), { conversion })
  })
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
  return byEquation(person, record, equationId, estimate)
}

/**
 * Every equation that the readings of a check-in allow, the protocol's own first; those made on a group only where the
 * person is of it, or where the protocol is read by them.
 */
export function everyResultOf(person: Person, record: CheckInRecord): EquationResult[] {
  const { protocol, subject, measured } = sheetOf(person, record)
  const results = estimateEvery(subject, measured, { conversion: record.conversion })
  const lead = leadEquation(protocol, person.sex)
  return [
    ...results.filter(({ equation }) => equation.id === lead),
    ...results.filter(({ equation }) => equation.id !== lead && isOfGroup(equation, subject)),
  ]
}

/** The working of a check-in's estimate by its protocol's own equation. */
export function workingOf(person: Person, record: CheckInRecord): Outcome<Step[]> {
  return byEquation(person, record, undefined, working)
}

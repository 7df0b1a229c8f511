import { nameOf, type IsoDate, type SiteId, type Words } from '../../core/index'
import type { Exchange, ExchangeCheckIn, ExchangeClient, ExchangeGym } from '../contract/exchange'
import {
  codeOfSite,
  LOINC,
  LOINC_CODES,
  LOINC_GIRTH,
  OAK,
  OAK_CODES,
  OAK_EXTENSION,
  UCUM,
  type Coding,
} from './fhir-codes'
import {
  UNIT_OF,
  type Bundle,
  type Extension,
  type Observation,
  type Reference,
  type Resource,
} from './fhir-resources'
import { massesInForce, phasesOf, readingsOf } from './in-force'

/*
 * A record as an HL7 FHIR R4 Bundle and back: a Patient for each client, an Observation for each reading, one over those of
 * a check-in, Practitioners and Devices. What FHIR has no place for is left out and named in docs/formats.md.
 */

const extension = (name: string, value: Omit<Extension, 'url'>): Extension => ({
  url: `${OAK_EXTENSION}${name}`,
  ...value,
})

const referTo = (type: Resource['resourceType'], id: string): Reference => ({
  reference: `${type}/${id}`,
})

/** What is worked out of a check-in, for those who read a bundle without working it out themselves. */
export interface WorkedOut {
  fatPercent: number
  fatMassKg: number | undefined
  leanMassKg: number | undefined
  equation: string
}

export interface ToBundle {
  /** The moment at which it is made. */
  at: string
  told: (words: Words) => string
  workedOut: (client: ExchangeClient, checkIn: ExchangeCheckIn) => WorkedOut | undefined
  newId: () => string
}

const observation = (of: Omit<Observation, 'resourceType' | 'status'>): Observation => ({
  resourceType: 'Observation',
  status: 'final',
  ...of,
})

const quantity = (value: number, unit: string) => ({ value, unit, system: UCUM, code: unit })
const loinc = (of: keyof typeof LOINC_CODES) => ({
  coding: [{ system: LOINC, ...LOINC_CODES[of] }],
})

function codeFor(site: SiteId, standard: string | null, told: (words: Words) => string) {
  const display = told(nameOf(site))
  const own = { system: OAK, code: codeOfSite(site, standard), display }
  const coding: Coding[] =
    site === LOINC_GIRTH ? [own, { system: LOINC, ...LOINC_CODES.waist }] : [own]
  return { coding, text: display }
}

function* checkInEntries(
  client: ExchangeClient,
  checkIn: ExchangeCheckIn,
  to: ToBundle,
): Generator<Observation> {
  const subject = referTo('Patient', client.id)
  const readings = readingsOf(checkIn)
  for (const one of readings) {
    const { id, kind, site, standard, trial, technique, typedUnit, typedText } = one
    yield observation({
      id,
      code:
        site === null
          ? loinc(kind === 'height' ? 'height' : 'mass')
          : codeFor(site, standard, to.told),
      ...{ subject, effectiveDateTime: one.takenAt },
      performer: [referTo('Practitioner', one.tester)],
      ...(one.instrument === null ? {} : { device: referTo('Device', one.instrument) }),
      valueQuantity: quantity(one.value, UNIT_OF[kind]),
      extension: [
        extension('trial', { valueInteger: trial }),
        extension('typed-unit', { valueString: typedUnit }),
        extension('typed-text', { valueString: typedText }),
        ...(technique === null ? [] : [extension('technique', { valueString: technique })]),
      ],
    })
  }
  const { notes, ...conditions } = checkIn.conditions
  const json = (name: string, value: unknown) =>
    value === null || (Array.isArray(value) && value.length === 0)
      ? []
      : [extension(name, { valueString: JSON.stringify(value) })]
  yield observation({
    id: checkIn.id,
    code: { coding: [OAK_CODES.checkIn], text: OAK_CODES.checkIn.display },
    ...{ subject, effectiveDateTime: checkIn.measuredOn },
    performer: [referTo('Practitioner', checkIn.tester)],
    hasMember: readings.map(({ id }) => referTo('Observation', id)),
    ...(notes ? { note: [{ text: notes }] } : {}),
    extension: [
      extension('protocol', { valueString: checkIn.protocol }),
      extension('conversion', { valueString: checkIn.conversion }),
      extension('from-paper', { valueBoolean: checkIn.fromPaper }),
      extension('started-at', { valueString: checkIn.startedAt }),
      ...(checkIn.closedAt === null
        ? []
        : [extension('closed-at', { valueString: checkIn.closedAt })]),
      ...json('own-protocol', checkIn.ownProtocol),
      ...json('tolerance', checkIn.tolerance),
      ...json('extra-girths', checkIn.extraGirths),
      ...json('skipped', checkIn.skipped),
      ...json('mass-dry', checkIn.massDry),
      ...json('consent', checkIn.consent),
      ...json('caliper', checkIn.caliper),
      ...json('tape', checkIn.tape),
      ...json('bone-caliper', checkIn.boneCaliper),
      ...json('scale', checkIn.scale),
      ...(Object.keys(conditions).length === 0 ? [] : json('conditions', conditions)),
    ],
  })
  const worked = to.workedOut(client, checkIn)
  if (!worked) return
  const derived = (code: Observation['code'], value: number, unit: string) =>
    observation({
      ...{ id: to.newId(), code, subject, effectiveDateTime: checkIn.measuredOn },
      valueQuantity: quantity(value, unit),
      derivedFrom: [referTo('Observation', checkIn.id)],
      note: [{ text: worked.equation }],
    })
  yield derived(loinc('fatPercent'), worked.fatPercent, '%')
  if (worked.fatMassKg !== undefined) yield derived(loinc('fatMass'), worked.fatMassKg, 'kg')
  if (worked.leanMassKg !== undefined) yield derived(loinc('leanMass'), worked.leanMassKg, 'kg')
}

function* clientEntries(client: ExchangeClient, to: ToBundle): Generator<Resource> {
  const { id, name, sex, birthDate, birthYear } = client
  const born = birthDate ?? (birthYear === null ? undefined : String(birthYear))
  yield {
    ...{ resourceType: 'Patient', id, name: [{ text: name }], gender: sex },
    ...(born === undefined ? {} : { birthDate: born }),
    extension: [
      extension('cadence-days', { valueInteger: client.cadenceDays }),
      extension('show-percentages', { valueBoolean: client.showPercentages }),
      ...(client.weekEndsOn === null
        ? []
        : [extension('week-ends-on', { valueInteger: client.weekEndsOn })]),
      ...(client.groupTerm === null
        ? []
        : [extension('group-term', { valueString: client.groupTerm })]),
    ],
  }
  const subject = referTo('Patient', id)
  for (const checkIn of client.checkIns)
    if (checkIn.voided === null) yield* checkInEntries(client, checkIn, to)
  const single = (of: { id: string; date: IsoDate; typedUnit: string; typedText: string }) => ({
    ...{ id: of.id, subject, effectiveDateTime: of.date },
    extension: [
      extension('typed-unit', { valueString: of.typedUnit }),
      extension('typed-text', { valueString: of.typedText }),
    ],
  })
  for (const weighIn of massesInForce(client))
    yield observation({
      ...single(weighIn),
      code: loinc('mass'),
      valueQuantity: quantity(weighIn.kg!, 'kg'),
    })
  for (const height of client.heights)
    yield observation({
      ...single(height),
      code: loinc('height'),
      valueQuantity: quantity(height.cm, 'cm'),
    })
  for (const { id, method, on, device, conditions, fatPercent, ...kg } of client.otherResults)
    yield observation({
      ...{ id, subject, effectiveDateTime: on, code: loinc('fatPercent') },
      method: { coding: [{ system: OAK, code: method }], text: method },
      valueQuantity: quantity(fatPercent, '%'),
      ...(device ? { device: { display: device } } : {}),
      ...(conditions ? { note: [{ text: conditions }] } : {}),
      extension: [
        ...(kg.fatKg === null ? [] : [extension('fat-kg', { valueString: String(kg.fatKg) })]),
        ...(kg.leanKg === null ? [] : [extension('lean-kg', { valueString: String(kg.leanKg) })]),
      ],
    })
  for (const { date, words } of phasesOf(client))
    yield observation({
      ...{ id: to.newId(), subject, effectiveDateTime: date, valueString: words },
      code: { coding: [OAK_CODES.phase], text: OAK_CODES.phase.display },
    })
}

/** The people and tools of a gym. */
function* gymEntries({ people, instruments }: ExchangeGym): Generator<Resource> {
  for (const { id, name, skill, retired } of people)
    yield {
      ...{ resourceType: 'Practitioner', id, active: !retired, name: [{ text: name }] },
      extension: [extension('skill', { valueString: skill })],
    }
  for (const { id, name, kind, graduation, jaws } of instruments)
    yield {
      ...{ resourceType: 'Device', id, type: { text: kind } },
      deviceName: [{ name, type: 'user-friendly-name' }],
      extension: [
        ...(graduation === null
          ? []
          : [extension('graduation', { valueString: String(graduation) })]),
        ...(jaws === null ? [] : [extension('jaws', { valueString: jaws })]),
      ].slice(0),
    }
}

const entry = (resource: Resource) => ({
  fullUrl: `urn:uuid:${resource.id}`,
  resource: Object.fromEntries(
    Object.entries(resource).filter(([, value]) => !(Array.isArray(value) && value.length === 0)),
  ) as unknown as Resource,
})

/** A record as a Bundle of the type collection. */
export function bundleOf({ clients, ...gym }: Exchange, to: ToBundle): Bundle {
  const resources = [
    ...gymEntries(gym),
    ...clients.flatMap((client) => [...clientEntries(client, to)]),
  ]
  return {
    resourceType: 'Bundle',
    type: 'collection',
    timestamp: to.at,
    entry: resources.map(entry),
  }
}

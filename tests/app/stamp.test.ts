import { expect, test } from 'vitest'
import { stampReading, type LocatedReading } from '../../app/features/check-in/stamp'
import { idOf, readingOp, viewOf } from './support/world'

const A = idOf('check-in A')
const [caliperId, tapeId, boneCaliperId, scaleId] = [
  ...['caliper', 'tape', 'bone caliper', 'scale'],
].map(idOf) as [string, string, string, string]
const { checkIn } = viewOf(A, { caliperId, tapeId, boneCaliperId, scaleId })
const made = { id: idOf('made'), takenAt: '2026-03-02T09:05:00.000Z' }
const typed = (
  kind: LocatedReading['kind'],
  site: LocatedReading['site'] = null,
): LocatedReading => ({
  ...{ kind, site, standard: kind === 'skinfold' ? 'us' : null, trial: 1, value: 12 },
  technique: null,
  ...{ typedUnit: 'mm', typedText: '12' },
})

test.each([
  ['skinfold', 'thigh', caliperId],
  ['girth', 'waist', tapeId],
  ['breadth', 'femur', boneCaliperId],
  ['length', 'foot_length', boneCaliperId],
  ['mass', null, scaleId],
  ['height', null, null],
] as const)('a %s is stored with what it was taken with', (kind, site, instrumentId) => {
  const stamped = stampReading(typed(kind, site), checkIn, [], made, [])
  expect(stamped).toEqual({
    ...{ ...typed(kind, site), ...made, checkInId: A, supersedes: null },
    ...{ testerId: checkIn.testerId, instrumentId, correctedBy: null, sentBy: null },
  })
  const bare = {
    ...{ ...checkIn, caliperId: null, tapeId: null, boneCaliperId: null, scaleId: null },
  }
  expect(stampReading(typed(kind, site), bare, [], made, []).instrumentId).toBeNull()
})

test('it stands in the place of the one in force in its box, and says so of a closed check-in', () => {
  const record = (what: string, more: object) => ({ ...readingOp(A, what).reading, ...more })
  const readings = [
    record('first', {}),
    record('second', { supersedes: idOf('first') }),
    record('other trial', { trial: 2 }),
    record('other standard', { standard: 'int' }),
    record('other site', { site: 'triceps' }),
  ]
  const again = stampReading(typed('skinfold', 'thigh'), checkIn, readings, made, [])
  expect(again.supersedes).toBe(idOf('second'))
  expect(again).not.toHaveProperty('repair')
  const closed = { ...checkIn, closedAt: made.takenAt }
  expect(stampReading(typed('girth', 'waist'), closed, readings, made, [])).toMatchObject({
    ...{ supersedes: null, repair: true },
  })
})

test('a reading of an instrument that is put right says by how much, and stays as it was read', () => {
  const points = [10, 20].map((known) => ({ known, read: known * 1.05 }))
  const checks = [{ checkedOn: '2026-03-01', closingForce: null, points }]
  const other = { id: tapeId, isCorrected: true, checks: [] }
  const with_ = (isCorrected: boolean) =>
    stampReading(typed('skinfold', 'thigh'), checkIn, [], made, [
      { id: caliperId, isCorrected, checks },
      other,
    ])
  // Between 10.5, which is 0.5 too much, and 21, which is 1: 12 lies a seventh of the way.
  expect(with_(true)).toMatchObject({ value: 12, correctedBy: -0.571 })
  expect(with_(false).correctedBy).toBeNull()
  expect(stampReading(typed('girth', 'waist'), checkIn, [], made, [other]).correctedBy).toBeNull()
})

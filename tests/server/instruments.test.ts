import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { addDays, isoDateOf, resultOf } from '#core'
import type { CheckInView } from '#shared/contract/check-ins'
import type { Gym } from '#shared/contract/equipment'
import type { ClientRecord } from '#shared/contract/record'
import type { Today } from '#shared/contract/today'
import { startApi } from './support/app'
import { aReading } from './support/samples'

/* What follows from an instrument that is out of tolerance. The tests go on from one another. */

const today = isoDateOf(new Date())
let api: Awaited<ReturnType<typeof startApi>>
let gym: Gym
const client = { id: randomUUID(), name: 'Rae Row', sex: 'female', birthDate: '1990-03-14' }
const spare = { id: randomUUID(), kind: 'caliper', name: 'Spare', graduation: 0.5, jaws: 'spring' }
const caliper = () => gym.instruments.find(({ id }) => id === gym.settings.caliperId)!
const gymNow = async () => (gym = (await api.get('/api/gym')).body as Gym)

const check = (id: string, daysAgo: number, off: number) =>
  api.post(`/api/gym/instruments/${id}/checks`, {
    ...{ id: randomUUID(), checkedOn: addDays(today, -daysAgo), closingForce: 9.8 },
    points: [10, 20, 30, 40].map((known) => ({ known, read: known + off })),
  })
const start = async (daysAgo = 0) => {
  const id = randomUUID()
  await api.post('/api/check-ins', {
    ...{ id, clientId: client.id, measuredOn: addDays(today, -daysAgo), fromPaper: true },
    ...{ protocolId: 'three-fold', startedAt: new Date().toISOString() },
  })
  return (await api.get(`/api/check-ins/${id}`)).body as CheckInView
}
async function measured(daysAgo: number, correctedBy: number | null = null) {
  const { checkIn } = await start(daysAgo)
  const { testerId } = checkIn
  const readings = ['triceps', 'suprailiac', 'thigh'].map((site) =>
    aReading(
      checkIn.id,
      { testerId, caliperId: gym.settings.caliperId },
      { site, correctedBy, sentBy: 'Digital caliper' },
    ),
  )
  expect(
    (await api.post(`/api/check-ins/${checkIn.id}/readings`, { readings })).body,
  ).toMatchObject({
    refused: [],
  })
  await api.post(`/api/check-ins/${checkIn.id}/close`)
  return checkIn.id
}
const recordNow = async () =>
  (await api.get(`/api/clients/${client.id}/record`)).body as ClientRecord

beforeAll(async () => {
  api = await startApi()
  await api.post('/api/clients', { ...client, birthYear: 1990, height: '168 cm', cadenceDays: 28 })
  await gymNow()
})
afterAll(() => api.close())

test('a check that comes, one that is overdue and what is out stand on Today, the worst first', async () => {
  await check(caliper().id, 176, 0.1)
  const { instruments } = (await api.get('/api/today')).body as Today
  expect(instruments.map(({ kind, what, days }) => [kind, what, days])).toEqual([
    ['scale', 'overdue', null],
    ['tape', 'overdue', null],
    ['caliper', 'soon', 4],
  ])
})

test('out of tolerance, a caliper is no longer proposed, and the verdict that stands on it carries a mark', async () => {
  await measured(200)
  await measured(60)
  expect((await recordNow()).doubts).toEqual([])
  expect((await start()).checkIn.caliperId).toBe(caliper().id)
  await check(caliper().id, 2, 1.4)
  const lastGoodOn = addDays(today, -176)
  const foundOn = addDays(today, -2)
  expect((await recordNow()).doubts).toEqual([{ name: caliper().name, foundOn, lastGoodOn }])
  // None that reads true is there: whoever measures chooses.
  expect((await start()).checkIn.caliperId).toBeNull()
  await api.post('/api/gym/instruments', { ...spare, checkEveryDays: 90, retired: false })
  expect((await start()).checkIn.caliperId).toBe(spare.id)
  const day = (await api.get('/api/today')).body as Today
  expect(day.instruments[0]).toMatchObject({ what: 'out', name: caliper().name })
  // A check-in was missed twice over.
  expect(day.look.shown.map(({ item, inDoubt }) => [item, inDoubt])).toEqual([
    ['missed-twice', true],
  ])
})

test('a bone caliper is put in use and goes with the check-in, until it is found out of tolerance', async () => {
  const id = randomUUID()
  const body = { id, kind: 'bone-caliper', name: 'Branches', graduation: 0.05, jaws: null }
  await api.post('/api/gym/instruments', { ...body, checkEveryDays: 365, retired: false })
  expect((await start()).checkIn.boneCaliperId).toBeNull()
  const { status } = await api.patch('/api/gym/settings', { boneCaliperId: id })
  expect(status).toBe(200)
  expect((await start()).checkIn.boneCaliperId).toBe(id)
  // Two millimeters on ten centimeters is more than it may be off.
  await check(id, 0, 0.2)
  expect((await start()).checkIn.boneCaliperId).toBeNull()
  const away = { ...body, checkEveryDays: 365, retired: true }
  expect((await api.patch(`/api/gym/instruments/${id}`, away)).status).toBe(200)
})

test('after it was serviced it is proposed again; what it read while it was out stays in doubt', async () => {
  const mended = await api.post(`/api/gym/instruments/${caliper().id}/checks`, {
    ...{ id: randomUUID(), checkedOn: addDays(today, -1), points: [{ known: 20, read: 20 }] },
  })
  expect(mended.status).toBe(200)
  const [doubt] = (await recordNow()).doubts
  expect(doubt).toMatchObject({ foundOn: addDays(today, -2), lastGoodOn: addDays(today, -176) })
  expect((await start()).checkIn.caliperId).toBe(caliper().id)
  const { instruments, look } = (await api.get('/api/today')).body as Today
  expect(instruments.some(({ what }) => what === 'out')).toBe(false)
  expect(look.shown.map(({ inDoubt }) => inDoubt)).toEqual([true])
  // And out again, for what follows.
  await check(caliper().id, 0, 1.4)
})

test('what was measured before the last good check is in no doubt', async () => {
  await api.engine.query(
    `update check_ins set voided_at = now(), void_reason = 'a test' where measured_on > $1`,
    [addDays(today, -100)],
  )
  expect((await recordNow()).doubts).toEqual([])
})

test('put right by its check, a caliper is proposed again, and the result counts with what is right', async () => {
  const { body } = await api.post(`/api/gym/instruments/${caliper().id}/correction`, {
    corrected: true,
  })
  expect((body as Gym).instruments.find(({ id }) => id === caliper().id)!.isCorrected).toBe(true)
  expect((await start()).checkIn.caliperId).toBe(caliper().id)
  const plain = await measured(12)
  const corrected = await measured(10, -1.4)
  const { client: who, checkIns, doubts } = await recordNow()
  expect(doubts).toEqual([])
  const sumOf = (id: string) => {
    const result = resultOf(
      who,
      checkIns.find((one) => one.id === id)!,
    )
    return result.ok ? result.value.sumMm : NaN
  }
  expect(sumOf(plain)).toBe(66)
  expect(sumOf(corrected)).toBeCloseTo(66 - 3 * 1.4, 9)
  // What was read stays what it was.
  expect(checkIns.find(({ id }) => id === corrected)!.readings[0]).toMatchObject({
    ...{ value: 22, typedText: '22', correctedBy: -1.4, sentBy: 'Digital caliper' },
  })
})

test('the newest look at zero is kept, once', async () => {
  const id = randomUUID()
  const zero = (read: number, of = randomUUID()) =>
    api.post(`/api/gym/instruments/${spare.id}/zero`, { id: of, read })
  await zero(0, id)
  await zero(0.4, id)
  await gymNow()
  const now = () => gym.instruments.find((one) => one.id === spare.id)!.zero
  expect(now()).toEqual({ on: today, read: 0 })
  await zero(-0.5)
  await gymNow()
  expect(now()).toEqual({ on: today, read: -0.5 })
  expect((await zero(50)).status).toBe(422)
})

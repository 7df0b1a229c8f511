import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { addDays, isoDateOf, siteError } from '#core'
import { callerViewSchema, checkInViewSchema, type CheckIn } from '#shared/check-ins'
import { clientViewSchema } from '#shared/client-view'
import type { Client } from '#shared/clients'
import type { Gym } from '#shared/gym'
import { startApi } from './support/app'

const today = isoDateOf(new Date())

let api: Awaited<ReturnType<typeof startApi>>
beforeAll(async () => {
  api = await startApi()
})
afterAll(() => api.close())

async function addClient(name = 'Ada Testwell'): Promise<Client> {
  const client = {
    name,
    sex: 'female',
    birthDate: '1992-03-14',
    height: '168 cm',
    cadenceDays: '28',
  }
  return (await api.post('/api/clients', client)).body as Client
}

async function start(clientId: string, daysAgo = 0, more: object = {}): Promise<CheckIn> {
  const { body } = await api.post('/api/check-ins', {
    id: randomUUID(),
    clientId,
    measuredOn: addDays(today, -daysAgo),
    startedAt: new Date(Date.now() - daysAgo * 86_400_000).toISOString(),
    ...more,
  })
  return body as CheckIn
}

let minute = 0
function reading(checkInId: string, more: object = {}) {
  return {
    id: randomUUID(),
    checkInId,
    ...{
      kind: 'skinfold',
      site: 'thigh',
      standard: 'us',
      trial: 1,
      value: 22,
      unit: 'mm',
      typed: '22',
    },
    takenAt: new Date(Date.UTC(2026, 0, 1) + 60_000 * minute++).toISOString(),
    supersedes: null,
    ...more,
  }
}
const send = (checkInId: string, readings: unknown[]) =>
  api.post(`/api/check-ins/${checkInId}/readings`, { readings })
const viewOf = async (id: string) =>
  checkInViewSchema.parse((await api.get(`/api/check-ins/${id}`)).body)
const clientOf = async (id: string) =>
  clientViewSchema.parse((await api.get(`/api/clients/${id}`)).body)
const gym = async () => (await api.get('/api/gym')).body as Gym

describe('the height in force', () => {
  test('is the one of the day, measured or put on record; a check-in’s own is told apart', async () => {
    const client = await addClient()
    await api.patch(`/api/clients/${client.id}`, {
      height: '166 cm',
      heightTakenOn: addDays(today, -400),
    })
    const old = await start(client.id, 300)
    await api.post(`/api/check-ins/${old.id}/close`)
    const measured = await start(client.id, 100)
    const height = (trial: number, value: number, more: object = {}) =>
      reading(measured.id, {
        ...{ kind: 'height', site: null, standard: null, unit: 'cm', trial, value, ...more },
        typed: String(value),
      })
    const slip = height(2, 176.2)
    await send(measured.id, [
      height(1, 167),
      slip,
      height(3, 167.4),
      height(2, 167.2, { supersedes: slip.id }),
    ])
    await api.post(`/api/check-ins/${measured.id}/close`)
    const later = await start(client.id, 50)
    expect((await viewOf(old.id)).checkIn.heightCm).toBe(166)
    expect((await viewOf(measured.id)).checkIn.heightCm).toBe(166)
    expect((await viewOf(later.id)).checkIn.heightCm).toBeCloseTo(167.2, 9)
    // Put on record when the client was added, today: the latest.
    expect((await clientOf(client.id)).client.heightCm).toBe(168)
    await api.post(`/api/check-ins/${measured.id}/void`, { reason: 'another person' })
    expect((await viewOf(later.id)).checkIn.heightCm).toBe(166)
  })
})

describe('the hand', () => {
  test('is the tester’s skill, the caliper’s jaws and step, and the own duplicates of other days', async () => {
    const { body } = await api.post('/api/gym/testers', { name: 'Pair Taker', skill: 'novice' })
    const testerId = (body as Gym).testers.find(({ name }) => name === 'Pair Taker')!.id
    const made = await api.post('/api/gym/instruments', {
      kind: 'caliper',
      name: 'Squeezed',
      graduation: 1,
      jaws: 'hand',
      checkEveryDays: 90,
    })
    const caliperId = (made.body as Gym).instruments.find(({ name }) => name === 'Squeezed')!.id
    const client = await addClient()
    const tools = { testerId, caliperId }
    const first = await start(client.id, 20)
    await api.patch(`/api/check-ins/${first.id}`, tools)
    const slip = reading(first.id, { trial: 2, value: 32 })
    await send(first.id, [
      reading(first.id),
      slip,
      reading(first.id, { trial: 2, value: 23, supersedes: slip.id }),
      reading(first.id, { site: 'chest', value: 9 }),
    ])
    await api.post(`/api/check-ins/${first.id}/close`)
    const second = await start(client.id, 10)
    await send(second.id, [reading(second.id), reading(second.id, { trial: 2, value: 40 })])
    // Remembered from the check-in before, and its own pair is left out.
    expect(second).toMatchObject(tools)
    const { setup } = await viewOf(second.id)
    expect(setup).toEqual({
      skill: 'novice',
      ownErrors: { thigh: { tem: Math.SQRT1_2, pairs: 1 } },
      graduation: { mm: 1, cm: 0.1 },
      handSqueezed: true,
    })
    expect(siteError('thigh', setup).repeat).toBeLessThan(siteError('front_thigh', setup).repeat)
    await api.post(`/api/check-ins/${first.id}/void`, { reason: 'caliper dropped' })
    expect((await viewOf(second.id)).setup.ownErrors).toEqual({})
    const { testers, instruments } = await gym()
    await api.patch('/api/gym/settings', {
      testerId: testers[0]!.id,
      caliperId: instruments.find(({ kind }) => kind === 'caliper')!.id,
    })
  })

  test('can be nobody and nothing that is not there, nor a tape for a caliper', async () => {
    const { id } = await start((await addClient()).id)
    const tape = (await gym()).instruments.find(({ kind }) => kind === 'tape')!
    for (const tools of [{ testerId: randomUUID() }, { caliperId: tape.id }]) {
      const { status, body } = await api.patch(`/api/check-ins/${id}`, tools)
      expect([status, body.problems[0].message]).toEqual([404, 'No such tester or instrument.'])
    }
  })
})

describe('the rules of a check-in', () => {
  const own = {
    id: 'own-boat',
    name: 'Boat',
    standard: 'us',
    folds: ['thigh', 'triceps'],
    girths: [],
    rounds: 1,
    toleranceMm: 1,
  }

  test('keep a copy of an own set, and the tolerance of their day', async () => {
    await api.post('/api/gym/own-protocols', own)
    await api.patch('/api/gym/settings', { tolerance: { kind: 'mm', value: 1 } })
    const client = await addClient()
    const first = await start(client.id, 5, { protocolId: 'own-boat' })
    await api.post(`/api/check-ins/${first.id}/close`)
    await api.post('/api/gym/own-protocols', { ...own, folds: ['chest'] })
    await api.patch('/api/gym/settings', { tolerance: null })
    const { checkIn } = await viewOf(first.id)
    expect(checkIn.ownProtocol).toEqual(own)
    expect(checkIn.tolerance).toEqual({ kind: 'mm', value: 1 })
    expect((await start(client.id)).tolerance).toBeNull()
    await api.delete('/api/gym/own-protocols/own-boat')
    expect((await gym()).ownProtocols).toEqual([])
    expect((await viewOf(first.id)).checkIn.ownProtocol).toEqual(own)
  })

  test('refuse a set that is not there, and an own one in the core’s words', async () => {
    const client = await addClient()
    const asked = { id: randomUUID(), clientId: client.id, measuredOn: today }
    const { status } = await api.post('/api/check-ins', {
      ...asked,
      startedAt: new Date().toISOString(),
      protocolId: 'own-nothing',
    })
    expect(status).toBe(404)
    const wrong = await api.post('/api/gym/own-protocols', { ...own, folds: ['iliac_crest'] })
    expect([wrong.status, wrong.body.problems[0].message]).toEqual([
      422,
      expect.stringMatching(/standard us: got “Iliac crest”/),
    ])
  })

  test('a paper sheet stands beside the one under way, and in its place by date', async () => {
    const client = await addClient()
    const open = await start(client.id)
    const paper = await start(client.id, 60, { fromPaper: true })
    expect(paper.id).not.toBe(open.id)
    expect((await start(client.id)).id).toBe(open.id)
    await api.post(`/api/check-ins/${paper.id}/close`)
    expect((await viewOf(open.id)).earlier.map(({ id }) => id)).toEqual([paper.id])
  })
})

test('the private screening keeps its history and stays off what the caller’s screen is sent', async () => {
  const client = await addClient()
  const { id } = await start(client.id)
  await api.patch(`/api/check-ins/${id}`, { conditions: { cycle: 'second', notes: 'tired' } })
  for (const flags of [['pregnant'], ['recently pregnant']]) {
    await api.post(`/api/clients/${client.id}/screening`, { flags, notes: 'in confidence' })
  }
  expect((await viewOf(id)).screening).toMatchObject({
    answers: { flags: ['recently pregnant'] },
    reviewedOn: today,
  })
  const { body } = await api.get(`/api/check-ins/${id}/caller`)
  expect(callerViewSchema.strict().safeParse(body).success).toBe(true)
  expect(JSON.stringify(body)).not.toMatch(/pregnan|confidence|tired|second|birthDate/)
})

describe('repairs', () => {
  test('an edit is written down with what it was; the same again is not', async () => {
    const client = await addClient('Edda Edit')
    const change = { birthDate: '1993-03-14', sex: 'male', showPercentages: false }
    await api.patch(`/api/clients/${client.id}`, change)
    await api.patch(`/api/clients/${client.id}`, change)
    const { history, client: now } = await clientOf(client.id)
    expect(now).toMatchObject(change)
    expect(history.map(({ words }) => words).sort()).toEqual([
      'Birth date: 1993-03-14, was 1992-03-14',
      'Percentages shown: no, was yes',
      'Sex used by the equations: male, was female',
    ])
    const bad = await api.patch(`/api/clients/${client.id}`, {
      height: 'tall',
      birthDate: '2999-01-01',
    })
    expect(bad.status).toBe(422)
    expect(bad.body.problems.map(({ field }: { field: string }) => field)).toEqual([
      'birthDate',
      'height',
    ])
  })

  test('void, take back and move keep every reading, and both histories say so', async () => {
    const [from, to] = [await addClient('From'), await addClient('To')]
    const { id } = await start(from.id, 3)
    await send(id, [reading(id)])
    await api.post(`/api/check-ins/${id}/close`)
    expect((await api.post(`/api/check-ins/${id}/void`, { reason: ' ' })).status).toBe(422)
    await api.post(`/api/check-ins/${id}/void`, { reason: 'wet skin' })
    const voided = await clientOf(from.id)
    expect([voided.checkIns.length, voided.voided[0]!.readings.length]).toEqual([0, 1])
    await api.post(`/api/check-ins/${id}/restore`)
    expect((await clientOf(from.id)).checkIns[0]!.voided).toBeNull()
    const same = await api.post(`/api/check-ins/${id}/move`, { clientId: from.id, reason: 'x' })
    expect(same.status).toBe(409)
    await api.post(`/api/check-ins/${id}/move`, { clientId: to.id, reason: 'wrong name' })
    const moved = await clientOf(to.id)
    expect(moved.checkIns[0]!.readings).toHaveLength(1)
    expect(moved.history[0]!.words).toMatch(/moved here from another client: wrong name/)
    expect(
      (await clientOf(from.id)).history.map(({ words }) =>
        words.replace(/.*? (?=void|taken|moved)/, ''),
      ),
    ).toEqual(['moved to another client: wrong name', 'taken back', 'voided: wet skin'])
  })

  test('archived leaves the lists and can come back; erased is gone, and only by name', async () => {
    const client = await addClient('Orrin Gone')
    const { id } = await start(client.id)
    const slip = reading(id, { value: 65 })
    await send(id, [slip, reading(id, { value: 6.5, supersedes: slip.id })])
    await api.patch(`/api/clients/${client.id}`, { archived: true })
    const listed = async () => JSON.stringify((await api.get('/api/today')).body)
    expect(await listed()).not.toContain('Orrin Gone')
    expect((await api.get('/api/archive')).body).toContainEqual({
      id: client.id,
      name: 'Orrin Gone',
    })
    await api.patch(`/api/clients/${client.id}`, { archived: false })
    expect(await listed()).toContain('Orrin Gone')
    const wrong = await api.post(`/api/clients/${client.id}/erase`, { name: 'Orrin' })
    expect([wrong.status, wrong.body.problems[0].message]).toEqual([
      409,
      'Name: got “Orrin”. Accepted: Orrin Gone, the client to be erased.',
    ])
    await api.post(`/api/clients/${client.id}/erase`, { name: 'Orrin Gone' })
    expect((await api.get(`/api/clients/${client.id}`)).status).toBe(404)
    expect((await api.get(`/api/check-ins/${id}`)).status).toBe(404)
  })
})

test('site notes: the latest of a site and standard is in force', async () => {
  const { id } = await addClient()
  const mark = (text: string, standard: string, side = 'right') =>
    api.post(`/api/clients/${id}/site-notes`, { site: 'triceps', standard, text, side })
  await mark('by the mole', 'us')
  await mark('by the freckle', 'int')
  await mark('above the mole', 'us', 'left')
  expect((await clientOf(id)).siteNotes.map(({ standard, text, side }) => [standard, text, side])).toEqual([
    ['int', 'by the freckle', 'right'],
    ['us', 'above the mole', 'left'],
  ])
  expect((await mark('x', 'us', 'both')).body.problems[0].message).toBe(
    'Side: got “both”. Accepted: right, left.',
  )
})

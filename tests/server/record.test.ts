/*
 * What is kept of a client and how it is changed. One long file, since its parts build on one record.
 */

import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { addDays, isoDateOf, readOwnProtocol } from '#core'
import { callerViewSchema, checkInViewSchema, type CheckIn } from '#shared/contract/check-ins'
import { clientRecordSchema, type ClientFile } from '#shared/contract/record'
import type { Client } from '#shared/contract/clients'
import type { Gym, Settings } from '#shared/contract/equipment'
import { startApi } from './support/app'
import { aReading } from './support/samples'

const today = isoDateOf(new Date())

let api: Awaited<ReturnType<typeof startApi>>
let usual: Settings
beforeAll(async () => {
  api = await startApi()
  usual = (await gym()).settings
})
afterAll(() => api.close())

async function addClient(name = 'Ada Testwell'): Promise<Client> {
  const client = {
    id: randomUUID(),
    name,
    sex: 'female',
    birthDate: '1992-03-14',
    height: '168 cm',
    cadenceDays: 28,
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
const reading = (checkInId: string, more: object = {}) =>
  aReading(checkInId, usual, {
    takenAt: new Date(Date.UTC(2026, 0, 1) + 60_000 * minute++).toISOString(),
    ...more,
  })
const send = (checkInId: string, readings: unknown[]) =>
  api.post(`/api/check-ins/${checkInId}/readings`, { readings })
const viewOf = async (id: string) =>
  checkInViewSchema.parse((await api.get(`/api/check-ins/${id}`)).body)
const recordOf = async (id: string) =>
  clientRecordSchema.parse((await api.get(`/api/clients/${id}/record`)).body)
const fileOf = async (id: string) => (await api.get(`/api/clients/${id}/file`)).body as ClientFile
const gym = async () => (await api.get('/api/gym')).body as Gym

describe('the height in force', () => {
  test('is the one of the day, measured or put on record; a check-in’s own is told apart', async () => {
    const client = await addClient()
    await api.patch(`/api/clients/${client.id}`, {
      height: '166 cm',
      heightTakenOn: addDays(today, -400),
    })
    const old = await start(client.id, 300)
    await send(old.id, [reading(old.id)])
    await api.post(`/api/check-ins/${old.id}/close`)
    const measured = await start(client.id, 100)
    const height = (trial: number, value: number, more: object = {}) =>
      reading(measured.id, {
        ...{ kind: 'height', site: null, standard: null, typedUnit: 'cm', trial, value, ...more },
        typedText: String(value),
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
    expect((await recordOf(client.id)).client.heightCm).toBe(168)
    await api.post(`/api/check-ins/${measured.id}/void`, { reason: 'another person' })
    expect((await viewOf(later.id)).checkIn.heightCm).toBe(166)
  })
})

describe('who measures and with what', () => {
  test('is said by each reading; the error is the tester’s own, of closed check-ins', async () => {
    const testerId = randomUUID()
    const caliperId = randomUUID()
    await api.post('/api/gym/testers', { id: testerId, name: 'Pair Taker', skill: 'novice' })
    await api.post('/api/gym/instruments', {
      ...{ id: caliperId, kind: 'caliper', name: 'Squeezed', graduation: 1, jaws: 'hand' },
      checkEveryDays: 90,
    })
    const client = await addClient()
    const tools = { testerId, caliperId }
    const by = { testerId, instrumentId: caliperId }
    const first = await start(client.id, 20)
    await api.patch(`/api/check-ins/${first.id}`, { revision: 0, ...tools })
    const slip = reading(first.id, { trial: 2, value: 32, ...by })
    await send(first.id, [
      reading(first.id, by),
      slip,
      reading(first.id, { trial: 2, value: 23, supersedes: slip.id, ...by }),
      reading(first.id, { site: 'chest', value: 9, ...by }),
      // Another tester’s second trial is no duplicate.
      reading(first.id, { site: 'chest', value: 11, trial: 2 }),
    ])
    expect((await viewOf(first.id)).ownErrors[testerId]).toBeUndefined()
    await api.post(`/api/check-ins/${first.id}/close`)
    const second = await start(client.id, 10)
    // The instruments in use come along, and the tester is this client’s last one.
    expect(second).toMatchObject(tools)
    const view = await viewOf(second.id)
    expect(view.ownErrors[testerId]).toEqual({ thigh: { tem: Math.SQRT1_2, pairs: 1 } })
    expect(view.earlier[0]!.readings.map((r) => r.testerId)).toEqual([
      ...[testerId, testerId, testerId, testerId],
      usual.testerId,
    ])
    await api.post(`/api/check-ins/${first.id}/void`, { reason: 'caliper dropped' })
    expect((await viewOf(second.id)).ownErrors[testerId]).toBeUndefined()
    await api.patch('/api/gym/settings', usual)
  })

  test('the tester proposed is the client’s last one, whoever measured last of all', async () => {
    const [mine, other] = [await addClient('Mine'), await addClient('Other')]
    const testerId = randomUUID()
    await api.post('/api/gym/testers', { id: testerId, name: 'Other Tester', skill: 'trained' })
    const first = await start(mine.id, 9)
    await send(first.id, [reading(first.id)])
    await api.post(`/api/check-ins/${first.id}/close`)
    const theirs = await start(other.id)
    await api.patch(`/api/check-ins/${theirs.id}`, { revision: 0, testerId })
    expect((await gym()).settings.testerId).toBe(testerId)
    expect((await start(mine.id)).testerId).toBe(usual.testerId)
    await api.patch('/api/gym/settings', usual)
  })

  test('an old check-in’s caliper is not the gym’s', async () => {
    const client = await addClient()
    const { id } = await start(client.id, 9)
    await send(id, [reading(id)])
    await api.post(`/api/check-ins/${id}/close`)
    await api.patch(`/api/check-ins/${id}`, { revision: 0, caliperId: null })
    expect((await gym()).settings.caliperId).toBe(usual.caliperId)
    expect((await fileOf(client.id)).auditLog[0]).toMatchObject({
      ...{ subject: 'check-in', field: 'caliperId', old: usual.caliperId, new: null },
    })
  })

  test('is by no conversion that was made on the other sex', async () => {
    const { id } = await start((await addClient()).id)
    const by = async (conversion: string) =>
      api.patch(`/api/check-ins/${id}`, { revision: 0, conversion })
    const { status, body } = await by('schutte')
    expect([status, body.problems[0].field]).toEqual([422, 'conversion'])
    expect(body.problems[0].message).toMatch(/siri, brozek, ortiz, or white-women. Got “schutte”/)
    expect((await by('ortiz')).status).toBe(200)
    expect((await api.get(`/api/check-ins/${id}`)).body.checkIn.conversion).toBe('ortiz')
    await api.delete(`/api/check-ins/${id}`)
  })

  test('can be nobody and nothing that is not there, nor a tape for a caliper', async () => {
    const { id } = await start((await addClient()).id)
    const tape = (await gym()).instruments.find(({ kind }) => kind === 'tape')!
    const wrong = [{ testerId: randomUUID() }, { caliperId: tape.id }, { boneCaliperId: tape.id }]
    for (const tools of wrong) {
      const { status, body } = await api.patch(`/api/check-ins/${id}`, { revision: 0, ...tools })
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
    await send(first.id, [reading(first.id)])
    await api.post(`/api/check-ins/${first.id}/close`)
    await api.post('/api/gym/own-protocols', { ...own, folds: ['chest'] })
    await api.patch('/api/gym/settings', { tolerance: null })
    const { checkIn } = await viewOf(first.id)
    expect(checkIn.ownProtocol).toEqual(readOwnProtocol(own))
    expect(checkIn.tolerance).toEqual({ kind: 'mm', value: 1 })
    expect((await start(client.id)).tolerance).toBeNull()
    await api.delete('/api/gym/own-protocols/own-boat')
    expect((await gym()).ownProtocols).toEqual([])
    expect((await viewOf(first.id)).checkIn.ownProtocol).toEqual(readOwnProtocol(own))
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
      expect.stringMatching(/standard us: .* Got “?Iliac crest/),
    ])
  })

  test('a paper sheet stands beside the one under way, and in its place by date', async () => {
    const client = await addClient()
    const open = await start(client.id)
    const paper = await start(client.id, 60, { fromPaper: true })
    expect(paper.id).not.toBe(open.id)
    expect((await start(client.id)).id).toBe(open.id)
    await send(paper.id, [reading(paper.id)])
    await api.post(`/api/check-ins/${paper.id}/close`)
    expect((await viewOf(open.id)).earlier.map(({ id }) => id)).toEqual([paper.id])
  })
})

test('the private screening keeps its history and stays off what the caller’s screen is sent', async () => {
  const client = await addClient()
  const { id } = await start(client.id)
  await api.patch(`/api/check-ins/${id}`, {
    revision: 0,
    conditions: { cycle: 'second', notes: 'tired' },
  })
  for (const flags of [['pregnant'], ['recently pregnant']]) {
    await api.add(`/api/clients/${client.id}/screening`, { flags, notes: 'in confidence' })
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
    const change = {
      ...{ birthDate: '1993-03-14', sex: 'male', showPercentages: false, groupTerm: 'asian' },
    }
    await api.patch(`/api/clients/${client.id}`, change)
    await api.patch(`/api/clients/${client.id}`, change)
    expect((await recordOf(client.id)).client).toMatchObject(change)
    const { auditLog } = await fileOf(client.id)
    const byField = auditLog.map(({ field, old, new: now }) => [field, old, now])
    expect(byField.sort()).toEqual([
      ['birthDate', '1992-03-14', '1993-03-14'],
      ['groupTerm', null, 'asian'],
      ['sex', 'female', 'male'],
      ['showPercentages', true, false],
    ])
    expect(auditLog[0]).toMatchObject({ actor: 'this computer', subject: 'client' })
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

  test('void, restore and move keep every reading, and both logs say so', async () => {
    const [from, to] = [await addClient('From'), await addClient('To')]
    const { id } = await start(from.id, 3)
    await send(id, [reading(id)])
    await api.post(`/api/check-ins/${id}/close`)
    expect((await api.post(`/api/check-ins/${id}/void`, { reason: ' ' })).status).toBe(422)
    await api.post(`/api/check-ins/${id}/void`, { reason: 'wet skin' })
    expect((await recordOf(from.id)).checkIns).toEqual([])
    expect((await fileOf(from.id)).voided).toMatchObject([{ id, readings: 1, reason: 'wet skin' }])
    await api.post(`/api/check-ins/${id}/restore`)
    expect((await recordOf(from.id)).checkIns[0]!.voided).toBeNull()
    const same = await api.post(`/api/check-ins/${id}/move`, { clientId: from.id, reason: 'x' })
    expect(same.status).toBe(409)
    await api.post(`/api/check-ins/${id}/move`, { clientId: to.id, reason: 'wrong name' })
    expect((await recordOf(to.id)).checkIns[0]!.readings).toHaveLength(1)
    const moved = { subject: 'check-in', field: 'client', reason: 'wrong name' }
    expect((await fileOf(to.id)).auditLog[0]).toMatchObject({ ...moved, new: 'this client' })
    const said = (await fileOf(from.id)).auditLog.map(({ field, new: now }) => [field, now])
    expect(said).toEqual([
      ['client', 'another client'],
      ['voided', false],
      ['voided', true],
    ])
  })

  test('what is changed after closing is in the log, value by value; readings want to be called repairs', async () => {
    const client = await addClient('Rita Repair')
    const { id } = await start(client.id, 3)
    const thigh = reading(id)
    await send(id, [thigh])
    await api.post(`/api/check-ins/${id}/close`)
    const late = reading(id, { trial: 2 })
    expect((await send(id, [late])).body.refused).toMatchObject([{ id: late.id, code: 'closed' }])
    const mended = reading(id, { value: 24, typedText: '24', supersedes: thigh.id, repair: true })
    expect((await send(id, [mended])).body.stored).toEqual([mended.id])
    await api.patch(`/api/check-ins/${id}`, { revision: 0, conversion: 'brozek', massDry: true })
    const { auditLog } = await fileOf(client.id)
    expect(auditLog.map(({ subject, field, old, new: now }) => [subject, field, old, now])).toEqual(
      [
        ['check-in', 'massDry', null, true],
        ['check-in', 'conversion', 'siri', 'brozek'],
        ['reading', 'thigh 1', { typed: '22', unit: 'mm' }, { typed: '24', unit: 'mm' }],
      ],
    )
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
      'Type Orrin Gone, the name of the client to be deleted. Got “Orrin”.',
    ])
    await api.post(`/api/clients/${client.id}/erase`, { name: 'Orrin Gone' })
    expect((await api.get(`/api/clients/${client.id}`)).status).toBe(404)
    expect((await api.get(`/api/check-ins/${id}`)).status).toBe(404)
  })
})

test('site notes: the latest of a site and standard is in force', async () => {
  const { id } = await addClient()
  const mark = (text: string, standard: string, side = 'right') =>
    api.add(`/api/clients/${id}/site-notes`, { site: 'triceps', standard, text, side })
  await mark('by the mole', 'us')
  await mark('by the freckle', 'int')
  await mark('above the mole', 'us', 'left')
  expect(
    (await fileOf(id)).siteNotes.map(({ standard, text, side }) => [standard, text, side]),
  ).toEqual([
    ['int', 'by the freckle', 'right'],
    ['us', 'above the mole', 'left'],
  ])
  expect((await mark('x', 'us', 'both')).body.problems[0].message).toBe(
    'Side: enter right or left. Got “both”.',
  )
})

describe('what holds on', () => {
  test('closing twice keeps the first time', async () => {
    const { id } = await start((await addClient()).id)
    await send(id, [reading(id)])
    await api.post(`/api/check-ins/${id}/close`)
    const { closedAt } = (await viewOf(id)).checkIn
    await api.engine.query(
      "update check_ins set closed_at = closed_at - interval '1 hour' where id = $1",
      [id],
    )
    expect((await api.post(`/api/check-ins/${id}/close`)).status).toBe(200)
    const hours = (Date.parse(closedAt!) - Date.parse((await viewOf(id)).checkIn.closedAt!)) / 36e5
    expect(hours).toBeCloseTo(1, 9)
  })

  test('while a check-in is open nothing is written into the log, sent twice or not', async () => {
    const client = await addClient()
    const { id } = await start(client.id)
    const [first, second] = [reading(id), reading(id, { trial: 2 })]
    await send(id, [first])
    expect((await send(id, [first, second])).body.stored).toEqual([first.id, second.id])
    expect((await fileOf(client.id)).auditLog).toEqual([])
    await api.patch(`/api/clients/${client.id}`, { name: client.name, cadenceDays: 28 })
    expect((await fileOf(client.id)).auditLog).toEqual([])
  })

  test('a voided check-in is none of the earlier ones', async () => {
    const client = await addClient()
    const old = await start(client.id, 30)
    await send(old.id, [reading(old.id)])
    await api.post(`/api/check-ins/${old.id}/close`)
    const { id } = await start(client.id)
    expect((await viewOf(id)).earlier.map((c) => c.id)).toEqual([old.id])
    await api.post(`/api/check-ins/${old.id}/void`, { reason: 'another person' })
    expect((await viewOf(id)).earlier).toEqual([])
  })

  test('a height counts from its own day on', async () => {
    const client = await addClient()
    const { id } = await start(client.id)
    for (const [height, days] of [
      ['170 cm', 10],
      ['171 cm', 0],
    ] as const) {
      const heightTakenOn = addDays(today, -days)
      await api.patch(`/api/clients/${client.id}`, { height, heightTakenOn })
    }
    expect((await viewOf(id)).checkIn.heightCm).toBe(171)
  })

  test('a window does not collide with itself, whatever it has heard', async () => {
    const { id } = await start((await addClient()).id)
    const [mine, another] = [randomUUID(), randomUUID()]
    const notes = (text: string, window: string) =>
      api.patch(`/api/check-ins/${id}`, { revision: 0, window, conditions: { notes: text } })
    expect((await notes('one', mine)).status).toBe(200)
    expect((await notes('two', mine)).status).toBe(200)
    expect((await notes('three', another)).status).toBe(409)
  })
})

test('what another method said is kept once, in the order of its days, and goes when it is taken away', async () => {
  const { id } = await addClient('Sue Scanned')
  const result = (on: string, fatPercent: number) => ({
    ...{ id: randomUUID(), method: 'dxa', on, fatPercent },
  })
  const [late, early] = [result(today, 21), result(addDays(today, -90), 24)]
  for (const one of [late, early, late]) await api.post(`/api/clients/${id}/other-results`, one)
  const kept = (await recordOf(id)).otherResults
  expect(kept.map(({ fatPercent }) => fatPercent)).toEqual([24, 21])
  expect(kept[0]).toMatchObject({ device: '', conditions: '', fatKg: null, leanKg: null })
  const tomorrow = await api.post(`/api/clients/${id}/other-results`, result(addDays(today, 2), 20))
  expect(tomorrow.status).toBe(422)
  for (let twice = 0; twice < 2; twice++)
    expect((await api.delete(`/api/clients/${id}/other-results/${late.id}`)).status).toBe(200)
  expect((await recordOf(id)).otherResults.map((one) => one.id)).toEqual([early.id])
})

test('a child is shown no percentages, until the coach puts in that a clinician said so', async () => {
  const add = async (birth: object) => {
    const client = { id: randomUUID(), name: 'Cy Young', sex: 'male', cadenceDays: 28, ...birth }
    return (await api.post('/api/clients', client)).body as Client
  }
  const year = Number(today.slice(0, 4))
  const child = await add({ birthDate: `${year - 12}-01-01` })
  expect(child.showPercentages).toBe(false)
  expect((await add({ birthDate: `${year - 30}-01-01` })).showPercentages).toBe(true)
  // Of whom the year alone is known: while they may be under age.
  expect((await add({ birthYear: year - 18 })).showPercentages).toBe(false)
  const { status } = await api.patch(`/api/clients/${child.id}`, { showPercentages: true })
  expect(status).toBe(200)
  expect((await recordOf(child.id)).client.showPercentages).toBe(true)
})

test('breadths and lengths are readings of their own, each as what it is and within its limits', async () => {
  const { id: clientId } = await addClient('Bo Bones')
  const { id } = await start(clientId, 0, { protocolId: 'full-profile' })
  const bone = (kind: string, site: string, value: number, more: object = {}) =>
    reading(id, { kind, site, standard: null, value, typedUnit: 'cm', instrumentId: null, ...more })
  const good = [bone('breadth', 'humerus', 6.4), bone('length', 'sitting_height', 88.2)]
  expect((await send(id, good)).body.refused).toEqual([])
  const bad = [
    bone('girth', 'humerus', 6.4, { trial: 2 }),
    bone('breadth', 'sitting_height', 88, { trial: 2 }),
    bone('breadth', 'humerus', 64, { trial: 2 }),
    bone('breadth', 'humerus', 6.4, { trial: 2, standard: 'int' }),
  ]
  const { refused } = (await send(id, bad)).body as { refused: { code: string }[] }
  expect(refused.map(({ code }) => code)).toEqual(Array(4).fill('refused'))
  const { checkIn } = await viewOf(id)
  expect(checkIn.readings.map(({ kind, site, value }) => [kind, site, value])).toEqual([
    ['breadth', 'humerus', 6.4],
    ['length', 'sitting_height', 88.2],
  ])
})

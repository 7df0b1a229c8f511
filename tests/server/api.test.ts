import { LANGUAGE_COOKIE } from '#shared/words/language-cookie'
import { FILLER, PSEUDO_LOCALE } from '../../scripts/pseudo-locale'
import { told } from '../support/words'
import { randomUUID } from 'node:crypto'
import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { addDays, daysBetween, isoDateOf } from '#core'
import { checkInViewSchema } from '#shared/contract/check-ins'
import { clientRecordSchema } from '#shared/contract/record'
import { newClientSchema } from '#shared/contract/clients'
import type { Gym } from '#shared/contract/equipment'
import { problemsOf } from '#shared/contract/problems'
import { rosterSchema } from '#shared/contract/roster'
import { todaySchema } from '#shared/contract/today'
import { startApi } from './support/app'
import { aReading } from './support/samples'

const today = isoDateOf(new Date())

let api: Awaited<ReturnType<typeof startApi>>
let gym: Gym
beforeAll(async () => {
  api = await startApi()
  gym = (await api.get('/api/gym')).body as Gym
})
afterAll(() => api.close())

const woman = {
  name: 'Ada Testwell',
  sex: 'female',
  birthDate: '1992-03-14',
  height: '5\'6"',
  cadenceDays: 28,
}

async function addClient(more: object = {}) {
  return (await api.add('/api/clients', { ...woman, ...more })).body as {
    id: string
    heightCm: number
  }
}

async function start(clientId: string, more: object = {}) {
  const { body } = await api.post('/api/check-ins', {
    id: randomUUID(),
    clientId,
    measuredOn: today,
    startedAt: new Date().toISOString(),
    ...more,
  })
  return body as { id: string; protocolId: string; conversion: string }
}

const reading = (checkInId: string, more: object = {}) =>
  aReading(checkInId, gym.settings, { site: 'chest', value: 9.5, typedText: '9,5', ...more })

const send = (checkInId: string, readings: unknown[]) =>
  api.post(`/api/check-ins/${checkInId}/readings`, { readings })

const stored = async (checkInId: string) =>
  checkInViewSchema.parse((await api.get(`/api/check-ins/${checkInId}`)).body).checkIn.readings

describe('clients', () => {
  test('are stored with the height as understood', async () => {
    const client = await addClient()
    expect(client.heightCm).toBeCloseTo(167.64, 9)
    const view = clientRecordSchema.parse((await api.get(`/api/clients/${client.id}/record`)).body)
    expect(view).toMatchObject({
      client: { name: 'Ada Testwell', heightUnit: 'ft in' },
      checkIns: [],
    })
  })

  test('are refused in the same words as on the form, field by field', async () => {
    const wrong = {
      ...{ id: randomUUID(), name: ' ', sex: 'x', birthDate: '2026-02-30', height: 'tall' },
      cadenceDays: 0,
    }
    const { status, body } = await api.post('/api/clients', wrong)
    const onTheForm = told(problemsOf(newClientSchema.safeParse(wrong).error!))
    expect(status).toBe(422)
    expect(body.problems).toEqual(onTheForm)
    expect(onTheForm.map((p) => p.field)).toEqual([
      'name',
      'sex',
      'birthDate',
      'height',
      'cadenceDays',
    ])
    expect(onTheForm.map((p) => p.message).join('\n')).toMatch(/5'10".* Got “tall”/)
  })

  test('that are not there answer 404, and ids that are none 422', async () => {
    expect((await api.get(`/api/clients/${randomUUID()}`)).status).toBe(404)
    expect((await api.get('/api/clients/1')).status).toBe(422)
  })
})

describe('check-ins', () => {
  test('start once, whoever asks again', async () => {
    const client = await addClient()
    const [first, again] = await Promise.all([start(client.id), start(client.id)])
    expect(again.id).toBe(first.id)
    expect(first).toMatchObject({ protocolId: 'seven-fold', conversion: 'siri' })
  })

  test('take protocol and conversion from the last one', async () => {
    const client = await addClient()
    const first = await start(client.id)
    await api.patch(`/api/check-ins/${first.id}`, {
      revision: 0,
      protocolId: 'three-fold',
      conversion: 'brozek',
    })
    await send(first.id, [reading(first.id)])
    await api.post(`/api/check-ins/${first.id}/close`)
    expect(await start(client.id)).toMatchObject({ protocolId: 'three-fold', conversion: 'brozek' })
  })

  test('show only what was closed before them as earlier', async () => {
    const client = await addClient()
    const first = await start(client.id, { measuredOn: addDays(today, -28) })
    await send(first.id, [reading(first.id)])
    await api.post(`/api/check-ins/${first.id}/close`)
    const second = await start(client.id)
    const of = async (id: string) =>
      checkInViewSchema.parse((await api.get(`/api/check-ins/${id}`)).body).earlier.map((e) => e.id)
    expect(await of(second.id)).toEqual([first.id])
    expect(await of(first.id)).toEqual([])
  })
})

describe('readings', () => {
  test('sent twice are stored once, in the order of arrival', async () => {
    const { id } = await start((await addClient()).id)
    const batch = [
      reading(id),
      reading(id, { site: 'thigh', value: 22 }),
      reading(id, { trial: 2 }),
    ]
    expect((await send(id, batch)).body.stored).toEqual(batch.map((r) => r.id))
    expect((await send(id, [...batch].reverse())).body.stored).toHaveLength(3)
    expect((await stored(id)).map((r) => r.id)).toEqual(batch.map((r) => r.id))
  })

  test('are never overwritten: a correction stands beside what it supersedes', async () => {
    const { id } = await start((await addClient()).id)
    const slip = reading(id, { value: 65, typedText: '65' })
    const correction = reading(id, { value: 6.5, typedText: '6.5', supersedes: slip.id })
    await send(id, [slip, correction])
    const twice = (await send(id, [{ ...slip, value: 7 }])).body
    expect(twice.refused).toMatchObject([{ id: slip.id, code: 'id-taken' }])
    expect((await stored(id)).map((r) => r.value)).toEqual([65, 6.5])
    const update = api.db.execute(
      sql`update readings set value_canonical = 1 where id = ${slip.id}`,
    )
    await expect(update).rejects.toMatchObject({
      cause: { message: expect.stringMatching(/append-only/) },
    })
  })

  test('one refused stops none, and says why', async () => {
    const { id } = await start((await addClient()).id)
    const bad = [
      reading(id, { value: 900, typedText: '900' }),
      reading(id, { site: null }),
      reading(randomUUID()),
      reading(id, {
        kind: 'mass',
        site: null,
        standard: null,
        value: 5,
        typedText: '5',
        typedUnit: 'kg',
      }),
    ]
    const good = reading(id)
    const { body } = await send(id, [...bad, good])
    expect(body.stored).toEqual([good.id])
    expect(body.refused.map((r: { message: string }) => r.message)).toEqual([
      'Chest: enter 2 to 70 mm. Got “900”.',
      'Site: a fold names its site and landmark standard, a girth its site, body mass and height neither.',
      'This reading belongs to another check-in.',
      'Body mass: enter 25 to 350 kg. Got “5”.',
    ])
  })
})

test('Today says who is under way, due and late', async () => {
  const closedOn = async (daysAgo: number) => {
    const client = await addClient()
    const checkIn = await start(client.id, { measuredOn: addDays(today, -daysAgo) })
    await send(checkIn.id, [reading(checkIn.id)])
    await api.post(`/api/check-ins/${checkIn.id}/close`)
    return client.id
  }
  const ids = [await closedOn(10), await closedOn(28), await closedOn(31), (await addClient()).id]
  const open = await start(ids[0]!)
  await send(open.id, [reading(open.id)])
  const { entries } = rosterSchema.parse((await api.get('/api/clients')).body)
  const { measure } = todaySchema.parse((await api.get('/api/today')).body)
  const found = ids.map((id) => entries.find((e) => e.client.id === id)!)
  expect(found.map((e) => [e.state, e.dueOn && daysBetween(e.dueOn, today)])).toEqual([
    ['under way', -18],
    ['due', 0],
    ['late', 3],
    ['first', null],
  ])
  expect(measure.shown.find((e) => e.client.id === ids[0])!.open).toMatchObject({
    id: open.id,
    readings: 1,
  })
})

test('an answer is in the language of who asks, refused or not', async () => {
  const ask = async (headers: Record<string, string>, path = '/api/nothing') =>
    (await (await api.raw('GET', path, { headers })).json()) as { problems: { message: string }[] }
  const said = async (...of: Parameters<typeof ask>) => (await ask(...of)).problems[0]!.message
  const english = 'There is nothing at this address.'
  expect(await said({})).toBe(english)
  expect(await said({ 'accept-language': 'fr-FR, fr;q=0.9' })).toBe(english)
  const long = await said({ cookie: `${LANGUAGE_COOKIE}=${PSEUDO_LOCALE}` })
  expect(long).not.toBe(english)
  expect(long.replaceAll(FILLER, '')).toBe(english)
  const gone = `/api/clients/${randomUUID()}/record`
  const refused = await said({ cookie: `${LANGUAGE_COOKIE}=${PSEUDO_LOCALE}` }, gone)
  expect(refused).toContain(FILLER)
  expect(refused.replaceAll(FILLER, '')).toBe('No such client.')
})

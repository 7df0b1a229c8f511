import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { addDays, isoDateOf } from '#core'
import { routesOf } from '#shared/contract'
import { pathOf, type Route } from '#shared/contract/define'
import { handlers } from './support/app'
import { startWithSamples, type Sample, type SampledApi, type Samples } from './support/samples'

/*
 * The table of routes, walked: every route has one handler, takes what is right, refuses what is wrong in words that
 * name the field, stores nothing of it, and does a thing once however often it is sent.
 */

const today = isoDateOf(new Date())
const ROUTES = routesOf()

let api: SampledApi
let made: Samples
beforeAll(async () => void ({ api, made } = await startWithSamples()))
afterAll(() => api.close())

/** Sends a request; JSON unless it is a file. */
async function send(route: Route, { params, query, body, file }: Sample, more: RequestInit = {}) {
  const asked = query ? `?${new URLSearchParams(query)}` : ''
  const sent: RequestInit = file
    ? { body: file.bytes, headers: { 'content-type': file.type } }
    : route.body
      ? { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }
      : {}
  const response = await api.raw(route.method, pathOf(route.path, params) + asked, {
    ...sent,
    ...more,
  })
  const type = response.headers.get('content-type') ?? ''
  // An open stream: its first line is of a check-in, and it stays open.
  if (type.includes('event-stream')) {
    return { status: response.status, answer: undefined }
  }
  const text = await response.text()
  return { status: response.status, answer: /[/+]json/.test(type) ? JSON.parse(text) : text }
}

/** What stands in the database, but for the clock. */
async function everything() {
  const { rows } = await api.engine.query<{ name: string }>(
    `select table_name as name from information_schema.tables
     where table_schema = 'public' and table_type = 'BASE TABLE' order by 1`,
  )
  const counts: Record<string, string> = {}
  for (const { name } of rows) {
    const found = await api.engine.query<{ all: string }>(
      `select coalesce(md5(string_agg(t::text, '|' order by t::text)), '') as all from "${name}" t`,
    )
    counts[name] = found.rows[0]!.all
  }
  return counts
}

test('every route has one handler and one sample, every handler a route, by method and path', () => {
  const named = handlers.map(({ path, method, route }) => {
    expect(route, path).toBeDefined()
    expect(`${method} ${path}`).toBe(`${route!.method.toLowerCase()} ${route!.path}`)
    return route
  })
  expect(new Set(named).size).toBe(named.length)
  expect(new Set(named)).toEqual(new Set(ROUTES.map(([, route]) => route)))
  expect(Object.keys(made.samples).sort()).toEqual(ROUTES.map(([name]) => name).sort())
})

test.each(ROUTES)('%s takes what is right', async (name, route) => {
  const { status, answer } = await send(route, made.samples[name]!())
  // What is not there any more, or stands in the way, is said with a status of its own.
  const usual: Record<string, number> = {
    ...{
      'photos.remove': 404,
      'photos.restore': 404,
      'leaderboards.remove': 404,
      'clients.erase': 409,
    },
    ...{ 'plans.keep': 422, 'plans.refuse': 422, 'checkIns.close': 404 },
    // Nobody signs in here.
    ...{ 'access.signIn': 401, 'access.begin': 422, 'access.changePassword': 409 },
    ...{ 'access.nameDevice': 409, 'access.addAccount': 409, 'access.changeAccount': 404 },
    ...{ 'access.removeAccount': 404, 'access.endSession': 404, 'access.letPhonesIn': 409 },
    ...{ 'access.certificate': 404, 'access.offerPairing': 409, 'access.pair': 401 },
    // Nobody is a client here, and nobody outside can come in.
    ...{ 'my.page': 403, 'my.send': 403, 'my.answer': 403, 'my.addPhoto': 403, 'my.photo': 403 },
    ...{ 'reminders.myFeed': 403, 'reminders.again': 404, 'reminders.outbox': 404 },
    // Of no mail.
    ...{ 'reminders.stop': 404, 'reminders.resume': 404 },
    ...{ 'sharing.addLink': 409, 'sharing.endLink': 404, 'sharing.open': 401 },
    // The record of this test is in memory, where there are no backups.
    ...{ 'backups.make': 409, 'backups.change': 409, 'backups.bring': 409, 'backups.file': 409 },
    ...{ 'backups.tryOut': 409, 'backups.restore': 409 },
  }
  expect(status, JSON.stringify(answer)).toBe(usual[name] ?? route.status ?? 200)
  if ('parse' in route.reply && status < 300) route.reply.parse(answer)
  if (name === 'checkIns.move') await moveBack()
})

const moveBack = () =>
  api.post(`/api/check-ins/${made.checkIn}/move`, { clientId: made.client.id, reason: 'back' })

const CREATING = ROUTES.filter(
  ([name, { method, body }]) =>
    method === 'POST' && body && !/erase|Readings|end|keep$|refuse$/.test(name),
)
test.each(CREATING)('%s sent twice does it once', async (name, route) => {
  const sample = made.samples[name]!()
  const first = await send(route, sample)
  const before = await everything()
  const again = await send(route, sample)
  expect(again.status).toBe(name === 'checkIns.move' ? 409 : first.status)
  expect(await everything()).toEqual(before)
  if (name === 'checkIns.void') await api.post(`/api/check-ins/${made.checkIn}/restore`)
  if (name === 'checkIns.move') await moveBack()
})

const WRONG: unknown[] = [{ of: 'another form' }, 'x'.repeat(30_000), -7.25, [[]]]

describe.each(
  ROUTES.filter(
    ([name, { body }]) =>
      body && name !== 'plans.keep' && name !== 'plans.refuse' && !name.startsWith('my.'),
  ),
)('%s', (name, route) => {
  test('refuses each field with words', async () => {
    const before = await everything()
    const { body = {}, optional = [], ...rest } = made.samples[name]!()
    for (const field of Object.keys(body)) {
      const leftOut = Object.fromEntries(Object.entries(body).filter(([f]) => f !== field))
      const mayMiss = optional.includes(field) || optional.includes('*')
      const bodies = [
        ...WRONG.map((value) => ({ ...body, [field]: value })),
        ...(mayMiss ? [] : [leftOut]),
      ]
      let refused = 0
      for (const sent of bodies) {
        const { status, answer } = await send(route, { ...rest, body: sent })
        // A number is a fine text of a name or a count; whatever is taken has to be right, and is looked at below.
        if (status < 400) continue
        refused++
        const words = `${name}, ${field}: ${JSON.stringify(answer)}`
        if (status === 404 || status === 409) continue
        expect(status, words).toBe(422)
        const problem = answer.problems[0] as { field: string; message: string }
        expect(problem.field.split('.')[0], words).toBe(field)
        expect(problem.message, words).toMatch(/^[A-Z].*: (enter|choose|leave) .*\.$/s)
        expect(problem.message.length, words).toBeLessThan(800)
      }
      expect(refused, `${name}, ${field}`).toBeGreaterThanOrEqual(bodies.length - 1)
    }
    expect(await everything()).toEqual(before)
  })
})

test('days that are not here yet are refused where something was done on them', async () => {
  const later = addDays(today, 3)
  const cases: [string, string, object][] = [
    ['checkIns.start', 'measuredOn', { measuredOn: later }],
    ['weighIns.add', 'last', { last: later }],
    ['gym.checkInstrument', 'checkedOn', { checkedOn: later }],
  ]
  for (const [name, field, change] of cases) {
    const route = ROUTES.find(([n]) => n === name)![1]
    const sample = made.samples[name]!()
    const { status, answer } = await send(route, { ...sample, body: { ...sample.body, ...change } })
    expect(status).toBe(422)
    expect(answer.problems).toEqual([
      {
        ...{ field, code: 'refused', got: later, accepted: 'today or a date before' },
        message: expect.stringMatching(`enter today or a date before. Got “${later}”.`),
      },
    ])
  }
})

describe('what stands in the way is said, and nothing is overwritten', () => {
  const start = (more: object = {}) => ({
    ...{ id: randomUUID(), clientId: made.other.id, measuredOn: today, fromPaper: true },
    ...{ startedAt: new Date().toISOString(), ...more },
  })

  test('an id that is taken: a check-in of another client, another reading, another client', async () => {
    const taken = await api.post('/api/check-ins', start({ id: made.checkIn }))
    expect([taken.status, taken.body.problems[0].code]).toEqual([409, 'id-taken'])
    const person = { ...made.client, name: 'Somebody Else' }
    expect((await api.post('/api/clients', person)).status).toBe(409)
  })

  test('a check-in before birth, a birth after a check-in, weigh-ins before birth', async () => {
    const early = await api.post('/api/check-ins', start({ measuredOn: '1989-01-01' }))
    expect(early.body.problems[0]).toMatchObject({ field: 'measuredOn' })
    await api.post('/api/check-ins', start({ clientId: made.client.id, measuredOn: '2000-01-01' }))
    const born = await api.patch(`/api/clients/${made.client.id}`, { birthDate: '2001-02-03' })
    expect(born.body.problems[0]).toMatchObject({ field: 'birthDate' })
    const weighed = await api.post(`/api/clients/${made.client.id}/weigh-ins`, {
      ...{ text: '1985-01-01 62', last: today, unit: 'kg' },
    })
    expect(weighed.body.problems[0]).toMatchObject({ field: 'text' })
  })

  test('a check-in in which nothing was measured is not closed, but discarded; a measured one is not', async () => {
    const empty = start()
    await api.post('/api/check-ins', empty)
    expect((await api.post(`/api/check-ins/${empty.id}/close`)).body.problems[0].code).toBe('empty')
    expect((await api.delete(`/api/check-ins/${made.checkIn}`)).body.problems[0].code).toBe(
      'measured',
    )
    expect((await api.delete(`/api/check-ins/${empty.id}`)).status).toBe(200)
    expect((await api.get(`/api/check-ins/${empty.id}`)).status).toBe(404)
  })

  test('two windows: what they change apart goes together, what both change is refused to the second', async () => {
    const checkIn = start()
    await api.post('/api/check-ins', checkIn)
    const path = `/api/check-ins/${checkIn.id}`
    const { revision } = (await api.get(path)).body.checkIn
    await api.patch(path, {
      revision,
      skips: { thigh: 'out of time' },
      conditions: { time: 'morning' },
    })
    const apart = await api.patch(path, {
      revision,
      ...{ skips: { chest: 'client declined' }, conditions: { food: 'fasted' } },
      extraGirths: { waist: true },
    })
    expect(apart.status).toBe(200)
    expect(apart.body).toMatchObject({
      skipped: [
        { site: 'chest', reason: 'client declined' },
        { site: 'thigh', reason: 'out of time' },
      ],
      conditions: { time: 'morning', food: 'fasted' },
      extraGirths: ['waist'],
    })
    const collided = await api.patch(path, {
      ...{ revision, conditions: { time: 'evening' }, massDry: true },
    })
    expect([collided.status, collided.body.problems[0].field]).toEqual([409, 'conditions.time'])
    expect(collided.body.problems[0].message).toMatch(/changed meanwhile.*“morning”/)
    // Nothing of it was taken, and the same wish is no collision.
    expect((await api.get(path)).body.checkIn.massDry).toBeNull()
    const same = await api.patch(path, { revision, conditions: { time: 'morning' } })
    expect(same.status).toBe(200)
  })

  test('two corrections of one reading: the second is asked to look again', async () => {
    const { body } = await api.get(`/api/check-ins/${made.checkIn}`)
    const [thigh] = body.checkIn.readings
    const correction = (value: number) => ({
      ...thigh,
      ...{ id: randomUUID(), checkInId: made.checkIn, value, supersedes: thigh.id },
    })
    const [one, two] = [correction(23), correction(24)]
    const sent = (reading: object) =>
      api.post(`/api/check-ins/${made.checkIn}/readings`, { readings: [reading] })
    expect((await sent(one)).body.stored).toEqual([one.id])
    expect((await sent(two)).body.refused).toMatchObject([{ code: 'superseded-already' }])
    const elsewhere = { ...correction(25), site: 'chest', value: 9 }
    expect((await sent(elsewhere)).body.refused).toMatchObject([{ code: 'superseded-unknown' }])
  })

  test('a poisoned reading holds up none of its batch', async () => {
    const { body } = await api.get(`/api/check-ins/${made.checkIn}`)
    const usual = body.checkIn.readings[0]
    const fresh = (more: object) => ({
      ...{
        ...usual,
        id: randomUUID(),
        checkInId: made.checkIn,
        site: 'chest',
        value: 9,
        trial: 2,
        supersedes: null,
      },
      ...more,
    })
    const refused = fresh({ value: 900, typedText: '900' })
    const batch = [
      refused,
      fresh({ value: 9.5, supersedes: refused.id }),
      fresh({ supersedes: randomUUID() }),
      fresh({ typedText: '9\u0000' }),
      fresh({ typedText: '9\ud800' }),
      fresh({ takenAt: '0000-01-01T00:00:00Z' }),
      fresh({ takenAt: '2099-01-01T00:00:00Z' }),
      fresh({ testerId: randomUUID() }),
      fresh({ instrumentId: randomUUID() }),
      null,
      fresh({}),
    ]
    const receipt = (await api.post(`/api/check-ins/${made.checkIn}/readings`, { readings: batch }))
      .body
    expect(receipt.stored).toEqual([(batch.at(-1) as { id: string }).id])
    expect(receipt.refused.map(({ code }: { code: string }) => code).sort()).toEqual([
      ...['refused', 'refused', 'refused', 'refused', 'refused', 'refused'],
      ...['superseded-unknown', 'superseded-unknown', 'unknown-instrument', 'unknown-tester'],
    ])
  })
})

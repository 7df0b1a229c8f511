import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { addDays, isoDateOf } from '#core'
import { startApi } from './support/app'

/*
 * Every field of every body that the server takes: what is wrong is refused with 422, in words that name the field and
 * say what was got and what is accepted, and nothing is stored.
 */

const today = isoDateOf(new Date())
const now = new Date().toISOString()

let api: Awaited<ReturnType<typeof startApi>>
let ids: Record<'client' | 'other' | 'checkIn' | 'coach' | 'caliper' | 'group', string>

const client = { name: 'Rae Row', sex: 'female', birthDate: '1990-03-14', height: '168 cm' }

beforeAll(async () => {
  api = await startApi()
  const [a, b] = [await api.post('/api/clients', client), await api.post('/api/clients', client)]
  const checkIn = randomUUID()
  await api.post('/api/check-ins', {
    ...{ id: checkIn, clientId: a.body.id, measuredOn: today, startedAt: now },
  })
  const gym = await api.post('/api/gym/instruments', {
    ...{ kind: 'caliper', name: 'Blue', graduation: 0.5, jaws: 'spring', checkEveryDays: 90 },
  })
  const group = await api.post('/api/leaderboards', {
    ...{ name: 'Spring', startsOn: addDays(today, -30), endsOn: today, measure: 'sum' },
    clientIds: [],
  })
  ids = {
    ...{ client: a.body.id, other: b.body.id, checkIn, group: group.body.id },
    ...{ coach: gym.body.testers[0].id, caliper: gym.body.instruments.at(-1).id },
  }
})
afterAll(() => api.close())

interface Route {
  method?: 'post' | 'patch'
  path: () => string
  /** A body that is taken. */
  body: () => Record<string, unknown>
  /** Fields that may be anything, or are judged by the core as a whole. */
  free?: string[]
  /** Fields that may be left out. */
  optional?: string[]
}

const check = (more = '') => `/api/check-ins/${ids.checkIn}${more}`
const person = (more = '') => `/api/clients/${ids.client}${more}`
const instrument = {
  ...{ kind: 'caliper', name: 'Red', graduation: 0.5, jaws: 'spring', checkEveryDays: 90 },
  retired: false,
}
const group = () => ({
  ...{ name: 'Autumn', startsOn: addDays(today, -30), endsOn: today, measure: 'fatMass' },
  clientIds: [ids.client],
})

const ROUTES: Record<string, Route> = {
  'a client': {
    path: () => '/api/clients',
    body: () => ({ ...client, cadenceDays: '28' }),
    optional: ['cadenceDays'],
  },
  'a change of a client': {
    method: 'patch',
    path: () => person(),
    body: () => ({
      ...{ ...client, cadenceDays: 28, heightTakenOn: today, showPercentages: true },
      ...{ cycleWanted: false, hiddenOnLeaderboards: false, nextDueOn: today, archived: false },
    }),
    optional: ['*'],
  },
  'a check-in': {
    path: () => '/api/check-ins',
    body: () => ({
      ...{ id: randomUUID(), clientId: ids.other, protocolId: 'seven-fold', measuredOn: today },
      ...{ startedAt: now, fromPaper: true },
    }),
    optional: ['protocolId', 'fromPaper'],
  },
  'choices of a check-in': {
    method: 'patch',
    path: () => check(),
    body: () => ({
      ...{ protocolId: 'seven-fold', conversion: 'siri', extraGirths: ['waist'], massDry: true },
      ...{ skipped: [{ site: 'thigh', reason: 'out of time' }], conditions: { notes: 'calm' } },
      ...{ consent: { by: 'client', at: now }, testerId: ids.coach, caliperId: ids.caliper },
      measuredOn: today,
    }),
    optional: ['*'],
  },
  'a batch of readings': {
    path: () => check('/readings'),
    body: () => ({ readings: [{}] }),
  },
  'the voiding of a check-in': { path: () => check('/void'), body: () => ({ reason: 'a slip' }) },
  'the moving of a check-in': {
    path: () => check('/move'),
    body: () => ({ clientId: ids.other, reason: 'wrong name' }),
  },
  'a private screening': {
    path: () => person('/screening'),
    body: () => ({ flags: ['pregnant'], training: 'athlete', build: 'usual', notes: '' }),
    optional: ['training', 'build', 'notes'],
  },
  'an own mark': {
    path: () => person('/site-notes'),
    body: () => ({ site: 'thigh', standard: 'us', text: 'by the scar', side: 'right' }),
  },
  'a note on the axis': {
    path: () => person('/notes'),
    body: () => ({ date: today, kind: 'holiday', words: 'at the sea' }),
  },
  'weigh-ins': {
    path: () => person('/weigh-ins'),
    body: () => ({ text: '62.4', last: today, unit: 'kg' }),
  },
  'a group': { path: () => '/api/leaderboards', body: group },
  'a change of a group': { method: 'patch', path: () => `/api/leaderboards/${ids.group}`, body: group },
  'a tester': {
    path: () => '/api/gym/testers',
    body: () => ({ name: 'Tess', skill: 'novice', retired: false }),
    optional: ['retired'],
  },
  'an instrument': {
    path: () => '/api/gym/instruments',
    body: () => instrument,
    optional: ['retired'],
  },
  'a change of an instrument': {
    method: 'patch',
    path: () => `/api/gym/instruments/${ids.caliper}`,
    body: () => instrument,
    optional: ['retired'],
  },
  'a check of an instrument': {
    path: () => `/api/gym/instruments/${ids.caliper}/checks`,
    body: () => ({ checkedOn: today, points: [{ known: 10, read: 10 }] }),
  },
  settings: {
    method: 'patch',
    path: () => '/api/gym/settings',
    body: () => ({
      ...{ defaultProtocolId: 'seven-fold', standard: 'us', tolerance: { kind: 'mm', value: 1 } },
      ...{ testerId: ids.coach, caliperId: ids.caliper, tapeId: null, scaleId: null },
    }),
    optional: ['*'],
  },
  'an erasing': { path: () => person('/erase'), body: () => ({ name: 'Somebody Else' }) },
}

/** What stands in the database, but for the clock. */
async function everything() {
  const { rows } = await api.engine.query<{ name: string }>(
    "select table_name as name from information_schema.tables where table_schema = 'public'",
  )
  const counts = await Promise.all(
    rows.map(async ({ name }) => {
      const found = await api.engine.query<{ all: string }>(
        `select coalesce(md5(string_agg(t::text, '|' order by t::text)), '') as all from "${name}" t`,
      )
      return [name, found.rows[0]!.all]
    }),
  )
  return Object.fromEntries(counts)
}

const WRONG: unknown[] = [{ of: 'another form' }, 'x'.repeat(30_000), -7.25, [[]]]

describe.each(Object.entries(ROUTES))('%s', (name, { method = 'post', path, body, ...route }) => {
  test('refuses each field with words', async () => {
    const before = await everything()
    const fields = Object.keys(body()).filter((f) => !route.free?.includes(f))
    for (const field of fields) {
      const leftOut = Object.fromEntries(Object.entries(body()).filter(([f]) => f !== field))
      const mayMiss = route.optional?.includes(field) || route.optional?.includes('*')
      const bodies = [
        ...WRONG.map((value) => ({ ...body(), [field]: value })),
        ...(mayMiss ? [] : [leftOut]),
      ]
      let refused = 0
      for (const sent of bodies) {
        const { status, body: answer } = await api[method](path(), sent)
        // A number is a fine text of a name or a count; whatever is taken has to be right, and is looked at below.
        if (status < 400) continue
        refused++
        const words = `${name}, ${field}: ${JSON.stringify(answer)}`
        if (status === 404) {
          expect(words).toMatch(/there is no set|No such/)
          continue
        }
        expect(status, words).toBe(422)
        const problem = answer.problems[0] as { field: string; message: string }
        expect(problem.field.split('.')[0], words).toBe(field)
        expect(problem.message, words).toMatch(/^[A-Z].*: (got .*|is missing)\. Accepted: .+\.$/s)
        expect(problem.message.length, words).toBeLessThan(700)
      }
      expect(refused, `${name}, ${field}`).toBeGreaterThanOrEqual(bodies.length - 1)
    }
    expect(await everything()).toEqual(before)
  })

  test('and takes what is right', async () => {
    // Erasing is refused to the wrong name, and its right body is tried elsewhere.
    if (name === 'an erasing') return expect((await api.post(path(), body())).status).toBe(409)
    const { status, body: answer } = await api[method](path(), body())
    expect(status, JSON.stringify(answer)).toBeLessThan(300)
    if (path().endsWith('/move')) await api.post(path(), { clientId: ids.client, reason: 'back' })
    if (path().endsWith('/void')) await api.post(check('/restore'))
  })
})

test('days that are not here yet are refused where something was done on them', async () => {
  const later = addDays(today, 3)
  for (const [path, body, field] of [
    ['/api/check-ins', { ...ROUTES['a check-in']!.body(), measuredOn: later }, 'measuredOn'],
    [person('/weigh-ins'), { text: '62', last: later, unit: 'kg' }, 'last'],
    [
      `/api/gym/instruments/${ids.caliper}/checks`,
      { checkedOn: later, points: [{ known: 10, read: 10 }] },
      'checkedOn',
    ],
  ] as const) {
    const { status, body: answer } = await api.post(path, body)
    expect(status).toBe(422)
    expect(answer.problems).toEqual([
      {
        field,
        message: expect.stringMatching(`got “${later}”. Accepted: today or a date before.`),
      },
    ])
  }
})

test('a body that is no JSON, and ids that are none', async () => {
  const bad = await api.send(person('/notes'), Buffer.from('{"date":'), 'application/json')
  expect(bad.status).toBe(400)
  for (const path of ['/api/clients/none', '/api/check-ins/none', '/api/leaderboards/none']) {
    const { status, body } = await api.get(path)
    expect(status).toBe(422)
    expect(body.problems[0].message).toBe('Id: got “none”. Accepted: a UUID.')
  }
})

import { randomLcg, randomUniform } from 'd3-random'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { routesOf } from '#shared/contract'
import { pathOf, type Route } from '#shared/contract/define'
import { startWithSamples, type Sample, type SampledApi, type Samples } from './support/samples'

/*
 * Every route of the table with bad values in every field, parameter and query, and with the wrong method, type, id and
 * size: no 5xx, no hang, and nothing senseless on record afterwards. Made by a fixed seed; OAK_PINCH_FUZZ=20 runs
 * twenty times as long by other seeds.
 */

const ROUNDS = Number(process.env.OAK_PINCH_FUZZ ?? 1)
const SEED = 0.1234
/** An answer that takes longer hangs, for whoever waits. */
const LONGEST_MS = 120_000

let api: SampledApi
let made: Samples
beforeAll(async () => void ({ api, made } = await startWithSamples()))
afterAll(() => api.close())

/** What nobody should be able to put into a record. */
const BAD: unknown[] = [
  null,
  true,
  '',
  ' ',
  'x'.repeat(5000),
  'a\u0000b',
  '\ud800',
  '\u202eevil',
  '\u200b',
  '\u0001',
  "'; drop table readings; --",
  '<script>alert(1)</script>',
  -1,
  0,
  1e308,
  5e-324,
  2 ** 53,
  '0000-01-01',
  '0001-01-01',
  '9999-12-31',
  '2026-02-30',
  '2099-01-01T00:00:00Z',
  '00000000-0000-0000-0000-000000000000',
  '7c9e6679-7425-40de-944b-e07fc1f90ae7',
  [],
  {},
  [null],
  { $ne: null },
  { constructor: { prototype: {} } },
  Array.from({ length: 2000 }, () => 'thigh'),
]

const random = randomUniform.source(randomLcg(SEED))(0, 1)
const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)]!

/** Every place in a body, as a path. */
function placesOf(value: unknown, path: (string | number)[] = []): (string | number)[][] {
  if (typeof value !== 'object' || value === null) return [path]
  return [path, ...Object.entries(value).flatMap(([key, v]) => placesOf(v, [...path, key]))]
}

function withAt(value: unknown, [key, ...rest]: (string | number)[], bad: unknown): unknown {
  if (key === undefined) return bad
  const copy = structuredClone(value) as Record<string | number, unknown>
  copy[key] = withAt(copy[key], rest, bad)
  return copy
}

const answered = { total: 0, taken: 0 }

/** Sends a request; the answer comes in time, and is no fault of the server. */
async function probe(what: string, route: Route, sample: Sample, init: RequestInit = {}) {
  const asked = sample.query ? `?${new URLSearchParams(sample.query)}` : ''
  const late = new Promise<Response>((_, reject) =>
    setTimeout(() => reject(new Error(`${what}: no answer`)), LONGEST_MS).unref(),
  )
  const usual: RequestInit = route.body
    ? { body: JSON.stringify(sample.body), headers: { 'content-type': 'application/json' } }
    : {}
  const asking = api.raw(init.method ?? route.method, pathOf(route.path, sample.params) + asked, {
    ...usual,
    ...init,
  })
  const response = await Promise.race([asking, late])
  answered.total++
  if (response.status < 400) answered.taken++
  const text = response.headers.get('content-type')?.includes('json') ? await response.text() : ''
  expect(response.status, `${what}: ${text.slice(0, 300)}`).toBeLessThan(500)
  // A method that an address does not have is refused by the framework.
  if (response.status >= 400 && response.status !== 405 && text)
    expect(text, what).toContain('"problems"')
  return response
}

/** What is tried last: from the first password on nobody is answered without it. */
const LAST = routesOf().filter(([name]) => name === 'access.begin')
const SAFE = routesOf().filter(([name]) => name !== 'checkIns.live' && name !== 'access.begin')

test.each(SAFE)('%s: bad values', badValues)

async function badValues(name: string, route: Route): Promise<void> {
  for (let round = 0; round < ROUNDS; round++) {
    const { body, params, query } = made.samples[name]!()
    const places = body ? placesOf(body) : []
    for (const place of places) {
      // Twenty a field; the longest lists of places take fewer of each.
      const tried =
        round === 0 && places.length < 40 ? BAD : Array.from({ length: 8 }, () => pick(BAD))
      for (const bad of tried.slice(0, 30)) {
        const sample = { ...made.samples[name]!(), body: undefined }
        const spoilt = withAt(made.samples[name]!().body, place, bad) as Record<string, unknown>
        await probe(`${name} ${place.join('.')} ${String(bad)}`.slice(0, 200), route, {
          ...sample,
          body: spoilt,
        })
      }
    }
    for (const [part, fields] of [
      ['params', params],
      ['query', query],
    ] as const) {
      for (const field of Object.keys(fields ?? {})) {
        for (const bad of BAD.filter((b) => typeof b === 'string' || typeof b === 'number')) {
          const text = String(bad).replace('\ud800', '\ufffd')
          const sample = made.samples[name]!()
          const spoilt = { ...sample, [part]: { ...fields, [field]: text } }
          await probe(`${name} ${part} ${field} ${text}`.slice(0, 200), route, spoilt)
        }
      }
    }
  }
}

test.each(SAFE)('%s: another method, type, size, and no JSON', notAsSaid)

async function notAsSaid(name: string, route: Route): Promise<void> {
  const sample = made.samples[name]!()
  for (const method of ['PUT', 'DELETE', 'PATCH', 'POST']) {
    if (method === route.method) continue
    // An address may have several methods; the others are refused.
    const response = await probe(`${name} ${method}`, route, { ...sample, body: {} }, { method })
    void response
  }
  // Who is no client is refused before anything of theirs is read.
  if (!route.body || name.startsWith('my.')) return
  const json = JSON.stringify(sample.body)
  const typed = (type: string, body: BodyInit = json) =>
    probe(`${name} ${type}`, route, sample, { body, headers: { 'content-type': type } })
  for (const type of ['text/plain', 'application/xml', 'multipart/form-data', 'image/png']) {
    expect((await typed(type)).status).toBe(415)
  }
  expect((await typed('application/json', '{"a":')).status).toBe(400)
  expect((await typed('application/json', new Uint8Array([0xff, 0xfe, 0x7b]))).status).toBe(400)
  const large = JSON.stringify({ ...sample.body, more: 'x'.repeat(1_100_000) })
  expect((await typed('application/json', large)).status).toBe(413)
  const deep = '['.repeat(50_000) + ']'.repeat(50_000)
  expect((await typed('application/json', deep)).status).toBeLessThan(500)
}

test('a body that never says how long it is is refused while it arrives', async () => {
  let sent = 0
  const chunk = new TextEncoder().encode('x'.repeat(64_000))
  const body = new ReadableStream<Uint8Array>({
    pull(controller) {
      sent += chunk.length
      if (sent > 300_000_000) controller.close()
      else controller.enqueue(chunk)
    },
  })
  const response = await api.raw('POST', '/api/clients', {
    body,
    headers: { 'content-type': 'application/json' },
    duplex: 'half',
  } as RequestInit)
  expect(response.status).toBe(413)
  expect(sent).toBeLessThan(3_000_000)
})

test('nothing senseless is on record after all of it', async () => {
  expect(answered.total).toBeGreaterThan(3000)
  const wrong = async (query: string) => (await api.engine.query(query)).rows
  expect(
    await wrong(`select name from clients where name ~ '[\\x01-\\x1f\u200b\u202e]' or trim(name) = ''
      or birth_date < '1900-01-01' or birth_date > current_date or length(name) > 80`),
  ).toEqual([])
  expect(
    await wrong(`select c.measured_on from check_ins c join clients p on p.id = c.client_id
      where c.measured_on < p.birth_date or c.measured_on > current_date + 1
        or c.started_at > now() + interval '2 days' or c.started_at < '1900-01-01'`),
  ).toEqual([])
  expect(
    await wrong(`select r.id from readings r left join readings s on s.id = r.supersedes
      where r.value_canonical <= 0 or r.value_canonical > 400 or r.taken_at > now() + interval '2 days'
        or (r.supersedes is not null and (s.id is null or s.check_in_id <> r.check_in_id
          or s.kind <> r.kind or s.site is distinct from r.site))`),
  ).toEqual([])
  expect(
    await wrong(`select w.id from weigh_ins w join clients p on p.id = w.client_id
      where w.date < p.birth_date or w.kg < 10`),
  ).toEqual([])
  expect(
    await wrong(`select id from check_ins c where closed_at is not null
      and not exists (select 1 from readings r where r.check_in_id = c.id)`),
  ).toEqual([])
  // And the record can still be read.
  for (const path of ['', '/record', '/file', '/plans', '/photos']) {
    expect((await api.get(`/api/clients/${made.client.id}${path}`)).status).toBe(200)
  }
  expect((await api.get('/api/today')).status).toBe(200)
})

test.each(LAST)('%s: another method, type, size, and no JSON; bad values', async (name, route) => {
  await notAsSaid(name, route)
  await badValues(name, route)
})

import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { addDays, isoDateOf } from '#core'
import type { ClientDetails, MyPage, SharedStory } from '#shared/contract/client-side'
import type { ClientRecord } from '#shared/contract/record'
import type { WeeklyReport } from '#shared/contract/weekly-reports'
import { startApi } from './support/app'
import { aReport, PNG } from './support/samples'
import { callerOf, cookieOf } from './support/signed'

/* The client's side: links, what is shared, weekly reports, and what a coach keeps besides measuring. */

const today = isoDateOf(new Date())
const PASSWORD = 'four words in a row'

let api: Awaited<ReturnType<typeof startApi>>
let owner = ''
beforeAll(async () => {
  api = await startApi()
  const set = await call('', 'POST', '/api/access/owner', { name: 'Olive', password: PASSWORD })
  owner = cookieOf(set.response)
  await call(owner, 'PATCH', '/api/phones', { open: true })
})
afterAll(async () => {
  await call(owner, 'PATCH', '/api/phones', { open: false })
  await api.close()
})

const call = callerOf(() => api)

async function addClient(name: string, birthYear: number | null = 1990) {
  const id = randomUUID()
  await call(owner, 'POST', '/api/clients', {
    ...{ id, name, sex: 'female', birthDate: null, birthYear, height: '168 cm', cadenceDays: 28 },
  })
  return id
}

async function linkFor(id: string, days = 7) {
  const link = randomUUID()
  const made = await call(owner, 'POST', `/api/clients/${id}/links`, { id: link, days })
  expect(made.status, made.text).toBe(201)
  const [address, key] = made.body.addresses[0].split('#')
  return { id: link, key: key as string, address: address as string }
}

const open = (key: string, birthYear: number | null = 1990) =>
  call('', 'POST', '/api/link', { key, birthYear })

async function comeIn(id: string) {
  const { key } = await linkFor(id)
  return cookieOf((await open(key)).response)
}

const details = async (id: string) =>
  (await call(owner, 'GET', `/api/clients/${id}/details`)).body as ClientDetails
const record = async (id: string) =>
  (await call(owner, 'GET', `/api/clients/${id}/record`)).body as ClientRecord
const reportsOf = async (id: string) =>
  (await call(owner, 'GET', `/api/clients/${id}/weekly-reports`)).body as WeeklyReport[]
const change = (id: string, body: object) =>
  call(owner, 'PATCH', `/api/clients/${id}/details`, body)

describe('a link', () => {
  test('opens for the year of birth alone, and its key stands nowhere', async () => {
    const id = await addClient('Lena Link')
    const { key, address } = await linkFor(id)
    expect(address).toMatch(/^https:\/\/.*\/my$/)
    const asked = await open(key, null)
    expect([asked.status, asked.body.problems[0].code]).toEqual([422, 'birth-year'])
    const wrong = await open(key, 1991)
    expect([wrong.status, wrong.body.problems[0].field]).toEqual([401, 'birthYear'])
    const right = await open(key)
    expect(right.body.me).toMatchObject({ role: 'client', name: 'Lena Link' })
    const { rows } = await api.engine.query(
      `select to_json(l)::text as it from access.share_links l union all select to_json(s)::text from access.sessions s`,
    )
    expect(JSON.stringify(rows)).not.toContain(key)
    const [kept] = (await details(id)).links
    expect(kept).toMatchObject({ devices: 1, createdBy: 'Olive' })
  })

  test('ends at once, with the browsers that came by it, and no others', async () => {
    const id = await addClient('Enda End')
    const [one, two] = [await linkFor(id), await linkFor(id)]
    const [by1, by2] = [
      cookieOf((await open(one.key)).response),
      cookieOf((await open(two.key)).response),
    ]
    const seen = async (cookie: string) => (await call(cookie, 'GET', '/api/my/page')).status
    expect([await seen(by1), await seen(by2)]).toEqual([200, 200])
    await call(owner, 'DELETE', `/api/clients/${id}/links/${one.id}`)
    expect([await seen(by1), await seen(by2)]).toEqual([401, 200])
    expect((await open(one.key)).status).toBe(401)
  })

  test('is over after its time, also for who is in already', async () => {
    const id = await addClient('Ova Over')
    const { id: link, key } = await linkFor(id)
    const cookie = cookieOf((await open(key)).response)
    await api.engine.query(
      `update access.share_links set expires_at = now() - interval '1 s' where id = '${link}'`,
    )
    expect((await call(cookie, 'GET', '/api/my/page')).status).toBe(401)
    expect((await open(key)).body.problems[0].code).toBe('link')
  })

  test('is made where somebody outside can come in and a year can be asked for', async () => {
    const id = await addClient('Yuna Year', null)
    const made = await call(owner, 'POST', `/api/clients/${id}/links`, {
      id: randomUUID(),
      days: 7,
    })
    expect([made.status, made.body.problems[0].code]).toEqual([409, 'birth-year'])
  })

  test('lets its client do nothing but read their page and report', async () => {
    const [id, other] = [await addClient('Mia Mine'), await addClient('Otto Other')]
    const cookie = await comeIn(id)
    const report = aReport({ endsOn: today })
    await call(owner, 'POST', `/api/clients/${other}/weekly-reports`, report)
    const answer = { words: 'Yes.' }
    for (const [method, path, body] of [
      ['GET', `/api/clients/${id}`],
      ['GET', `/api/clients/${other}`],
      ['GET', '/api/clients'],
      ['POST', '/api/pairings', { userId: randomUUID(), device: 'x' }],
      ['POST', `/api/my/reports/${report.id}/answers`, answer],
    ] as const) {
      const { status } = await call(cookie, method, path, body)
      expect([403, 404], `${method} ${path}`).toContain(status)
    }
    // An id that is somebody else's takes nothing over.
    const taken = await call(cookie, 'POST', '/api/my/reports', { ...report, note: 'mine' })
    expect(taken.status).toBeGreaterThanOrEqual(400)
    expect((await reportsOf(other))[0]!.content.note).toBe('slept well')
  })
})

test('photos are shared with everything, and with weight and photos alone: the first and the last of a view', async () => {
  const id = await addClient('Pia Photos')
  const taken = [addDays(today, -60), addDays(today, -30), today]
  for (const takenOn of taken)
    await api.raw(
      'POST',
      `/api/clients/${id}/photos?id=${randomUUID()}&view=front&takenOn=${takenOn}&width=1&height=1`,
      { headers: { cookie: owner, 'content-type': 'image/png' }, body: PNG },
    )
  const cookie = await comeIn(id)
  for (const [sees, days] of [
    ['everything', [taken[0], taken[2]]],
    ['mass', [taken[0], taken[2]]],
    ['sums', []],
  ] as const) {
    await change(id, { sees })
    const { story } = (await call(cookie, 'GET', '/api/my/page')).body as MyPage
    expect([sees, story!.photos.map(({ takenOn }) => takenOn)]).toEqual([sees, days])
    for (const photo of story!.photos)
      expect((await call(cookie, 'GET', `/api/my/photos/${photo.id}`)).status).toBe(200)
    const file = (await call(owner, 'GET', `/api/clients/${id}/shared-file`)).text
    expect(file.match(/<img src="data:image\/png;base64,/g)?.length ?? 0).toBe(days.length)
    expect(file).not.toMatch(/https?:|<script/)
  }
})

describe('what is shared', () => {
  const shared = async (id: string) =>
    (await call(owner, 'GET', `/api/clients/${id}/shared`)).body.story as SharedStory | null
  let id: string
  let cookie: string
  beforeAll(async () => {
    id = await addClient('Shara Share')
    cookie = await comeIn(id)
    const { settings } = (await call(owner, 'GET', '/api/gym')).body
    for (const [i, day] of [addDays(today, -60), addDays(today, -30), today].entries()) {
      const checkIn = randomUUID()
      const at = `${day}T08:00:00.000Z`
      await call(owner, 'POST', '/api/check-ins', {
        ...{ id: checkIn, clientId: id, protocolId: 'three-fold', measuredOn: day },
        ...{ startedAt: at, fromPaper: true },
      })
      const reading = (kind: string, site: string | null, trial: number, value: number) => ({
        ...{ id: randomUUID(), checkInId: checkIn, kind, site, trial, value },
        ...{ standard: kind === 'skinfold' ? 'us' : null, supersedes: null, takenAt: at },
        ...{ typedUnit: kind === 'mass' ? 'kg' : 'mm', typedText: String(value) },
        ...{ testerId: settings.testerId, instrumentId: null },
      })
      const folds = (['triceps', 'suprailiac', 'thigh'] as const).flatMap((site, s) =>
        [1, 2].map((trial) => reading('skinfold', site, trial, 24 + 3 * s - 3 * i)),
      )
      const readings = [...folds, reading('mass', null, 1, 68 - 2 * i)]
      const kept = await call(owner, 'POST', `/api/check-ins/${checkIn}/readings`, { readings })
      expect(kept.body.refused ?? [], kept.text).toEqual([])
      await call(owner, 'POST', `/api/check-ins/${checkIn}/close`, {})
    }
    const lines = Array.from({ length: 14 }, (_, i) => `${addDays(today, i - 13)} ${68 - i / 10}`)
    await call(owner, 'POST', `/api/clients/${id}/weigh-ins`, {
      ...{ text: lines.join('\n'), last: today, unit: 'kg' },
    })
  })

  const page = async () => (await call(cookie, 'GET', '/api/my/page')).body as MyPage

  test('nothing, until the coach says so', async () => {
    expect(await shared(id)).toBeNull()
    expect((await page()).story).toBeNull()
    expect((await call(owner, 'GET', `/api/clients/${id}/shared-file`)).status).toBe(404)
  })

  test('as much as the coach says: everything, sums and girths, or body mass alone', async () => {
    await change(id, { sees: 'everything' })
    const all = JSON.stringify(await shared(id))
    expect(all).toMatch(/Fat/)
    expect(all).toMatch(/Lean/)
    // Names of classes only where the coach wants them, and only with the percentages that they are of.
    expect(all).not.toMatch(/By the table of/)
    await change(id, { seesClasses: true })
    expect((await shared(id))!.small).toMatch(
      /^By the table of the American Council on Exercise, that is “[a-z ]+”\./,
    )
    await change(id, { sees: 'sums' })
    const sums = JSON.stringify(await shared(id))
    expect(sums).not.toMatch(/\b(?:body fat|lean|points of)\b|%/i)
    expect(sums).toMatch(/mm/)
    await change(id, { sees: 'mass' })
    const mass = JSON.stringify(await shared(id))
    expect(mass).not.toMatch(/\bfat\b|lean|\bmm\b|fold/i)
    expect(mass).toMatch(/kg/)
  })

  test('what the coach sees first is what the client sees, and what stands in the file', async () => {
    await change(id, { sees: 'everything', goal: 'to run <5 km> again' })
    const story = (await shared(id))!
    expect((await page()).story).toEqual(story)
    expect(story.next.join(' ')).toContain('to run <5 km> again')
    const file = await call(owner, 'GET', `/api/clients/${id}/shared-file`)
    expect(file.response.headers.get('content-type')).toMatch(/^text\/html/)
    expect(file.text).toContain(story.head)
    expect(file.text).toContain('to run &lt;5 km&gt; again')
    for (const cell of story.rows.flat()) expect(file.text).toContain(cell)
    // It fetches nothing and runs nothing.
    expect(file.text).not.toMatch(/<script|<link|<img|src=|url\((?!#)|@import/)
    expect(file.text.replace(/http:\/\/www\.w3\.org\/\S+/g, '')).not.toMatch(/https?:/)
  })
})

describe('a weekly report', () => {
  test('is stored once, read, asked about, answered, and counts when it is accepted', async () => {
    const id = await addClient('Rhea Remote')
    await change(id, {
      sees: 'sums',
      asks: { girths: ['waist'], photos: true, feelings: ['sleep'], weekday: 2 },
    })
    const cookie = await comeIn(id)
    const report = aReport({ endsOn: today })
    const sent = await call(cookie, 'POST', '/api/my/reports', report)
    expect(sent.status, sent.text).toBe(201)
    await call(cookie, 'POST', '/api/my/reports', report)
    const photo = randomUUID()
    const query = new URLSearchParams({
      ...{ photo, view: 'front', takenOn: today, width: '1', height: '1' },
    })
    const headers = { cookie, 'content-type': 'image/png' }
    const path = `/api/my/reports/${report.id}/photos?${query}`
    expect((await api.raw('POST', path, { headers, body: PNG })).status).toBe(200)

    const [kept, ...more] = await reportsOf(id)
    expect(more).toEqual([])
    expect(kept).toMatchObject({
      ...{ state: 'waiting', photos: [{ id: photo, view: 'front' }] },
      content: {
        weights: [{ date: today, kg: 62.4, typed: '62.4', unit: 'kg' }],
        girths: [
          { girth: 'waist', trial: 1, cm: 74 },
          { girth: 'waist', trial: 2, cm: 74.295, unit: 'in', typed: '29 1/4' },
        ],
      },
    })
    // It waits: nothing of it is in the record.
    const before = await record(id)
    expect([before.weighIns, before.selfGirths]).toEqual([[], []])
    expect((await call(owner, 'GET', `/api/clients/${id}/photos`)).body).toEqual([])

    const about = `/api/clients/${id}/weekly-reports/${report.id}`
    await call(owner, 'POST', `${about}/questions`, { words: 'At the navel?' })
    expect(
      ((await call(cookie, 'GET', '/api/my/page')).body as MyPage).reports[0]!.talk,
    ).toMatchObject([{ by: 'coach', words: 'At the navel?' }])
    await call(cookie, 'POST', `/api/my/reports/${report.id}/answers`, { words: 'Yes.' })
    expect((await reportsOf(id))[0]!.talk.map(({ by }) => by)).toEqual(['coach', 'client'])

    await call(owner, 'PATCH', about, { decision: 'accept' })
    await call(owner, 'PATCH', about, { decision: 'accept' })
    const after = await record(id)
    expect(after.weighIns).toEqual([{ date: today, kg: 62.4 }])
    expect(after.selfGirths.map(({ cm }) => cm)).toEqual([74, 74.295])
    expect((await call(owner, 'GET', `/api/clients/${id}/photos`)).body).toHaveLength(1)
    // What is accepted is not sent over.
    const late = await call(cookie, 'POST', '/api/my/reports', { ...report, note: 'changed' })
    expect((await reportsOf(id))[0]!.content.note, late.text).toBe('slept well')

    await call(owner, 'PATCH', about, { decision: 'set aside' })
    const aside = await record(id)
    expect([aside.weighIns, aside.selfGirths]).toEqual([[], []])
    expect((await call(owner, 'GET', `/api/clients/${id}/photos`)).body).toEqual([])
  })

  test('is refused in words where it cannot be', async () => {
    const id = await addClient('Nora Not')
    const cookie = await comeIn(id)
    const send = (more: Record<string, unknown>) =>
      call(cookie, 'POST', '/api/my/reports', aReport({ endsOn: today, ...more }))
    const weight = (date: string, text = '62.4') => ({ date, text, unit: 'kg', otherwise: null })
    for (const [more, field] of [
      [{ weights: [weight(today), weight(today)] }, 'weights'],
      [{ weights: [weight(addDays(today, 5))] }, 'weights.0.date'],
      [{ weights: [weight(today, 'heavy')] }, 'weights.0.text'],
      [{ girths: [{ girth: 'waist', trial: 1, text: '7.4', unit: 'cm' }] }, 'girths.0.text'],
      [{ weights: [], girths: [], feelings: {}, note: '' }, 'weights'],
    ] as const) {
      const { status, body } = await send(more)
      expect([status, body.problems[0].field], JSON.stringify(body)).toEqual([422, field])
    }
    expect(await reportsOf(id)).toEqual([])
  })

  test('four weeks of them head a record that nobody else measured', async () => {
    const id = await addClient('Willa Waist')
    for (let week = 0; week < 8; week++) {
      const endsOn = addDays(today, 7 * (week - 7))
      const report = aReport({
        endsOn,
        weights: [{ date: endsOn, text: String(80 - week), unit: 'kg', otherwise: null }],
        girths: [1, 2].map((trial) => ({
          ...{ girth: 'waist', trial, text: String(92 - 1.5 * week), unit: 'cm' },
        })),
      })
      await call(owner, 'POST', `/api/clients/${id}/weekly-reports`, report)
      await call(owner, 'PATCH', `/api/clients/${id}/weekly-reports/${report.id}`, {
        decision: 'accept',
      })
    }
    await change(id, { sees: 'everything' })
    const { story } = (await call(owner, 'GET', `/api/clients/${id}/shared`)).body as {
      story: SharedStory
    }
    expect(story.head).toMatch(/waist/i)
    expect(story.rows.map(([name]) => name)).toEqual(['Weight, mean of the week', 'Waist'])
    const { entries } = (await call(owner, 'GET', '/api/clients?search=willa')).body
    await expect
      .poll(async () => {
        await call(owner, 'GET', '/api/today')
        return (await call(owner, 'GET', '/api/clients?search=willa')).body.entries[0].said
      })
      .toMatchObject({ bySelf: true, headline: { changes: [{ quantity: 'waist' }] } })
    expect(entries).toHaveLength(1)
  })
})

describe('what a coach keeps besides', () => {
  test('contact, goal, tags, notes and appointments; changes are in the log', async () => {
    const id = await addClient('Dora Detail')
    const bad = await change(id, { email: 'not one' })
    expect([bad.status, bad.body.problems[0].field]).toEqual([422, 'email'])
    await change(id, {
      email: 'dora@example.com',
      phone: '+44 20 7946 0018',
      tags: ['remote', 'am'],
    })
    const note = { id: randomUUID(), date: today, words: 'Hip again.\nNo squats.' }
    await call(owner, 'POST', `/api/clients/${id}/session-notes`, note)
    await call(owner, 'POST', `/api/clients/${id}/session-notes`, {
      ...note,
      words: 'Hip is fine.',
    })
    const visit = { id: randomUUID(), startsAt: `${today}T09:30:00+01:00`, minutes: 60, words: '' }
    await call(owner, 'POST', `/api/clients/${id}/appointments`, visit)
    const kept = await details(id)
    expect(kept).toMatchObject({
      ...{ email: 'dora@example.com', tags: ['am', 'remote'], sees: 'nothing' },
      notes: [{ words: 'Hip is fine.', writtenBy: 'Olive' }],
      appointments: [{ startsAt: new Date(visit.startsAt).toISOString(), minutes: 60 }],
    })
    const file = (await call(owner, 'GET', `/api/clients/${id}/file`)).body
    expect(file.auditLog.map(({ field }: { field: string }) => field)).toEqual(
      expect.arrayContaining(['email', 'phone', 'tags']),
    )
    await call(owner, 'DELETE', `/api/clients/${id}/session-notes/${note.id}`)
    await call(owner, 'DELETE', `/api/clients/${id}/appointments/${visit.id}`)
    expect(await details(id)).toMatchObject({ notes: [], appointments: [] })
    const other = await addClient('Ella Else')
    expect((await call(owner, 'POST', `/api/clients/${other}/session-notes`, note)).status).toBe(
      409,
    )
  })

  test('goes with the client, links and account too', async () => {
    const id = await addClient('Gona Gone')
    const cookie = await comeIn(id)
    await change(id, { email: 'gona@example.com', goal: 'to swim', tags: ['gonatag'] })
    const report = aReport({ endsOn: today, note: 'gonanote' })
    await call(cookie, 'POST', '/api/my/reports', report)
    await call(owner, 'POST', `/api/clients/${id}/erase`, { name: 'Gona Gone' })
    expect((await call(cookie, 'GET', '/api/my/page')).status).toBe(401)
    for (const table of [
      'client_details',
      'client_tags',
      'weekly_reports',
      'access.share_links',
      'access.users',
    ]) {
      const { rows } = await api.engine.query(
        `select to_json(t)::text as it from ${table} t where client_id = '${id}'`,
      )
      expect(rows, table).toEqual([])
    }
  })
})

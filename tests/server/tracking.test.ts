import { randomUUID } from 'node:crypto'
import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { addDays, isoDateOf } from '#core'
import { clientRecordSchema } from '#shared/contract/record'
import { rosterSchema } from '#shared/contract/roster'
import { boardSchema } from '#shared/contract/leaderboards'
import { purgePhotos } from '../../server/photos/commands'
import { startApi } from './support/app'
import * as club from './support/club'

const today = isoDateOf(new Date())
const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-tracking-'))

let api: Awaited<ReturnType<typeof startApi>>
beforeAll(async () => {
  process.env.OAK_PINCH_DATA = folder
  api = await startApi()
})
afterAll(async () => {
  await api.close()
  rmSync(folder, { recursive: true, force: true })
})

const addClient = (name: string, more?: object) => club.addClient(api, name, more)
const measure = (clientId: string, daysAgo: number, share: number, massKg: number) =>
  club.measure(api, clientId, daysAgo, { share, massKg })
const viewOf = async (id: string) =>
  clientRecordSchema.parse((await api.get(`/api/clients/${id}/record`)).body)

describe('weigh-ins', () => {
  test('are read on the server in the words of the form, replaced and taken back', async () => {
    const id = await addClient('Wilma Weigh')
    const send = (text: string) =>
      api.post(`/api/clients/${id}/weigh-ins`, { text, last: today, unit: 'kg' })
    expect((await send('62.4 - 62,8')).body).toEqual([
      { date: addDays(today, -2), kg: 62.4 },
      { date: today, kg: 62.8 },
    ])
    expect((await send('62.6')).body.at(-1)).toEqual({ date: today, kg: 62.6 })
    const refused = await send('62.4 heavy')
    expect(refused.status).toBe(422)
    expect(refused.body.problems[0]).toMatchObject({
      field: 'text',
      message: expect.stringMatching(/enter one weight a day.* Got “62.4 heavy”/),
    })
    await api.delete(`/api/clients/${id}/weigh-ins/${today}`)
    expect((await viewOf(id)).weighIns).toEqual([{ date: addDays(today, -2), kg: 62.4 }])
  })
})

test('notes stand on the axis until they are taken away', async () => {
  const id = await addClient('Nia Note')
  const { body } = await api.add(`/api/clients/${id}/notes`, {
    ...{ date: today, kind: 'holiday', words: 'at the sea' },
  })
  expect(body).toMatchObject([{ kind: 'holiday', words: 'at the sea' }])
  expect((await api.add(`/api/clients/${id}/notes`, { date: today, kind: 'x' })).status).toBe(422)
  expect((await api.delete(`/api/clients/${id}/notes/${body[0].id}`)).body).toEqual([])
})

describe('photos', () => {
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  )
  const about = () => `id=${randomUUID()}&view=front&takenOn=${today}&width=1&height=1`

  test('are files in the data folder that go when the photo or the client goes', async () => {
    const id = await addClient('Fay Photo')
    const path = () => `/api/clients/${id}/photos?${about()}`
    const once = path()
    const [first] = (await api.send(once, png, 'image/png')).body
    // The same picture sent again is the same picture.
    expect((await api.send(once, png, 'image/png')).body).toEqual([first])
    expect(existsSync(join(folder, 'photos', first.id))).toBe(true)
    const points = { crown: { x: 0.5, y: 0.1 }, groundPoint: { x: 0.5, y: 0.9 } }
    expect((await api.patch(`/api/photos/${first.id}`, points)).body[0]).toMatchObject(points)
    const upside = { crown: points.groundPoint, groundPoint: points.crown }
    expect((await api.patch(`/api/photos/${first.id}`, upside)).status).toBe(422)
    // A view may be taken twice on a day: both stay.
    const [, second, ...more] = (await api.send(path(), png, 'image/png')).body
    expect(more).toEqual([])
    const there = ({ id: photo }: { id: string }) => existsSync(join(folder, 'photos', photo))
    expect([first, second].map(there)).toEqual([true, true])
    // What was deleted can be had back for a while, with its points, and then it is gone with its file.
    expect((await api.delete(`/api/photos/${first.id}`)).body).toEqual([second])
    expect((await api.get(`/api/photos/${first.id}`)).status).toBe(404)
    await purgePhotos(api.db, Date.now() + 30_000)
    expect((await api.post(`/api/photos/${first.id}/restore`)).body[0]).toMatchObject(points)
    await api.delete(`/api/photos/${first.id}`)
    await purgePhotos(api.db, Date.now() + 61_000)
    expect(there(first)).toBe(false)
    expect((await api.post(`/api/photos/${first.id}/restore`)).status).toBe(404)
    await api.delete(`/api/photos/${second.id}`)
    await api.post(`/api/clients/${id}/erase`, { name: 'Fay Photo' })
    expect(there(second)).toBe(false)
  })

  test.each([
    ['image/jpeg', png],
    ['image/png', Buffer.from('no picture')],
  ])('%s that is no picture is refused with words', async (type, bytes) => {
    const id = await addClient('Rex Refused')
    const { status, body } = await api.send(`/api/clients/${id}/photos?${about()}`, bytes, type)
    expect(status).toBe(422)
    expect(body.problems[0].message).toMatch(/^Photo: enter .* Got /)
    expect((await api.get(`/api/clients/${id}/photos`)).body).toEqual([])
  })
})

describe('leaderboards', () => {
  test('rank like for like; hidden names and hidden percentages stay hidden', async () => {
    const ids = {
      winner: await addClient('Bo Winner'),
      hidden: await addClient('Hal Hidden', { hiddenOnLeaderboards: true }),
      sums: await addClient('Sue Sums', { showPercentages: false }),
      once: await addClient('Una Once'),
    }
    const results = { winner: 0.6, hidden: 0.95, sums: 0.35 } as const
    for (const [who, share] of Object.entries(results)) {
      await measure(ids[who as keyof typeof ids], 70, 1, 64)
      await measure(ids[who as keyof typeof ids], 3, share, 62)
    }
    await measure(ids.once, 3, 1, 60)
    const form = {
      ...{ name: 'Spring', startsOn: addDays(today, -70), endsOn: today, measure: 'fatPercent' },
      clientIds: Object.values(ids),
    }
    const { body: group } = await api.add('/api/leaderboards', form)
    const board = async (measured: string) =>
      boardSchema.parse(
        (await api.patch(`/api/leaderboards/${group.id}`, { ...form, measure: measured })).body,
      )
    for (const measured of ['fatPercent', 'fatMass', 'equationSum', 'recomposition']) {
      const shown = await board(measured)
      expect(JSON.stringify(shown.lines) + JSON.stringify(shown.unranked)).not.toMatch(/Sue/)
      expect(shown.lines.map(({ name }) => name)).toEqual(['Bo Winner', null])
      expect(JSON.stringify(shown.lines)).not.toContain(ids.hidden)
      expect(shown.unranked).toEqual([
        { name: 'Una Once', why: 'not measured twice in this period' },
      ])
    }
    const sums = await board('sum')
    expect(sums.lines.map(({ name, place }) => [place, name])).toEqual([
      [1, 'Sue Sums'],
      [2, 'Bo Winner'],
      [3, null],
    ])
    const wrong = { ...form, id: randomUUID(), endsOn: form.startsOn }
    expect((await api.add('/api/leaderboards', wrong)).body.problems[0]).toMatchObject({
      field: 'endsOn',
    })
  })

  test('another set of folds is not ranked against the others', async () => {
    const [a, b, c] = [await addClient('A A'), await addClient('B B'), await addClient('C C')]
    for (const id of [a, b]) {
      await measure(id, 40, 1, 64)
      await measure(id, 2, 0.9, 63)
    }
    for (const daysAgo of [40, 2]) {
      const id = randomUUID()
      const day = addDays(today, -daysAgo)
      await api.post('/api/check-ins', {
        ...{ id, clientId: c, protocolId: 'three-fold', measuredOn: day },
        startedAt: `${day}T08:00:00Z`,
      })
      const { testerId, caliperId } = (await api.get(`/api/check-ins/${id}`)).body.checkIn
      await api.post(`/api/check-ins/${id}/readings`, {
        readings: ['triceps', 'suprailiac', 'thigh'].map((site) => ({
          ...{ id: randomUUID(), checkInId: id, kind: 'skinfold', site, standard: 'us', trial: 1 },
          ...{
            value: 15,
            typedUnit: 'mm',
            typedText: '15',
            takenAt: `${day}T08:00:00Z`,
            supersedes: null,
          },
          ...{ testerId, instrumentId: caliperId },
        })),
      })
      await api.post(`/api/check-ins/${id}/close`)
    }
    const { body } = await api.add('/api/leaderboards', {
      ...{ name: 'Mixed', startsOn: addDays(today, -40), endsOn: today, measure: 'sum' },
      clientIds: [a, b, c],
    })
    const board = boardSchema.parse((await api.get(`/api/leaderboards/${body.id}`)).body)
    expect(board.lines.map(({ name, tie }) => [name, tie?.count === 2])).toEqual([
      ['A A', true],
      ['B B', true],
    ])
    expect(board.unranked).toEqual([{ name: 'C C', why: 'different folds from most' }])
  })

  test('body mass and waist rank whoever sees no percentages too; another place for the tape does not', async () => {
    const shapes = {
      'Ann Less': { kg: 60, cm: 70 },
      'Bob Same': { kg: 64, cm: 76 },
      'Cy More': { kg: 69, cm: 79 },
    }
    const ids: string[] = []
    for (const [name, { kg, cm }] of Object.entries(shapes)) {
      const id = await addClient(name, { showPercentages: name === 'Cy More' })
      await club.measure(api, id, 60, { waist: { site: 'waist', cm: 76 } })
      await club.measure(api, id, 2, { massKg: kg, waist: { site: 'waist', cm } })
      ids.push(id)
    }
    const elsewhere = await addClient('Di Elsewhere')
    for (const daysAgo of [60, 2])
      await club.measure(api, elsewhere, daysAgo, { waist: { site: 'abdomen', cm: 80 } })
    const boardBy = async (measured: string) => {
      const { body } = await api.add('/api/leaderboards', {
        ...{ name: measured, startsOn: addDays(today, -60), endsOn: today, measure: measured },
        clientIds: [...ids, elsewhere],
      })
      return boardSchema.parse((await api.get(`/api/leaderboards/${body.id}`)).body)
    }
    const waist = await boardBy('waist')
    expect(waist.lines.map(({ name }) => name)).toEqual(['Ann Less', 'Bob Same', 'Cy More'])
    expect(waist.lines[0]!.change).toBeLessThan(-4)
    expect(waist.unranked).toEqual([
      { name: 'Di Elsewhere', why: 'another place for the tape than most have' },
    ])
    const mass = await boardBy('bodyMass')
    expect(mass.lines.map(({ name }) => name)).toEqual([
      ...['Ann Less', 'Bob Same', 'Di Elsewhere', 'Cy More'],
    ])
    // Two who weigh the same as before share a place, and it is said why.
    const [, bob, di] = mass.lines
    expect([bob!.place, di!.place, bob!.tie!.count]).toEqual([2, 2, 2])
    expect(bob!.tie!.spread).toBeLessThan(bob!.tie!.clearFrom)
  })

  test('closed, the result stays: later check-ins, changes and another name do not touch it', async () => {
    const [first, second, gone] = [
      await addClient('Flo First'),
      await addClient('Sol Second'),
      await addClient('Gil Gone'),
    ]
    for (const [id, share] of [
      [first, 0.5],
      [second, 0.9],
      [gone, 0.7],
    ] as const) {
      await measure(id, 70, 1, 64)
      await measure(id, 10, share, 63)
    }
    const form = {
      ...{ name: 'Autumn', startsOn: addDays(today, -70), endsOn: today, measure: 'fatMass' },
      clientIds: [first, second, gone],
    }
    const { body: group } = await api.add('/api/leaderboards', form)
    const path = `/api/leaderboards/${group.id}`
    const early = { ...form, endsOn: addDays(today, 1) }
    await api.patch(path, early)
    expect((await api.post(`${path}/close`)).body.problems[0].code).toBe('still-runs')
    await api.patch(path, form)
    const before = boardSchema.parse((await api.get(path)).body)
    const closed = boardSchema.parse((await api.post(`${path}/close`)).body)
    expect(closed.lines).toEqual(before.lines)
    expect(closed.leaderboard.closedAt).not.toBeNull()
    // Somebody overtakes, too late.
    await measure(second, 1, 0.3, 58)
    expect((await api.patch(path, { ...form, name: 'Winter' })).body.problems[0].code).toBe(
      'closed',
    )
    expect((await api.get(path)).body.lines).toEqual(before.lines)
    // Who hides their name hides it here too, and who is deleted for good is in no result.
    await api.patch(`/api/clients/${first}`, { hiddenOnLeaderboards: true })
    await api.post(`/api/clients/${gone}/erase`, { name: 'Gil Gone' })
    const later = boardSchema.parse((await api.get(path)).body)
    expect(later.lines.map(({ name }) => name)).toEqual([null, 'Sol Second'])
    const open = boardSchema.parse((await api.delete(`${path}/close`)).body)
    expect(open.lines.map(({ name }) => name)).toEqual(['Sol Second', null])
  })

  test('a screen on the wall shows one by first names, figures only where wanted, until it is taken down', async () => {
    const ids = [
      await addClient('Wanda Wall'),
      await addClient('Hugo Hidden', { hiddenOnLeaderboards: true }),
    ]
    for (const id of ids) {
      await measure(id, 40, 1, 64)
      await measure(id, 2, 0.8, 62)
    }
    const { body: group } = await api.add('/api/leaderboards', {
      ...{ name: 'On the wall', startsOn: addDays(today, -40), endsOn: today, measure: 'sum' },
      clientIds: ids,
    })
    const path = `/api/leaderboards/${group.id}/wall`
    const hang = async (showsFigures: boolean) => {
      const { body } = await api.post(path, { showsFigures })
      return (body.addresses[0] as string).split('#')[1]!
    }
    const plain = await hang(false)
    const wall = (await api.get(`/api/walls/${plain}`)).body
    expect(
      wall.lines.map(({ name, change }: { name: string; change: number }) => [name, change]),
    ).toEqual(
      expect.arrayContaining([
        ['Wanda W.', null],
        [null, null],
      ]),
    )
    expect(JSON.stringify(wall)).not.toMatch(new RegExp(`Wanda Wall|Hugo|${ids.join('|')}`))
    const shown = await hang(true)
    expect((await api.get(`/api/walls/${plain}`)).status).toBe(401)
    expect((await api.get(`/api/walls/${shown}`)).body.lines[0].change).toBeLessThan(0)
    const { rows } = await api.engine.query(
      `select to_json(w)::text as it from access.wall_links w`,
    )
    expect(JSON.stringify(rows)).not.toContain(shown)
    await api.delete(path)
    expect((await api.get(`/api/walls/${shown}`)).status).toBe(401)
  })
})

test('the roster searches, filters and sorts, and says how many there are', async () => {
  const names = ['Roster 50%', 'Roster Late', 'Roster New', 'Roster Soon']
  const [, late, , soon] = await Promise.all(names.map((name) => addClient(name)))
  await measure(late!, 60, 1, 64)
  await measure(soon!, 5, 1, 64)
  const ask = async (query: string) =>
    rosterSchema.parse((await api.get(`/api/clients?${query}`)).body)
  const named = async (query: string) => (await ask(query)).entries.map(({ client }) => client.name)
  expect(await named('search=roster')).toEqual(names)
  // A per cent sign is a sign and no wild card.
  expect(await named('search=50%25')).toEqual(['Roster 50%'])
  expect(await named('search=roster&state=late')).toEqual(['Roster Late'])
  expect(await named('search=roster&state=first')).toEqual(['Roster 50%', 'Roster New'])
  expect(await named('search=roster&sort=last&descending=true')).toEqual([
    ...['Roster Soon', 'Roster Late'],
    ...['Roster 50%', 'Roster New'],
  ])
  const { total, entries } = await ask('search=roster%20late')
  expect(total).toBe(1)
  expect(entries[0]).toMatchObject({ checkIns: 1, dueOn: addDays(today, -32), state: 'late' })
})

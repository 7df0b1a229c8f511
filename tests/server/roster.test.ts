import { afterAll, beforeAll, expect, test } from 'vitest'
import { addDays, dueState, isoDateOf } from '#core'
import { ROSTER_PAGE } from '#shared/contract/choices'
import { ROSTER_SORTS, rosterSchema, type RosterEntry } from '#shared/contract/roster'
import { fillWithMany } from '../../demo/many'
import { startApi } from './support/app'

/* The roster of many made-up clients, held against the same list searched, filtered and sorted here. */

const CLIENTS = 130
const today = isoDateOf(new Date())

let api: Awaited<ReturnType<typeof startApi>>
beforeAll(async () => {
  api = await startApi()
  await fillWithMany(api.db, CLIENTS, 3, today)
  const found = await api.engine.query<{ id: string }>('select id from clients order by name')
  const ids = found.rows.map(({ id }) => id)
  for (const id of ids.slice(0, 4)) await api.patch(`/api/clients/${id}`, { archived: true })
  for (const id of ids.slice(4, 9)) {
    await api.patch(`/api/clients/${id}`, { nextDueOn: addDays(today, 12) })
  }
  for (const id of ids.slice(9, 13)) {
    await api.engine.query(
      'update check_ins set voided_at = now(), void_reason = $2 where client_id = $1',
      [id, 'a test'],
    )
  }
  for (const id of ids.slice(13, 16)) {
    await api.post('/api/check-ins', {
      ...{ id: crypto.randomUUID(), clientId: id, measuredOn: today },
      startedAt: new Date().toISOString(),
    })
  }
})
afterAll(() => api.close())

const words = (search: string) => search.trim().toLowerCase().split(/\s+/)

const ask = async (query: Record<string, string>) =>
  rosterSchema.parse((await api.get(`/api/clients?${new URLSearchParams(query)}`)).body)

/** Every page of an answer, one after the other. */
async function all(query: Record<string, string>): Promise<RosterEntry[]> {
  const first = await ask(query)
  const entries = [...first.entries]
  for (let page = 2; entries.length < first.total; page++) {
    const next = await ask({ ...query, page: String(page) })
    expect(next.page).toBe(page)
    entries.push(...next.entries)
  }
  expect(entries).toHaveLength(first.total)
  return entries
}

test('every client is on one page and one only, with how they stand by the core’s own rule', async () => {
  const entries = await all({})
  expect(entries).toHaveLength(CLIENTS - 4)
  expect(new Set(entries.map(({ client }) => client.id)).size).toBe(entries.length)
  expect((await ask({})).entries).toHaveLength(ROSTER_PAGE)
  const moved = entries.slice(0, 5).map(({ client }) => client.id)
  for (const { client, lastMeasuredOn, dueOn, state, checkIns } of entries) {
    if (state === 'under way') continue
    const on = moved.includes(client.id) ? addDays(today, 12) : null
    const due = dueState(lastMeasuredOn, client.cadenceDays, today, on)
    expect({ state, dueOn }).toEqual({ state: due.state, dueOn: due.dueOn })
    expect(checkIns).toBe(lastMeasuredOn === null ? 0 : 3)
  }
  const states = new Set(entries.map(({ state }) => state))
  expect([...states].sort()).toEqual(['coming', 'due', 'first', 'late', 'under way'].sort())
})

test.each(ROSTER_SORTS.filter((sort) => sort !== 'says'))(
  'sorted by %s, up and down, who has no such day last',
  async (sort) => {
    const key = ({ client, dueOn, lastMeasuredOn }: RosterEntry) =>
      ({ name: client.name, due: dueOn, last: lastMeasuredOn })[sort]
    for (const descending of ['false', 'true']) {
      const keys = (await all({ sort, descending })).map(key)
      const known = keys.filter((k) => k !== null)
      const ordered = [...known].sort((a, b) => (a < b ? -1 : a > b ? 1 : 0))
      expect(known).toEqual(descending === 'true' ? ordered.reverse() : ordered)
      expect(keys.slice(known.length).every((k) => k === null)).toBe(true)
    }
  },
)

test.each(['late', 'due', 'first', 'coming', 'under way', 'archived'])(
  'in the state %s: all of them and nobody else, with a search inside it',
  async (state) => {
    const everybody = [...(await all({})), ...(await all({ state: 'archived' }))]
    const wanted = everybody.filter((entry) => entry.state === state)
    const named = (entries: RosterEntry[]) => entries.map(({ client }) => client.name).sort()
    expect(wanted.length).toBeGreaterThan(0)
    expect(named(await all({ state }))).toEqual(named(wanted))
    for (const search of ['BROOK', 'a ash', 'ash a', ' 1 ', '%', '_']) {
      const found = wanted.filter(({ client }) =>
        words(search).every((word) => client.name.toLowerCase().includes(word)),
      )
      expect(named(await all({ state, search }))).toEqual(named(found))
    }
  },
)

test('a page past the last, is the first; questions that are none are refused in words', async () => {
  expect(await ask({ page: '99' })).toEqual(await ask({}))
  for (const wrong of ['page=-1', 'sort=size', 'state=gone', 'search=%00', 'page=1e9']) {
    const { status, body } = await api.get(`/api/clients?${wrong}`)
    expect(status, wrong).toBe(422)
    expect(body.problems[0].message).toMatch(/: enter .* Got /)
  }
  expect(await ask({ search: 'nobody of that name' })).toEqual({
    ...{ entries: [], total: 0, page: 1, tags: [] },
  })
})

test('a search goes past case, accents, apostrophes and the order of words', async () => {
  const names = ['Żaneta Wałęsińska', 'Siobhán O’Brien', 'Ann-Marie Abbott', 'Søren Ødegård']
  for (const name of names) {
    await api.post('/api/clients', {
      ...{ id: crypto.randomUUID(), name, sex: 'female', birthYear: 1990, height: '168' },
    })
  }
  const found = async (search: string) => (await ask({ search })).entries.map((e) => e.client.name)
  for (const [search, name] of [
    ['zaneta', names[0]],
    ['WALESINSKA zaneta', names[0]],
    ['obrien', names[1]],
    ["o'brien siobhan", names[1]],
    ['abbott ann', names[2]],
    ['ann marie', names[2]],
    ['odegard', names[3]],
    ['Ødegård', names[3]],
  ] as const) {
    expect(await found(search), search).toEqual([name])
  }
  expect(await found('zaneta obrien')).toEqual([])
})

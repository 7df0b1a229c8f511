import { randomUUID } from 'node:crypto'
import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { addDays, isoDateOf, REFIT_PEOPLE, USUAL_FIGURES } from '#core'
import type { Gym } from '#shared/contract/equipment'
import { rosterSchema } from '#shared/contract/roster'
import { todaySchema } from '#shared/contract/today'
import { fillWithMany } from '../../demo/many'
import { seedDemo } from '../../demo/seed'
import { findRecord } from '../../server/clients/queries'
import { countWaiting, keepJudging, rebuildVerdicts } from '../../server/verdicts/keep'
import { sayOf } from '../../server/verdicts/say'
import { startApi } from './support/app'

const today = isoDateOf(new Date())
const EVERYBODY = 23
/** With those who have left. */
const EVER = 31
/** How many are shown of what is worth telling. */
const SHOWN = 3

let api: Awaited<ReturnType<typeof startApi>>
beforeAll(async () => {
  api = await startApi()
  await seedDemo(api.db, async () => {})
})
afterAll(() => api.close())

const ask = async () => todaySchema.parse((await api.get('/api/today')).body)
async function askJudged() {
  await keepJudging(api.db)
  return ask()
}
async function clientOf(name: string) {
  const { entries } = rosterSchema.parse((await api.get(`/api/clients?search=${name}`)).body)
  return entries[0]!
}
/** Puts every item of the list by that somebody else would be seen behind, and back again after. */
async function withRoom(run: () => Promise<void>) {
  const put: object[] = []
  for (const { item, about, client } of await itemsOf()) {
    if (item === 'report' || item === 'missed-twice') continue
    put.push({ clientId: client.id, about })
  }
  const all = (done: boolean) => put.map((one) => api.post('/api/today/done', { ...one, done }))
  await Promise.all(all(true))
  try {
    await run()
  } finally {
    await Promise.all(all(false))
  }
}
const itemsOf = async () => {
  const { look, tell } = await askJudged()
  return [...look.shown, ...tell.shown]
}

describe('what today asks of the coach', () => {
  test('the pressing first, each client once in a list, with what it is about', async () => {
    const { look, tell, clients, measure, week, rest } = await askJudged()
    expect(look.shown.map(({ client, item }) => [client.name, item])).toEqual([
      ['Lowell Tench', 'too-fast'],
      ['Gus Penhallow', 'losing-lean'],
      ['Anton Greavesley', 'behind'],
      ['Esme Hallard', 'off-the-line'],
      ['Marguerite Oyel', 'fat-up'],
    ])
    // His plan is of a waist, and so is what he is behind by.
    const { short } = look.shown[2]!.said!
    expect(short!.quantity).toBe('waist')
    expect(short!.by).toBeGreaterThan(3)
    expect(tell.shown.map(({ item }) => item)).toEqual([
      'fat-down-lean-up',
      ...Array<string>(SHOWN - 1).fill('fat-down'),
    ])
    expect(tell.all).toBeGreaterThan(SHOWN)
    expect(measure.shown[0]!.open).not.toBeNull()
    // Everybody is somewhere: to be measured, looked at or told, coming up, or one of the others.
    const named = [...look.shown, ...tell.shown, ...measure.shown, ...week.shown]
    const hidden = tell.all - tell.shown.length
    const seen = new Set(named.map(({ client }) => client.id)).size
    expect(seen + rest).toBeLessThanOrEqual(clients)
    expect(seen + rest + hidden).toBeGreaterThanOrEqual(clients)
  })

  test('what the coach is done with stays away until something new is true', async () => {
    const gus = (await itemsOf()).find(({ client }) => client.name.startsWith('Gus'))!
    const body = { clientId: gus.client.id, about: gus.about, done: true }
    await api.post('/api/today/done', body)
    await api.post('/api/today/done', body)
    const isThere = async () => (await itemsOf()).some(({ about }) => about === gus.about)
    expect(await isThere()).toBe(false)
    await api.post('/api/today/done', { ...body, done: false })
    expect(await isThere()).toBe(true)
    const refused = await api.post('/api/today/done', { ...body, clientId: randomUUID() })
    expect(refused.status).toBe(404)
  })

  test('a report that came in is done with until another comes', async () => {
    await withRoom(async () => {
      const rufus = (await itemsOf()).find(({ client }) => client.name.startsWith('Rufus'))!
      await api.post('/api/today/done', {
        ...{ clientId: rufus.client.id, about: rufus.about, done: true },
      })
      const report = async () =>
        (await itemsOf()).find(
          ({ item, client }) => item === 'report' && client.id === rufus.client.id,
        )
      expect(await report()).toBeUndefined()
      const text = '101.9, 101.7'
      await api.post(`/api/clients/${rufus.client.id}/weigh-ins`, { text, last: today, unit: 'kg' })
      expect((await report())!.about).not.toBe(rufus.about)
    })
  })

  test('a check-in missed twice over is to be looked at, and no sooner', async () => {
    const { client } = await clientOf('Bram')
    const missed = async () => (await itemsOf()).some(({ item }) => item === 'missed-twice')
    expect(await missed()).toBe(false)
    await withRoom(async () => {
      expect(await missed()).toBe(false)
      // Nineteen days late: with a check-in every week that is more than two of them.
      await api.patch(`/api/clients/${client.id}`, { cadenceDays: 7 })
      expect(await missed()).toBe(true)
    })
    await api.patch(`/api/clients/${client.id}`, { cadenceDays: 28 })
  })
})

describe('a verdict is dropped by any change of what it is made of', () => {
  const waiting = async () => {
    const { rows } = await api.db.execute<{ name: string }>(
      sql`select c.name from client_verdicts v join clients c on c.id = v.client_id
        where v.seen is distinct from v.changes order by c.name`,
    )
    return rows.map(({ name }) => name)
  }
  /** Whose verdict a change drops. */
  async function dropped(change: () => Promise<unknown>) {
    await keepJudging(api.db)
    expect(await waiting()).toEqual([])
    await change()
    return waiting()
  }
  const GUS = ['Gus Penhallow']
  let gus: Awaited<ReturnType<typeof clientOf>>['client']
  beforeAll(async () => void (gus = (await clientOf('Gus')).client))
  const url = (path = '') => `/api/clients/${gus.id}${path}`

  test.each([
    ['weigh-in', () => api.post(url('/weigh-ins'), { text: '87.1', last: today, unit: 'kg' })],
    ['weigh-in taken back', () => api.delete(url(`/weigh-ins/${today}`))],
    ['mark', () => api.add(url('/notes'), { date: today, kind: 'phase', words: 'new block' })],
    ['height', () => api.patch(url(), { height: '186 cm', heightTakenOn: today })],
    ['birth date', () => api.patch(url(), { birthDate: '1974-03-02' })],
    ['percentages', () => api.patch(url(), { showPercentages: false })],
    ['percentages shown again', () => api.patch(url(), { showPercentages: true })],
    ['days between check-ins', () => api.patch(url(), { cadenceDays: 20 })],
  ])('of one client alone: a %s', async (_, change) => {
    expect(await dropped(change)).toEqual(GUS)
  })

  test('not by what it is not made of', async () => {
    expect(await dropped(() => api.patch(url(), { name: 'Gus Penhallow' }))).toEqual([])
    const started = { id: randomUUID(), clientId: gus.id, measuredOn: today }
    const start = () =>
      api.post('/api/check-ins', { ...started, startedAt: new Date().toISOString() })
    // Under way it is in no verdict.
    expect(await dropped(start)).toEqual([])
    expect(await dropped(() => api.delete(`/api/check-ins/${started.id}`))).toEqual([])
  })

  test('a check-in that is voided, restored or corrected', async () => {
    const record = await findRecord(api.db, gus.id)
    const newest = record.checkIns[0]!
    const of = (path: string) => `/api/check-ins/${newest.id}${path}`
    expect(await dropped(() => api.post(of('/void'), { reason: 'a test' }))).toEqual(GUS)
    expect(await dropped(() => api.post(of('/restore'), {}))).toEqual(GUS)
    const old = newest.readings.find(({ kind }) => kind === 'skinfold')!
    const correction = {
      ...old,
      ...{ id: randomUUID(), checkInId: newest.id, value: old.value + 1, supersedes: old.id },
      ...{ typedText: String(old.value + 1), repair: true },
    }
    const correct = () => api.post(of('/readings'), { readings: [correction] })
    expect(await dropped(correct)).toEqual(GUS)
  })

  test('of everybody, by another skill of a hand or another caliper', async () => {
    const { testers, instruments } = await findRecord(api.db, gus.id)
    const { id: tester, name, skill } = testers[0]!
    const other = skill === 'trained' ? 'novice' : 'trained'
    const practised = () => api.patch(`/api/gym/testers/${tester}`, { name, skill: other })
    expect(await dropped(practised)).toHaveLength(EVER)
    const { id, ...caliper } = instruments.find(({ kind }) => kind === 'caliper')!
    const finer = { ...caliper, graduation: 0.25, checkEveryDays: 180, retired: false }
    expect(await dropped(() => api.patch(`/api/gym/instruments/${id}`, finer))).toHaveLength(EVER)
  })

  test('and what is kept afterwards is what the record says now, as it is rebuilt too', async () => {
    const kept = async () => {
      const { rows } = await api.db.execute<{ id: string; said: unknown }>(
        sql`select client_id as id, said from client_verdicts order by client_id`,
      )
      return rows
    }
    type Kept = { date: string; headline: { rule: string; changes: { change: number }[] } } | null
    // The hand and the caliper were changed above, and the gym's own figures read before it.
    await api.db.execute(sql`delete from gym_figures`)
    await keepJudging(api.db)
    const now = await kept()
    await rebuildVerdicts(api.db)
    const anew = await kept()
    expect(anew).toHaveLength(EVER)
    for (const [i, { id, said }] of anew.entries()) {
      const spoken = sayOf(await findRecord(api.db, id))
      expect(said).toEqual(spoken ? JSON.parse(JSON.stringify(spoken.said)) : null)
      // What was kept before may know a tester's own error to two digits only.
      const [before, after] = [now[i]!.said as Kept, said as Kept]
      expect(before?.headline.rule).toBe(after?.headline.rule)
      const [a, b] = [before, after].map((kept_) => kept_?.headline.changes[0]?.change ?? 0)
      expect(a).toBeCloseTo(b!, 2)
    }
  })
})

describe('the gym’s own figures', () => {
  const own = async () => ((await api.get('/api/gym')).body as Gym).figures
  test('are read off its records, serve every judgement, and wait for a quarter more check-ins', async () => {
    await keepJudging(api.db)
    const figures = (await own())!
    expect(figures.people).toBeGreaterThanOrEqual(REFIT_PEOPLE)
    expect(figures.own).not.toEqual(USUAL_FIGURES)
    const { client } = await clientOf('Tilda')
    const record = await findRecord(api.db, client.id)
    expect(record.gymFigures).toEqual(figures.own)
    const usual = sayOf({ ...record, gymFigures: null })
    expect(sayOf(record)!.said.headline.changes[0]!.sd).not.toBe(
      usual!.said.headline.changes[0]!.sd,
    )

    // A few more check-ins change nothing yet.
    const fittedAt = sql`select fitted_at::text as at, check_ins from gym_figures`
    const { rows: before } = await api.db.execute<{ at: string; check_ins: number }>(fittedAt)
    const newest = record.checkIns[0]!.id
    await api.post(`/api/check-ins/${newest}/void`, { reason: 'a test' })
    await keepJudging(api.db)
    expect((await api.db.execute(fittedAt)).rows).toEqual(before)
    await api.post(`/api/check-ins/${newest}/restore`, {})

    const few = before[0]!.check_ins / 1.3
    const others = sql`select sum(changes)::int as changes from client_verdicts where client_id <> ${client.id}`
    await keepJudging(api.db)
    const { rows: unchanged } = await api.db.execute(others)
    await api.db.execute(sql`update gym_figures set check_ins = ${Math.floor(few)}`)
    await api.patch(`/api/clients/${client.id}`, { cadenceDays: 29 })
    await keepJudging(api.db)
    // Read anew and found the same, they drop nobody's verdict.
    expect((await api.db.execute(others)).rows).toEqual(unchanged)
    const { rows: after } = await api.db.execute<{ at: string; check_ins: number }>(fittedAt)
    expect(after[0]!.check_ins).toBe(before[0]!.check_ins)
    expect(after[0]!.at).not.toBe(before[0]!.at)
    await api.patch(`/api/clients/${client.id}`, { cadenceDays: 28 })
  })

  test('go with the people that they were read off', async () => {
    const many = sql`update check_ins set voided_at = now(), void_reason = 'a test' where closed_at is not null and client_id in
      (select id from clients where archived_at is not null)`
    await api.db.execute(many)
    await keepJudging(api.db)
    expect(await own()).toBeNull()
    await api.db
      .execute(sql`update check_ins set voided_at = null, void_reason = null where closed_at is not null and client_id in
      (select id from clients where archived_at is not null)`)
    await keepJudging(api.db)
    expect(await own()).not.toBeNull()
  })
})

describe('the roster', () => {
  test('shows what each record says, filters and sorts by it', async () => {
    await keepJudging(api.db)
    const read = async (query: string) =>
      rosterSchema.parse((await api.get(`/api/clients?${query}`)).body).entries
    const names = async (query: string) => (await read(query)).map(({ client }) => client.name)
    const { look, tell } = await ask()
    const ofRecord = look.shown.filter(({ said }) => said).map(({ client }) => client.name)
    expect(await names('says=look&sort=says')).toEqual(ofRecord)
    const told = await names('says=tell&sort=says')
    expect(told).toHaveLength(tell.all)
    expect(told.slice(0, SHOWN)).toEqual(tell.shown.map(({ client }) => client.name))
    expect((await names('sort=says')).slice(0, ofRecord.length + told.length)).toEqual([
      ...ofRecord,
      ...told,
    ])
    const all = await read('')
    expect(all.filter(({ said }) => said && !said.bySelf)).toHaveLength(
      all.filter((e) => e.checkIns > 0).length,
    )
  })
})

test('with hundreds of clients it is as short, and what is not judged yet is said', async () => {
  await fillWithMany(api.db, 160, 6, addDays(today, 0))
  const first = await ask()
  expect(first.clients).toBe(EVERYBODY + 160)
  await keepJudging(api.db)
  expect(await countWaiting(api.db)).toBe(0)
  const { look, tell, measure, week, pending } = await ask()
  expect(pending).toBe(0)
  expect(look.shown.length + tell.shown.length).toBeLessThanOrEqual(11)
  expect(measure.shown.length + week.shown.length).toBeLessThanOrEqual(15)
  expect(measure.all).toBeGreaterThan(measure.shown.length)
  const late = measure.shown.flatMap(({ open, comesAt, daysPast }) =>
    open || comesAt ? [] : (daysPast ?? []),
  )
  expect(late).toEqual([...late].sort((a, b) => b - a))
})

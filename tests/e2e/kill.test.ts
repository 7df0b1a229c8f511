import { randomUUID } from 'node:crypto'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { randomLcg, randomUniform } from 'd3-random'
import { afterAll, beforeAll, expect, test, vi } from 'vitest'
import { PATIENCE } from '../support/patience'
import { addDays, energyPlan, isoDateOf, SEVEN_FOLDS, startOf } from '#core'
import type { Backups } from '#shared/contract/backups'
import type { CheckInView, ReadingReceipt } from '#shared/contract/check-ins'
import type { Photo } from '#shared/contract/photos'
import type { Plan } from '#shared/contract/plans'
import type { ClientRecord } from '#shared/contract/record'
import type { Roster } from '#shared/contract/roster'
import { ROSTER_PAGE } from '#shared/contract/choices'
import { addClient, closeWithSheet, readingsFor, startCheckIn } from './support/record'
import { TestServer } from './support/server'

/*
 * kill -9 at random moments under writers of every kind. What was acknowledged is there after each start, as it was
 * sent; what was erased is gone; no picture is without its row and no row without its picture. The whole of it, 100
 * rounds: `npm run test:kill`.
 */

const ROUNDS = Number(process.env.OAK_PINCH_ROUNDS ?? 4)
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)

let server: TestServer
beforeAll(async () => {
  server = await TestServer.create()
})
afterAll(() => server.remove())

/** What the server said it had stored. */
interface Told {
  readings: Map<string, number>
  weighIns: Map<string, number>
  notes: Set<string>
  photos: Set<string>
  erased: Set<string>
  plans: Set<string>
  /** Their names; only the newest few are kept. */
  backups: Set<string>
}

test(
  `${ROUNDS} rounds of kill -9: nothing acknowledged is lost, nothing is left over`,
  async () => {
    const random = randomUniform.source(randomLcg(0.815))(0, 1)
    const client = await addClient(server, 'Kip Killproof')
    const checkIn = await startCheckIn(server, client.id)
    const told: Told = {
      ...{ readings: new Map(), weighIns: new Map(), notes: new Set(), photos: new Set() },
      ...{ erased: new Set(), plans: new Set(), backups: new Set() },
    }
    const today = isoDateOf(new Date())
    const planned = await withCheckIn()
    let day = 0
    let dead = false
    const send = async (method: string, path: string, body: BodyInit, type: string) => {
      const answer = await fetch(`${server.url}${path}`, {
        ...{ method, body, headers: { 'content-type': type } },
      }).catch(() => undefined)
      // What the server was killed in the midst of was not acknowledged, whatever became of it.
      if (answer && !dead && !answer.ok)
        throw new Error(`${path}: ${answer.status} ${await answer.text()}`)
      return answer?.ok ? (answer.json().catch(() => undefined) as Promise<unknown>) : undefined
    }
    const post = (path: string, body: unknown) =>
      send('POST', path, JSON.stringify(body), 'application/json')

    const photograph = (of: string, id: string) => {
      const taken = { id, view: 'front', takenOn: today, width: '1', height: '1' }
      const path = `/api/clients/${of}/photos?${new URLSearchParams(taken)}`
      return send('POST', path, PNG, 'image/png')
    }

    const ofEveryKind = () =>
      Object.values<{ size: number }>({ ...told }).every(({ size }) => size > 0)

    const writers: (() => Promise<void>)[] = [
      async () => {
        const [reading] = readingsFor(checkIn, [
          {
            kind: 'skinfold',
            site: SEVEN_FOLDS[Math.floor(random() * 7)]!,
            trial: 1,
            value: 10 + Math.round(random() * 20),
          },
        ])
        const receipt = (await post(`/api/check-ins/${checkIn.id}/readings`, {
          readings: [reading],
        })) as ReadingReceipt | undefined
        if (receipt?.stored.includes(reading!.id)) told.readings.set(reading!.id, reading!.value)
      },
      async () => {
        const [date, kg] = [addDays(today, -(day++ % 3000)), 60 + Math.round(random() * 50) / 10]
        const sent = { text: String(kg), last: date, unit: 'kg' }
        if (await post(`/api/clients/${client.id}/weigh-ins`, sent)) told.weighIns.set(date, kg)
      },
      async () => {
        const id = randomUUID()
        const note = { id, date: today, kind: 'other', words: 'under way' }
        if (await post(`/api/clients/${client.id}/notes`, note)) told.notes.add(id)
      },
      async () => {
        const id = randomUUID()
        if (await photograph(client.id, id)) told.photos.add(id)
      },
      async () => {
        const other = randomUUID()
        const person = { id: other, name: `Gone ${other}`, sex: 'male', birthDate: '1990-01-01' }
        if (!(await post('/api/clients', { ...person, height: '180 cm', cadenceDays: 28 }))) return
        await photograph(other, randomUUID())
        if (await post(`/api/clients/${other}/erase`, { name: person.name })) told.erased.add(other)
      },
      async () => {
        const id = randomUUID()
        if (await post(`/api/clients/${planned.client.id}/plans`, { id, ...planOf(planned) }))
          told.plans.add(id)
      },
      async () => {
        const made = (await post('/api/backups', {})) as Backups | undefined
        if (made) told.backups.add(made.backups.find(({ reason }) => reason === 'asked')!.name)
      },
    ]

    for (let round = 0; round < ROUNDS; round++) {
      dead = false
      const work = writers.map(async (write) => {
        while (!dead) await write()
      })
      await new Promise((wait) => setTimeout(wait, 100 + random() * 1500))
      // Of every kind something was acknowledged before the first kill, however busy the machine.
      if (round === 0) await vi.waitUntil(ofEveryKind, { timeout: PATIENCE })
      dead = true
      await server.kill()
      await Promise.all(work)
      await server.start()
      await check(client.id, checkIn.id, told)
      await checkPlans(planned.client.id, told)
      await checkBackups(told)
    }
  },
  60_000 + ROUNDS * 20_000,
)

/** Somebody with a closed check-in to plan from. */
async function withCheckIn(): Promise<ClientRecord> {
  const { id } = await addClient(server, 'Pia Planproof')
  await closeWithSheet(server, await startCheckIn(server, id))
  return server.get<ClientRecord>(`/api/clients/${id}/record`)
}

/** A plan as the screen makes it. */
function planOf({ client, checkIns }: ClientRecord) {
  const [checkIn] = checkIns
  const start = startOf(client, checkIn!, isoDateOf(new Date()))!
  const { fatKg, leanKg, standardError } = start
  const { intakeKcal, needKcal } = energyPlan(start, {
    ...{ form: 'lean', activity: 1.55, paceKg: 0.3 },
  })
  return {
    ...{ startedOn: checkIn!.measuredOn, cadenceDays: 21 },
    definition: {
      ...{ goal: { kind: 'mass', value: 61 }, pace: { unit: 'kg', value: 0.3 }, form: 'lean' },
      ...{ activity: 1.55, training: 'strength', purpose: 'training', peakWeek: false, weeks: 10 },
      ...{ intakeKcal, needKcal, checkInId: checkIn!.id, fatKg, leanKg, standardError },
    },
  }
}

async function checkPlans(clientId: string, told: Told): Promise<void> {
  const { plans } = await server.get<{ plans: Plan[] }>(`/api/clients/${clientId}/plans`)
  const there = new Set(plans.map(({ id }) => id))
  for (const id of told.plans) expect(there.has(id), `plan ${id}`).toBe(true)
  expect(plans.filter(({ replacedAt }) => replacedAt === null)).toHaveLength(1)
}

/** The newest that was acknowledged is there and can be restored; nothing half made lies beside. */
async function checkBackups(told: Told): Promise<void> {
  const { backups } = await server.get<Backups>('/api/backups')
  const newest = [...told.backups].at(-1)!
  expect(backups.map(({ name }) => name)).toContain(newest)
  await server.post(`/api/backups/${newest}/try`, {})
  const names = readdirSync(join(server.folder, 'backups'))
  const listed = new Set([...backups.map(({ name }) => name), 'settings.json'])
  expect(names.filter((name) => !listed.has(name))).toEqual([])
}

async function check(clientId: string, checkInId: string, told: Told): Promise<void> {
  const {
    checkIn: { readings },
  } = await server.get<CheckInView>(`/api/check-ins/${checkInId}`)
  const there = new Map(readings.map(({ id, value }) => [id, value]))
  expect(there.size).toBe(readings.length)
  for (const [id, value] of told.readings) expect(there.get(id), `reading ${id}`).toBe(value)

  const days = await server.get<{ date: string; kg: number }[]>(
    `/api/clients/${clientId}/weigh-ins`,
  )
  const kg = new Map(days.map((row) => [row.date, row.kg]))
  for (const [date, value] of told.weighIns) expect(kg.get(date), date).toBeCloseTo(value, 6)

  const { notes } = await server.get<ClientRecord>(`/api/clients/${clientId}/record`)
  const noted = new Set(notes.map(({ id }) => id))
  for (const id of told.notes) expect(noted.has(id), `note ${id}`).toBe(true)

  const photos = await server.get<Photo[]>(`/api/clients/${clientId}/photos`)
  const rows = new Set(photos.map(({ id }) => id))
  for (const id of told.photos) expect(rows.has(id), `photo ${id}`).toBe(true)
  // Each picture has its row, and each row its picture, whole.
  const folder = join(server.folder, 'photos')
  const files = existsSync(folder) ? readdirSync(folder) : []
  for (const id of rows) expect(readFileSync(join(folder, id)).length, id).toBeGreaterThan(50)
  const others = new Set<string>()
  // Whoever was not erased when the kill came; many rounds leave more of them than one page has.
  for (let page = 1, left = 1; left > 0; page++) {
    const { entries, total } = await server.get<Roster>(`/api/clients?search=Gone&page=${page}`)
    for (const { client } of entries)
      for (const { id } of await server.get<Photo[]>(`/api/clients/${client.id}/photos`))
        others.add(id)
    left = total - page * ROSTER_PAGE
  }
  expect(files.filter((name) => !rows.has(name) && !others.has(name))).toEqual([])
  for (const id of told.erased)
    expect((await fetch(`${server.url}/api/clients/${id}`)).status, `erased ${id}`).toBe(404)
}

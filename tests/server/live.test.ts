import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, inject, test, vi } from 'vitest'
import { sql } from 'drizzle-orm'
import { isoDateOf } from '#core'
import type { CheckIn } from '#shared/contract/check-ins'
import type { Gym } from '#shared/contract/equipment'
import { announce, endStreams, follow } from '../../server/events/live'
import { PATIENCE } from '../support/patience'
import { startApi } from './support/app'
import { aReading } from './support/samples'

let api: Awaited<ReturnType<typeof startApi>>
beforeAll(async () => void (api = await startApi()))
afterAll(() => api.close())

/** A state that the test gives out when it likes. */
function slowly() {
  const asked: ((state: number) => void)[] = []
  const told: number[] = []
  const read = () => new Promise<number>((resolve) => asked.push(resolve))
  const tell = (state: number) => Promise.resolve(void told.push(state))
  const until = (condition: () => boolean) => vi.waitUntil(condition, { timeout: PATIENCE })
  return { asked, told, read, tell, until }
}

/** Waits until what was announced has gone by, as one that comes after it on the same channel shows. */
async function untilGoneBy() {
  const { asked, read, tell, until } = slowly()
  const later = randomUUID()
  const following = follow(later, read, tell)
  asked[0]!(0)
  announce(api.db, later)
  await until(() => asked.length === 2)
  ;(await following)()
}

describe('a follower', () => {
  test('is told of what changed while the first state was being read', async () => {
    const { asked, told, read, tell, until } = slowly()
    const id = randomUUID()
    const following = follow(id, read, tell)
    announce(api.db, id)
    await untilGoneBy()
    asked[0]!(1)
    await until(() => asked.length === 2)
    asked[1]!(2)
    await until(() => told.length === 2)
    expect(told).toEqual([1, 2])
    ;(await following)()
  })

  test('is told of many changes during one reading once, and never of an older state after a newer', async () => {
    const { asked, told, read, tell, until } = slowly()
    const id = randomUUID()
    const following = follow(id, read, tell)
    asked[0]!(1)
    const stop = await following
    announce(api.db, id)
    await until(() => asked.length === 2)
    for (let change = 0; change < 5; change++) announce(api.db, id)
    await untilGoneBy()
    asked[1]!(2)
    await until(() => asked.length === 3)
    asked[2]!(3)
    await until(() => told.length === 3)
    expect(told).toEqual([1, 2, 3])
    stop()
  })

  test('that finds nothing is refused, and not kept', async () => {
    const reads = vi.fn(() => Promise.reject(new Error('not there')))
    const id = randomUUID()
    await expect(follow(id, reads, () => Promise.resolve())).rejects.toThrow('not there')
    expect((await api.raw('GET', `/api/check-ins/${id}/live`)).status).toBe(404)
    const other = slowly()
    const stop = await Promise.all([follow(id, other.read, other.tell), other.asked[0]!(0)])
    announce(api.db, id)
    await other.until(() => other.asked.length === 2)
    expect(reads).toHaveBeenCalledOnce()
    stop[0]()
  })
})

if (inject('postgres'))
  test('a screen learns what was taken while the server could not hear of it', async () => {
    const client = { id: randomUUID(), name: 'Heard Heron', sex: 'female', birthDate: '1992-03-14' }
    await api.post('/api/clients', { ...client, height: '168 cm', cadenceDays: 28 })
    const now = new Date()
    const { body } = await api.post('/api/check-ins', {
      ...{ id: randomUUID(), clientId: client.id, measuredOn: isoDateOf(now) },
      startedAt: now.toISOString(),
    })
    const { id } = body as CheckIn
    const { body: stream } = await api.raw('GET', `/api/check-ins/${id}/live`)
    const reader = stream!.getReader()
    const decoder = new TextDecoder()
    let text = ''
    const readings = () => text.split('"trial"').length - 1
    const readUntil = async (count: number) => {
      while (readings() < count) text += decoder.decode((await reader.read()).value)
    }
    while (!text.includes(id)) text += decoder.decode((await reader.read()).value)
    const { rows } = await api.db.execute<{ ended: boolean }>(sql`
      select pg_terminate_backend(pid) as ended from pg_stat_activity
      where datname = current_database() and query = 'listen oak_pinch'`)
    expect(rows).toEqual([{ ended: true }])
    const { settings } = (await api.get('/api/gym')).body as Gym
    const reading = aReading(id, settings)
    const answer = await api.post(`/api/check-ins/${id}/readings`, { readings: [reading] })
    expect(answer.status).toBe(200)
    await readUntil(1)
    endStreams()
    while (!(await reader.read()).done);
  })

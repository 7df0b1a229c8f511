import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { remembered } from '../../server/database/remembered'
import { startApi } from './support/app'

/* Own errors are on every page and change when a check-in is closed: remembered, and never a moment too long. */

let api: Awaited<ReturnType<typeof startApi>>
beforeAll(async () => {
  api = await startApi()
  await api.add('/api/gym/testers', { name: 'Ash', skill: 'trained' })
})
afterAll(() => api.close())

/** How many testers there are, and how often that was asked of the database. */
function counter(name: string) {
  let asked = 0
  const count = (db: Parameters<typeof remembered>[0] = api.db) =>
    remembered(db, name, async () => {
      asked++
      const { rows } = await db.execute<{ n: number }>(sql`select count(*)::int as n from people`)
      return rows[0]!.n
    })
  return { count, asked: () => asked }
}
const addTester = (name: string) =>
  sql`insert into people (id, name, skill) values (gen_random_uuid(), ${name}, 'trained')`

test('is computed once, and again after a request that writes', async () => {
  const { count, asked } = counter('once')
  const before = await count()
  expect([await count(), await count(), asked()]).toEqual([before, before, 1])
  await api.add('/api/gym/testers', { name: 'Birch', skill: 'trained' })
  expect(await count()).toBe(before + 1)
  expect(asked()).toBe(2)
})

test('a read that began before a write is not given after it', async () => {
  const { count } = counter('overtaken')
  const began = count()
  const wrote = api.db.execute(addTester('Cedar'))
  const before = await began
  await wrote
  expect(await count()).toBe(before + 1)
})

test('in a transaction nothing is remembered, and what is rolled back was never there', async () => {
  const { count, asked } = counter('transaction')
  const before = await count()
  const undone = api.db.transaction(async (tx) => {
    expect(await count(tx)).toBe(before)
    await tx.execute(addTester('Dogwood'))
    expect(await count(tx)).toBe(before + 1)
    throw new Error('undone')
  })
  await expect(undone).rejects.toThrow('undone')
  expect(await count()).toBe(before)
  expect(asked()).toBe(4)
})

test('what failed is asked for again', async () => {
  let tries = 0
  const once = () =>
    remembered(api.db, 'failing', async () => {
      if (tries++ === 0) throw new Error('not yet')
      return 'there'
    })
  await expect(once()).rejects.toThrow('not yet')
  expect(await once()).toBe('there')
})

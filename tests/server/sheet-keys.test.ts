import { afterAll, beforeAll, expect, test } from 'vitest'
import { sql } from 'drizzle-orm'
import type { SheetKey } from '#shared/contract/imports'
import { startApi } from './support/app'

/* A spreadsheet's own key: it reads the record as CSV, does nothing else, and opens nothing once it is revoked. */

let api: Awaited<ReturnType<typeof startApi>>
beforeAll(async () => {
  api = await startApi()
  await api.add('/api/clients', {
    name: 'Kit Keyed',
    sex: 'male',
    birthDate: null,
    birthYear: 1980,
    height: null,
  })
})
afterAll(() => api.close())

const sheet = async (key: string, as = 'csv') => {
  const response = await api.raw('GET', `/api/sheets/${key}/${as}`)
  return { status: response.status, text: await response.text() }
}

test('reads until it is revoked; what is kept of it is not the key; wrong ones are counted', async () => {
  const made = await api.add('/api/sheet-keys', { name: 'My yearly sheet' })
  const { key, keys } = made.body as { key: string; keys: SheetKey[] }
  expect(keys).toMatchObject([{ name: 'My yearly sheet', usedAt: null }])
  for (const as of ['csv', 'long-csv'])
    expect(await sheet(key, as)).toMatchObject({
      status: 200,
      text: expect.stringContaining('client,'),
    })
  expect((await sheet(key, 'json')).status).toBe(422)
  const used = (await api.get('/api/sheet-keys')).body as SheetKey[]
  expect(used[0]!.usedAt).not.toBeNull()
  const kept = await api.db.execute(sql`select k::text as row from access.sheet_keys k`)
  expect(JSON.stringify(kept.rows)).not.toContain(key)

  expect((await api.delete(`/api/sheet-keys/${keys[0]!.id}`)).status).toBe(200)
  expect((await sheet(key)).status).toBe(401)
  expect((await api.delete(`/api/sheet-keys/${keys[0]!.id}`)).status).toBe(404)
  const answers = []
  for (let i = 0; i < 110; i++) answers.push((await sheet(`wrong-${i}`)).status)
  expect(new Set(answers)).toEqual(new Set([401, 429]))
  expect(answers.at(-1)).toBe(429)
})

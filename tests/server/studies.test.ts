import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { blendedRepeatError, isoDateOf, nextInStudy, siteError, usualRepeatError } from '#core'
import type { Gym } from '#shared/contract/equipment'
import type { StudyView, TesterView } from '#shared/contract/studies'
import { listOwnErrors } from '../../server/equipment/queries'
import { startApi } from './support/app'

let api: Awaited<ReturnType<typeof startApi>>
let testers: string[]
beforeAll(async () => {
  api = await startApi()
  await api.add('/api/gym/testers', { name: 'Ash', skill: 'trained' })
  await api.add('/api/gym/testers', { name: 'Birch', skill: 'novice' })
  testers = ((await api.get('/api/gym')).body as Gym).testers.slice(-2).map(({ id }) => id)
})
afterAll(() => api.close())

const form = (more: object = {}) => ({
  ...{ id: randomUUID(), testerId: testers[0], referenceId: null, standard: 'us' },
  ...{ sites: ['triceps', 'waist'], subjects: ['Al', 'Bo', 'Cy'] },
  ...more,
})
const begin = async (more: object = {}) =>
  (await api.post('/api/studies', form(more))).body as StudyView
const reading = (more: object) => ({
  ...{ id: randomUUID(), value: 12.2, typedUnit: 'mm', typedText: '12.2' },
  ...more,
})
const take = (id: string, more: object) => api.post(`/api/studies/${id}/trials`, reading(more))
const designOf = ({ testerId, referenceId, sites, order }: StudyView) => ({
  ...{ sites, order, testers: [testerId, ...(referenceId ? [referenceId] : [])] },
})

test('the order is drawn by lot, everybody in it once', async () => {
  const subjects = Array.from({ length: 12 }, (_, i) => `Subject ${i + 1}`)
  const orders = await Promise.all(Array.from({ length: 4 }, () => begin({ subjects })))
  for (const { order } of orders)
    expect([...order].sort((a, b) => a - b)).toEqual(subjects.map((_, i) => i))
  expect(new Set(orders.map(({ order }) => order.join())).size).toBeGreaterThan(1)
})

test('no answer holds a reading before both are in, nor one of two testers before the other’s', async () => {
  const study = await begin({ referenceId: testers[1] })
  const { id } = study
  const of = (testerId: string, trial: 1 | 2, value: number) =>
    take(id, { subject: 1, site: 'triceps', testerId, trial, value, typedText: String(value) })
  const hidden = [17.31, 17.52, 18.11]
  await of(testers[0]!, 1, hidden[0]!)
  await of(testers[0]!, 2, hidden[1]!)
  const { body } = await of(testers[1]!, 1, hidden[2]!)
  const everywhere = [body, (await api.get(`/api/studies/${id}`)).body]
  for (const tester of testers) everywhere.push((await api.get(`/api/gym/testers/${tester}`)).body)
  for (const said of everywhere)
    for (const value of hidden) expect(JSON.stringify(said)).not.toContain(String(value))
  expect((body as StudyView).in).toHaveLength(3)
  const last = (await of(testers[1]!, 2, 18.4)).body as StudyView
  expect(last.rows).toEqual([
    { subject: 1, site: 'triceps', tester: testers[0], trials: [17.31, 17.52] },
    { subject: 1, site: 'triceps', tester: testers[1], trials: [18.11, 18.4] },
  ])
})

test('a reading sent twice is kept once; of two of a pass the later counts; ended, none is taken', async () => {
  const { id } = await begin()
  const at = { subject: 0, site: 'triceps', testerId: testers[0], trial: 1 }
  const same = reading(at)
  await api.post(`/api/studies/${id}/trials`, same)
  await api.post(`/api/studies/${id}/trials`, same)
  await take(id, { ...at, value: 14 })
  const { body } = await take(id, { ...at, trial: 2, value: 14.4 })
  expect((body as StudyView).taken).toBe(2)
  expect((body as StudyView).rows[0]!.trials).toEqual([14, 14.4])
  await expect(api.engine.query('update study_trials set value_canonical = 1')).rejects.toThrow(
    /append-only/,
  )
  const ended = (await api.post(`/api/studies/${id}/end`, { ended: true })).body as StudyView
  expect(ended.endedOn).toBe(isoDateOf(new Date()))
  // Told where it is the next day already, or still the one before.
  const zone = process.env.TZ
  for (const TZ of ['Pacific/Kiritimati', 'Pacific/Pago_Pago']) {
    process.env.TZ = TZ
    const { studies } = (await api.get(`/api/gym/testers/${testers[0]}`)).body as TesterView
    expect(studies.find((one) => one.id === id)?.endedOn).toBe(isoDateOf(new Date()))
  }
  if (zone === undefined) delete process.env.TZ
  else process.env.TZ = zone
  expect((await take(id, { ...at, site: 'waist', value: 70 })).status).toBe(409)
  // What was taken before the end and arrives again is no quarrel.
  expect((await api.post(`/api/studies/${id}/trials`, same)).status).toBe(200)
  await api.post(`/api/studies/${id}/end`, { ended: false })
  expect((await take(id, { ...at, site: 'waist', value: 70 })).status).toBe(200)
})

test.each([
  ['another’s subject', { subject: 9 }, 422],
  ['a site that is not of it', { site: 'thigh' }, 422],
  ['somebody who does not measure in it', { other: true }, 422],
  ['a fold of a metre', { value: 999, typedText: '999' }, 422],
])(
  '%s is refused, and says what is accepted',
  async (_, { other, ...more }: object & { other?: boolean }, status) => {
    const { id } = await begin()
    const testerId = testers[other ? 1 : 0]
    const answer = await take(id, { subject: 0, site: 'triceps', testerId, trial: 1, ...more })
    expect(answer.status).toBe(status)
    expect(JSON.stringify(answer.body)).toMatch(/Accepted|to 80|mm/)
  },
)

test.each([
  ['oneself as the reference', () => ({ referenceId: testers[0] }), 422],
  ['a name twice', () => ({ subjects: ['Al', 'Al'] }), 422],
  ['a site twice', () => ({ sites: ['waist', 'waist'] }), 422],
  ['nobody', () => ({ testerId: randomUUID() }), 404],
])('a study of %s is not begun', async (_, more, status) => {
  expect((await api.post('/api/studies', form(more()))).status).toBe(status)
})

test('a study makes the tester’s own error, blended with the usual one by how much there is', async () => {
  const subjects = Array.from({ length: 10 }, (_, i) => `Subject ${i + 1}`)
  const name = 'Cedar'
  await api.add('/api/gym/testers', { name, skill: 'trained' })
  const { testers: all } = (await api.get('/api/gym')).body as Gym
  const testerId = all.find((one) => one.name === name)!.id
  let study = await begin({ subjects, testerId, sites: ['triceps'] })
  for (let i = 0; ; i++) {
    const steps = study.in.map((one) => ({ ...one, tester: testerId }))
    const step = nextInStudy(designOf(study), steps, testerId)
    if (!step) break
    const { tester: _, ...box } = step
    // Each pair is 3 mm apart: TEM = sqrt(9 / 2).
    const value = 20 + i / 4 + (box.trial === 2 ? 2.75 : 0)
    study = (await take(study.id, { ...box, testerId, value })).body as StudyView
  }
  expect(study.taken).toBe(study.wanted)
  const own = (await listOwnErrors(api.db))[testerId]!.triceps!
  expect(own).toEqual({ tem: expect.closeTo(Math.sqrt(4.5), 9), pairs: 10 })
  const usual = usualRepeatError('triceps', 'trained')
  const { repeat } = siteError('triceps', { skill: 'trained', ownErrors: { triceps: own } })
  expect(repeat).toBeCloseTo(blendedRepeatError(own.tem, 10, usual), 9)
  // Half way in variance at ten of twenty pairs.
  expect(repeat ** 2).toBeCloseTo((4.5 + usual ** 2) / 2, 9)
  const view = (await api.get(`/api/gym/testers/${testerId}`)).body as TesterView
  expect(view.fromStudies).toHaveLength(10)
  expect(view.studies.map(({ id }) => id)).toEqual([study.id])
})

test('the certificate is a page, complete or not', async () => {
  const { id } = await begin()
  for (const paper of ['a4', 'letter']) {
    const answer = await api.raw('GET', `/api/studies/${id}/certificate?paper=${paper}`)
    expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/pdf'])
    expect(
      Buffer.from(await answer.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-')
  }
})

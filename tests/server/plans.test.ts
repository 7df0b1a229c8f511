import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { addDays, energyPlan, isoDateOf, startOf, type Goal, type Pace } from '#core'
import { clientRecordSchema } from '#shared/contract/record'
import { calendarSchema } from '#shared/contract/calendar'
import type { Plan, PlanDefinition } from '#shared/contract/plans'
import { startApi } from './support/app'
import * as club from './support/club'

const today = isoDateOf(new Date())

let api: Awaited<ReturnType<typeof startApi>>
beforeAll(async () => {
  api = await startApi()
})
afterAll(() => api.close())

const addClient = (name: string) => club.addClient(api, name)
const measure = (clientId: string, daysAgo: number, share?: number) =>
  club.measure(api, clientId, daysAgo, { share })
const viewOf = async (id: string) =>
  clientRecordSchema.parse((await api.get(`/api/clients/${id}/record`)).body)

const plansOf = async (id: string) =>
  (await api.get(`/api/clients/${id}/plans`)).body.plans as Plan[]

interface Wish {
  goal?: Goal
  pace?: Pace
  more?: Partial<PlanDefinition>
}

/** A plan of a client as the screen makes it, from one of their check-ins. */
async function planOf(clientId: string, checkInId: string, { goal, pace, more }: Wish = {}) {
  const { client, checkIns } = await viewOf(clientId)
  const checkIn = checkIns.find(({ id }) => id === checkInId)!
  const start = startOf(client, checkIn, today)!
  const { fatKg, leanKg, standardError } = start
  const form = 'lean' as const
  const { intakeKcal, needKcal } = energyPlan(start, { form, activity: 1.55, paceKg: 0.3 })
  const definition: PlanDefinition = {
    ...{ goal: goal ?? { kind: 'mass', value: 61 }, pace: pace ?? { unit: 'kg', value: 0.3 } },
    ...{ form, activity: 1.55, training: 'strength', purpose: 'training', peakWeek: false },
    ...{ intakeKcal, needKcal, weeks: 10, checkInId, fatKg, leanKg, standardError, ...more },
  }
  return { startedOn: checkIn.measuredOn, definition, cadenceDays: 21 }
}
const keep = (clientId: string, plan: object) => api.add(`/api/clients/${clientId}/plans`, plan)

describe('a plan', () => {
  test('is kept with the days between check-ins; another takes its place, and it stays on record', async () => {
    const id = await addClient('Pia Plan')
    const checkIn = await measure(id, 3)
    expect((await keep(id, await planOf(id, checkIn))).status).toBe(200)
    expect((await viewOf(id)).client.cadenceDays).toBe(21)
    await keep(id, await planOf(id, checkIn, { goal: { kind: 'mass', value: 60 } }))
    const plans = await plansOf(id)
    expect(plans.map((p) => [p.definition.goal.value, p.replacedAt === null])).toEqual([
      [60, true],
      [61, false],
    ])
    const { body } = await api.post(`/api/clients/${id}/plans/end`)
    expect((body as typeof plans).every(({ replacedAt }) => replacedAt !== null)).toBe(true)
  })

  test.each<[string, Wish, string, RegExp]>([
    [
      'a goal under the floor',
      { goal: { kind: 'fatPercent', value: 8 } },
      'goal',
      /Goal: enter another\. Got 8\. This goal leaves 8\.0% fat; under 10%/,
    ],
    [
      'a pace past the band',
      { pace: { unit: 'kg', value: 1.5 } },
      'pace',
      /Pace: enter a slower one\. Got 1\.5\. .* is faster than the limit here, \d\.\d+%/,
    ],
    [
      'an intake under what the pace asks for',
      { more: { intakeKcal: 900 } },
      'intakeKcal',
      /Intake: enter \d,\d{3} kcal a day or more.* Got 900\./,
    ],
    [
      'a body that the check-in does not give',
      { more: { fatKg: 30 } },
      'checkInId',
      /Start of the plan: enter a closed check-in of this client/,
    ],
  ])('%s is refused, whatever sends it', async (_what, wish, field, words) => {
    const id = await addClient('Rhea Refused')
    const { status, body } = await keep(id, await planOf(id, await measure(id, 3), wish))
    expect(status).toBe(422)
    expect(body.problems).toMatchObject([{ field, message: expect.stringMatching(words) }])
    expect(await plansOf(id)).toEqual([])
  })

  test('nobody is planned for who should not be: pregnancy, eating disorder, too little fat', async () => {
    const refused = async (id: string, checkIn: string) => {
      const { status, body } = await keep(id, await planOf(id, checkIn))
      expect(status).toBe(422)
      return body.problems[0].message as string
    }
    for (const [flag, words] of [
      ['pregnant', /Pregnancy: no deficit.*midwife, physician and dietitian/],
      ['eating disorder', /eating disorder.*referral/],
    ] as const) {
      const id = await addClient(`Flag ${flag}`)
      const checkIn = await measure(id, 3)
      await api.add(`/api/clients/${id}/screening`, { flags: [flag] })
      expect(await refused(id, checkIn)).toMatch(words)
      // An answer that no longer holds no longer stops it.
      await api.add(`/api/clients/${id}/screening`, { flags: [] })
      expect((await keep(id, await planOf(id, checkIn))).status).toBe(200)
    }
    const lean = await addClient('Lena Lean')
    expect(await refused(lean, await measure(lean, 3, 0.36))).toMatch(
      /under 10% nothing is planned/,
    )
  })

  test('a clearance on record lifts a hold, once, and no refusal', async () => {
    const id = await addClient('Hilda Held')
    const checkIn = await measure(id, 3)
    await api.add(`/api/clients/${id}/screening`, { flags: ['kidney disease'] })
    const wanted = await planOf(id, checkIn)
    const held = await keep(id, wanted)
    expect(held.status).toBe(422)
    expect(held.body.problems[0].message).toMatch(/cleared by the physician; protein is theirs/)
    const url = `/api/clients/${id}/plans/clearances`
    const clearance = { id: randomUUID(), rule: 'kidney-disease', by: 'Dr. Hale', on: today }
    await api.post(url, clearance)
    expect((await api.post(url, clearance)).body).toHaveLength(1)
    expect((await keep(id, wanted)).status).toBe(200)
    const { clearances } = (await api.get(`/api/clients/${id}/plans`)).body
    expect(clearances).toEqual([{ rule: 'kidney-disease', by: 'Dr. Hale', on: today }])

    const refused = await api.post(url, { ...clearance, id: randomUUID(), rule: 'pregnant' })
    expect(refused.status).toBe(422)
    expect(refused.body.problems[0].field).toBe('rule')
    const other = await addClient('Hanna Other')
    await api.add(`/api/clients/${other}/screening`, { flags: ['kidney disease'] })
    expect((await keep(other, await planOf(other, await measure(other, 3)))).status).toBe(422)
  })

  test('a change is a version of its own, with who made it, what was said, and what it changed', async () => {
    const id = await addClient('Vera Version')
    const checkIn = await measure(id, 20)
    const first = { ...(await planOf(id, checkIn)), id: randomUUID(), madeBy: 'Fenna Test' }
    const more = { exerciseKcal: 400, breaks: { every: 6, weeks: 2 } }
    const changed = await planOf(id, checkIn, { goal: { kind: 'loseMass', value: 2 }, more })
    await keep(id, first)
    await keep(id, { ...changed, startedOn: addDays(today, 3), changes: first.id })
    const [now, before] = (await plansOf(id)) as [Plan, Plan]
    expect(before).toMatchObject({ madeBy: 'Fenna Test', changes: null, refused: false })
    expect(before.replacedAt).not.toBeNull()
    expect(now).toMatchObject({ changes: first.id, startedOn: addDays(today, 3), replacedAt: null })
    expect(now.definition).toMatchObject({ goal: { kind: 'loseMass' }, ...more })
    expect(now.findings.map(({ rule }) => rule)).toEqual(['energy-low'])
    expect((await viewOf(id)).planInForce!.id).toBe(now.id)

    const other = await addClient('Olaf Other')
    const theirs = await planOf(other, await measure(other, 3))
    const { status, body } = await keep(other, { ...theirs, changes: first.id })
    expect([status, body.problems[0].field]).toEqual([422, 'changes'])
    const early = await keep(other, { ...theirs, startedOn: addDays(today, -4) })
    expect(early.body.problems).toMatchObject([
      { field: 'startedOn', message: expect.stringMatching(/the day of its check-in, or later/) },
    ])
    const goal = { kind: 'mass', value: 61, date: addDays(today, 5) } as const
    const soon = await keep(other, { ...theirs, definition: { ...theirs.definition, goal } })
    expect(soon.body.problems).toMatchObject([
      { field: 'date', message: expect.stringMatching(/^Day of the goal: .* or later/) },
    ])
  })

  test('what is refused can be put on record with why, and only that', async () => {
    const id = await addClient('Rita Record')
    const checkIn = await measure(id, 3)
    await keep(id, await planOf(id, checkIn))
    const url = `/api/clients/${id}/plans/refused`
    const low = await planOf(id, checkIn, { goal: { kind: 'fatPercent', value: 8 } })
    const sent = { ...low, id: randomUUID(), madeBy: 'Fenna Test' }
    for (const _twice of [1, 2]) {
      const { body } = await api.post(url, sent)
      expect(body).toHaveLength(2)
    }
    const [refused, kept] = (await plansOf(id)) as [Plan, Plan]
    expect(refused).toMatchObject({ refused: true, madeBy: 'Fenna Test' })
    expect(refused.replacedAt).not.toBeNull()
    expect(refused.findings).toContainEqual(
      expect.objectContaining({ rule: 'fat-floor', outcome: 'refused' }),
    )
    expect(kept.replacedAt).toBeNull()
    const allowed = await api.add(url, await planOf(id, checkIn))
    expect([allowed.status, allowed.body.problems[0].field]).toEqual([422, 'plan'])
  })

  test('nor from somebody else’s check-in, an open one, or one set aside', async () => {
    const [id, other] = [await addClient('Una Own'), await addClient('Otto Other')]
    const mine = await measure(id, 3)
    const plan = await planOf(id, mine)
    const theirs = await measure(other, 3)
    const from = (checkInId: string) =>
      keep(id, { ...plan, definition: { ...plan.definition, checkInId } })
    expect((await from(theirs)).status).toBe(422)
    expect((await from(randomUUID())).status).toBe(422)
    await api.post(`/api/check-ins/${mine}/void`, { reason: 'wrong person' })
    expect((await from(mine)).body.problems[0].field).toBe('checkInId')
    await api.post(`/api/check-ins/${mine}/restore`)
    expect((await from(mine)).status).toBe(200)
  })
})

describe('the calendar', () => {
  const month = async () =>
    calendarSchema.parse(
      (await api.get(`/api/calendar?from=${addDays(today, -60)}&to=${addDays(today, 60)}`)).body,
    ).entries
  const dueOf = async (id: string) => (await month()).find(({ clientId }) => clientId === id)

  test('has who is due, by cadence or as moved; the archived are left out', async () => {
    const id = await addClient('Cal Calendar')
    expect(await dueOf(id)).toBeUndefined()
    await measure(id, 5)
    expect(await dueOf(id)).toMatchObject({ dueOn: addDays(today, 23), moved: false })
    await api.patch(`/api/clients/${id}`, { nextDueOn: addDays(today, 30) })
    expect(await dueOf(id)).toMatchObject({ dueOn: addDays(today, 30), moved: true })
    // A day before the last check-in is past: the cadence counts again.
    await api.patch(`/api/clients/${id}`, { nextDueOn: addDays(today, -6) })
    expect(await dueOf(id)).toMatchObject({ dueOn: addDays(today, 23), moved: false })
    await api.patch(`/api/clients/${id}`, { archived: true })
    expect(await dueOf(id)).toBeUndefined()
  })

  test('a voided check-in moves nobody’s day', async () => {
    const id = await addClient('Vera Void')
    await measure(id, 20)
    const slip = await measure(id, 2)
    expect((await dueOf(id))!.dueOn).toBe(addDays(today, 26))
    await api.post(`/api/check-ins/${slip}/void`, { reason: 'another client' })
    expect((await dueOf(id))!.dueOn).toBe(addDays(today, 8))
  })

  test('is refused without its two days', async () => {
    const { status, body } = await api.get('/api/calendar?from=soon')
    expect(status).toBe(422)
    expect(body.problems.map((p: { field: string }) => p.field)).toEqual(['from', 'to'])
  })
})

import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import {
  checkPlan,
  followUp,
  indicesOf,
  foldSumOf,
  isoDateOf,
  lookAtRecord,
  measuredOf,
  partsOfRecord,
  resultOf,
  seriesBy,
  sheetOf,
  startOf,
  startOfPlan,
  weeksOut,
  type Person,
} from '#core'
import { clientRecordSchema } from '#shared/contract/record'
import { rosterSchema } from '#shared/contract/roster'
import { todaySchema } from '#shared/contract/today'
import { scenario } from '../../demo/scenario'
import { seedDemo } from '../../demo/seed'
import { startApi } from './support/app'

let api: Awaited<ReturnType<typeof startApi>>
beforeAll(async () => {
  api = await startApi()
  await seedDemo(api.db, async () => {})
})
afterAll(() => api.close())

test('is the same every time, and its dates move with today', () => {
  const [a, again, later] = [scenario('2026-03-14'), scenario('2026-03-14'), scenario('2026-03-15')]
  expect(again).toEqual(a)
  expect(later.checkIns.map((c) => c.readings.map((r) => r.value))).toEqual(
    a.checkIns.map((c) => c.readings.map((r) => r.value)),
  )
  expect(later.checkIns[0]!.measuredOn > a.checkIns[0]!.measuredOn).toBe(true)
})

test('is put in once', async () => {
  await seedDemo(api.db, async () => {})
  expect(todaySchema.parse((await api.get('/api/today')).body).clients).toBe(23)
})

describe('shows what it is there to show', () => {
  async function seriesOf(name: string) {
    const { entries } = rosterSchema.parse((await api.get('/api/clients')).body)
    const entry = entries.find((e) => e.client.name.startsWith(name))!
    const view = clientRecordSchema.parse(
      (await api.get(`/api/clients/${entry.client.id}/record`)).body,
    )
    const closed = view.checkIns.filter((c) => c.closedAt)
    const series = seriesBy(view.client, [...closed].reverse(), closed[0]!)
    const [first, last] = [series[0]!.estimate!, series.at(-1)!.estimate!]
    return {
      view,
      entry,
      fat: last.fatMassKg! - first.fatMassKg!,
      lean: last.leanMassKg! - first.leanMassKg!,
      sum: last.sumMm! - first.sumMm!,
    }
  }

  test('somebody who loses fat and holds lean', async () => {
    const { fat, lean } = await seriesOf('Tilda')
    expect(fat).toBeLessThan(-4)
    expect(Math.abs(lean)).toBeLessThan(1)
  })

  test('somebody who loses weight but not folds', async () => {
    const { lean, sum } = await seriesOf('Gus')
    expect(lean).toBeLessThan(-2)
    expect(Math.abs(sum)).toBeLessThan(8)
  })

  test('one late and one under way', async () => {
    expect((await seriesOf('Bram')).entry.state).toBe('late')
    const { measure } = todaySchema.parse((await api.get('/api/today')).body)
    expect(measure.shown[0]).toMatchObject({
      client: { name: 'Orla Finchett' },
      open: { readings: 9 },
    })
  })

  test('a plan within every limit, with a check-in since that it is held against', async () => {
    const { view } = await seriesOf('Tilda')
    const plan = view.planInForce
    const { checkInId, fatKg } = plan!.definition
    const from = view.checkIns.find(({ id }) => id === checkInId)!
    const start = startOf(view.client, from, plan!.startedOn)!
    expect(start.fatKg).toBeCloseTo(fatKg, 9)
    const { flags, clearances } = (await api.get(`/api/clients/${view.client.id}/plans`)).body
    const ground = { flags, clearances, today: plan!.startedOn }
    expect(() =>
      checkPlan({ ...plan!.definition, startedOn: plan!.startedOn }, start, ground),
    ).not.toThrow()
    expect(view.checkIns.filter(({ measuredOn }) => measuredOn > plan!.startedOn).length).toBe(5)
  })

  test('plans on course, behind, losing lean, weeks out to a weigh-in, and one that was refused', async () => {
    const standingOf = async (name: string) => {
      const { view } = await seriesOf(name)
      const checkIns = view.checkIns
        .filter(({ closedAt }) => closedAt !== null)
        .map((checkIn) => measuredOf(checkIn, view))
        .reverse()
      const plan = view.planInForce!
      const look = lookAtRecord(partsOfRecord(view, checkIns))!
      const start = startOfPlan(view.client, plan)
      return followUp(look, { ...plan, ...plan.definition, start })?.standing
    }
    expect(await standingOf('Tilda')).toBe('on')
    expect(await standingOf('Anton')).toBe('behind')
    expect(await standingOf('Gus')).toBe('losing lean')
    const { goal } = (await seriesOf('Orla')).view.planInForce!.definition
    expect(goal.occasion).toBe('weigh-in')
    expect(weeksOut(isoDateOf(new Date()), goal.date!)).toBe(14)
    const { view } = await seriesOf('Petra')
    expect(view.planInForce).toBeNull()
    const { plans } = (await api.get(`/api/clients/${view.client.id}/plans`)).body
    expect(plans).toMatchObject([{ refused: true, findings: [{ rule: 'fat-floor' }, {}] }])
  })

  /** Somebody of the club with their check-ins and what is read from them. */
  function of(name: string) {
    const club = scenario(isoDateOf(new Date()))
    const client = club.clients.find((c) => c.name.startsWith(name))!
    const person = { ...client, heightCm: client.height?.cm ?? null }
    const checkIns = club.checkIns.filter((c) => c.clientId === client.id)
    return { client, checkIns, sheets: checkIns.map((checkIn) => sheetOf(person, checkIn)) }
  }

  test('somebody who follows the sum of eight, and somebody with a tape at home every week', () => {
    const wynne = of('Wynne')
    expect(wynne.client.showPercentages).toBe(false)
    const sums = wynne.sheets.map((sheet) => foldSumOf(sheet)!)
    expect(sums.map(({ folds }) => folds.length)).toEqual([8, 8, 8])
    expect(sums.at(-1)!.mm - sums[0]!.mm).toBeLessThan(-10)
    const rufus = of('Rufus').sheets
    expect(
      rufus.every(({ missing, protocol }) => !missing.length && protocol.id === 'home-weekly'),
    ).toBe(true)
    expect(rufus.at(-1)!.sites.abdomen!.value).toBeLessThan(rufus[0]!.sites.abdomen!.value)
  })

  test('somebody measured in another club’s ways, of whom little is known', () => {
    const { sheets, client, checkIns } = of('Odile')
    expect(client).toMatchObject({ birthDate: null, height: null })
    expect(sheets.every(({ missing }) => missing.length === 0)).toBe(true)
    // One site after another, and somewhere two readings did not agree at once.
    const trials = checkIns.flatMap(({ readings }) => readings.map(({ trial }) => trial))
    expect(Math.max(...trials)).toBeGreaterThan(2)
    const { readings } = checkIns.at(-1)!
    expect(readings.find(({ site }) => site === 'front_thigh')!.technique).toBe('supported')
    expect(readings.some(({ site }) => site === 'own_fold_high_calf')).toBe(true)
  })

  test('a girl by the equation and the reference of her age, and two by what was made for them', () => {
    const { client, checkIns, sheets } = of('Minna')
    expect(client.showPercentages).toBe(false)
    expect(checkIns.map(({ consent }) => consent?.by)).toEqual(['guardian', 'guardian', 'guardian'])
    const { subject } = sheets.at(-1)!
    const [, forAge] = indicesOf({ ...subject, girths: {} })
    expect(forAge).toMatchObject({ id: 'bmiForAge' })
    const person = (name: string) => {
      const { height, ...rest } = of(name).client
      return { ...rest, heightCm: height?.cm ?? null }
    }
    const resultOfLast = (name: string) => {
      const made = resultOf(person(name), of(name).checkIns.at(-1)!)
      return made.ok ? made.value : undefined
    }
    expect(resultOfLast('Vesna')!.equationId).toBe('parizkova-10')
    const { conversion, density, fatPercent } = resultOfLast('Odette')!
    expect(conversion).toBe('ortiz')
    expect(fatPercent).toBeCloseTo(485 / density! - 439, 9)
  })

  test('an estimate for every closed check-in of a protocol with an equation', () => {
    const { clients, checkIns } = scenario(isoDateOf(new Date()))
    const fed = checkIns.filter((c) => c.closedAt && c.protocolId !== 'home-weekly')
    for (const checkIn of fed) {
      const { height, ...client } = clients.find((c) => c.id === checkIn.clientId)!
      const person: Person = { ...client, heightCm: height?.cm ?? null }
      expect(resultOf(person, checkIn).ok).toBe(true)
    }
  })
})

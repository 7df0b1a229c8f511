import { randomUUID } from 'node:crypto'
import fc from 'fast-check'
import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, expect, test } from 'vitest'
import {
  addDays,
  dueState,
  ownErrorsOf,
  readingsInForce,
  type Reading,
  type StudyTrial,
} from '#core'
import { readings as readingsTable, studies, studyTrials } from '../../server/database/schema'
import { stateOn } from '../../server/clients/queries'
import { listOwnErrors } from '../../server/equipment/queries'
import { startApi } from './support/app'

/*
 * Three rules are written twice: in SQL for lists of thousands, in the core for everything else. Over generated
 * histories, written as rows since the API would never take some of them, the two have to agree.
 */

let api: Awaited<ReturnType<typeof startApi>>
let people: string[] = []
beforeAll(async () => {
  api = await startApi()
  for (const name of ['Ash', 'Birch', 'Cedar']) {
    await api.add('/api/gym/testers', { name, skill: 'trained' })
  }
  const found = await api.engine.query<{ id: string }>('select id from people order by name')
  people = found.rows.map(({ id }) => id)
})
afterAll(() => api.close())

const TODAY = '2026-06-15'

/** A reading of a history: what it is, and which earlier one it corrects, as a share of those before. */
const someReading = fc.record({
  place: fc.constantFrom(
    ...([
      { kind: 'skinfold', site: 'thigh', standard: 'us', technique: null },
      { kind: 'skinfold', site: 'thigh', standard: 'int', technique: null },
      { kind: 'skinfold', site: 'thigh', standard: 'int', technique: 'supported' },
      { kind: 'skinfold', site: 'own_fold_high_calf', standard: 'gym', technique: 'On the bone.' },
      { kind: 'girth', site: 'waist', standard: null, technique: null },
      { kind: 'mass', site: null, standard: null, technique: null },
    ] as const),
  ),
  trial: fc.integer({ min: 0, max: 3 }),
  value: fc.integer({ min: 40, max: 400 }).map((n) => n / 10),
  corrects: fc.option(fc.double({ min: 0, max: 1, maxExcluded: true, noNaN: true })),
  tester: fc.nat(1),
  second: fc.nat(5),
})
const someCheckIn = fc.record({
  daysAgo: fc.integer({ min: 0, max: 90 }),
  state: fc.constantFrom('closed', 'closed', 'closed', 'voided', 'paper'),
  readings: fc.array(someReading, { maxLength: 25, size: 'max' }),
})
const someClient = fc.record({
  cadenceDays: fc.integer({ min: 7, max: 60 }),
  movedBy: fc.option(fc.integer({ min: -60, max: 60 })),
  checkIns: fc.array(someCheckIn, { maxLength: 4 }),
})
type SomeCheckIn = typeof someCheckIn extends fc.Arbitrary<infer T> ? T : never

/** Readings of a check-in; a correction is of the same box, and only one corrects each. */
function readingsOf({ readings }: SomeCheckIn): (Reading & { testerId: string })[] {
  const all: (Reading & { testerId: string })[] = []
  for (const { place, trial, value, corrects, tester, second } of readings) {
    const free = all.filter(
      (r) =>
        r.site === place.site &&
        r.standard === place.standard &&
        r.technique === place.technique &&
        r.kind === place.kind &&
        !all.some(({ supersedes }) => supersedes === r.id),
    )
    const old = corrects === null ? undefined : free[Math.floor(corrects * free.length)]
    all.push({
      ...{ ...place, id: randomUUID(), value, testerId: people[tester]! },
      trial: old?.trial ?? trial,
      takenAt: `2026-06-01T10:00:0${second}.000Z`,
      supersedes: old?.id ?? null,
    })
  }
  return all
}

/** A reading of a study: of whom, where, by whom, on which pass; some come twice, and the later one counts. */
const someTrial = fc.record({
  subject: fc.nat(3),
  site: fc.constantFrom('triceps' as const, 'waist' as const),
  tester: fc.nat(1),
  trial: fc.constantFrom(1 as const, 2 as const),
  value: fc.integer({ min: 40, max: 400 }).map((n) => n / 10),
})

const someRecord = fc.record({
  clients: fc.array(someClient, { minLength: 1, maxLength: 5 }),
  trials: fc.array(someTrial, { maxLength: 20 }),
})

test('readings in force, what is due, and the testers’ own errors: the same by SQL as by the core', async () => {
  await fc.assert(
    fc.asyncProperty(someRecord, async ({ clients, trials }) => {
      await api.engine.exec('delete from clients; delete from studies')
      const inForce: string[] = []
      const closed: Reading[][] = []
      const due: Record<string, unknown> = {}
      for (const { cadenceDays, movedBy, checkIns } of clients) {
        const clientId = randomUUID()
        const nextDueOn = movedBy === null ? null : addDays(TODAY, movedBy)
        await api.db
          .execute(sql`insert into clients (id, name, sex, birth_date, cadence_days, next_due_on)
          values (${clientId}, 'Rae', 'female', '1990-03-14', ${cadenceDays}, ${nextDueOn})`)
        const days: string[] = []
        for (const checkIn of checkIns) {
          const id = randomUUID()
          const measuredOn = addDays(TODAY, -checkIn.daysAgo)
          await api.db.execute(sql`insert into check_ins
            (id, client_id, tester_id, protocol_id, conversion, measured_on, started_at, closed_at, voided_at, void_reason, from_paper)
            values (${id}, ${clientId}, ${people[0]}, 'seven-fold', 'siri', ${measuredOn}, now(),
              ${checkIn.state === 'paper' ? null : sql`now()`}, ${checkIn.state === 'voided' ? sql`now()` : null},
              ${checkIn.state === 'voided' ? 'a test' : null}, ${checkIn.state === 'paper'})`)
          const readings = readingsOf(checkIn)
          if (readings.length) {
            await api.db.insert(readingsTable).values(
              readings.map(({ value, takenAt, ...reading }) => ({
                ...{ ...reading, checkInId: id, valueCanonical: value, takenAt: new Date(takenAt) },
                ...({
                  typedUnit:
                    reading.kind === 'mass' ? 'kg' : reading.kind === 'girth' ? 'cm' : 'mm',
                } as const),
                typedText: String(value),
              })),
            )
          }
          inForce.push(...readingsInForce(readings).map((reading) => reading.id))
          if (checkIn.state !== 'closed') continue
          closed.push(readings)
          days.push(measuredOn)
        }
        const { dueOn, state, daysPast } = dueState(
          days.sort().at(-1) ?? null,
          cadenceDays,
          TODAY,
          nextDueOn,
        )
        due[clientId] = { dueOn, state, daysPast }
      }

      const { rows } = await api.engine.query<{ id: string }>('select id from readings_in_force')
      expect(rows.map(({ id }) => id).sort()).toEqual(inForce.sort())

      const standings = await api.db.execute<{
        id: string
        due_on: string
        state: string
        past: number
      }>(
        sql`select c.id, s.due_on::text, ${stateOn(TODAY)} as state, ${TODAY}::date - s.due_on as past
          from clients c join client_standings s on s.client_id = c.id`,
      )
      expect(
        Object.fromEntries(
          standings.rows.map(({ id, due_on: dueOn, state, past }) => [
            id,
            { dueOn, state, daysPast: past },
          ]),
        ),
      ).toEqual(due)

      const [study] = await api.db
        .insert(studies)
        .values({
          ...{ id: randomUUID(), testerId: people[0]!, referenceId: people[1]!, standard: 'us' },
          ...{ sites: ['triceps', 'waist'], subjects: ['A', 'B', 'C', 'D'], order: [0, 1, 2, 3] },
          begunOn: TODAY,
        })
        .returning()
      const counted = new Map<string, StudyTrial>()
      for (const { tester, ...trial } of trials) {
        const testerId = people[tester]!
        await api.db.insert(studyTrials).values({
          ...{ id: randomUUID(), studyId: study!.id, testerId, takenOn: TODAY },
          ...{ subject: trial.subject, site: trial.site, trial: trial.trial },
          ...{ valueCanonical: trial.value, typedUnit: 'mm', typedText: String(trial.value) },
        })
        const box = `${tester} ${trial.subject} ${trial.site} ${trial.trial}`
        counted.set(box, { ...trial, tester: testerId })
      }
      const [bySql, byCore] = [
        await listOwnErrors(api.db),
        ownErrorsOf(closed, [[...counted.values()]]),
      ]
      expect(Object.keys(bySql).sort()).toEqual(Object.keys(byCore).sort())
      for (const [tester, sites] of Object.entries(byCore)) {
        for (const [site, own] of Object.entries(sites)) {
          const { tem, pairs } = own!
          const found = bySql[tester]![site as 'thigh']!
          expect(found.pairs).toBe(pairs)
          expect(found.tem).toBeCloseTo(tem, 9)
        }
        expect(Object.keys(bySql[tester]!).sort()).toEqual(Object.keys(sites).sort())
      }
    }),
    { numRuns: 60, seed: 7 },
  )
})

import { randomUUID } from 'node:crypto'
import { addDays, isoDateOf, SEVEN_FOLDS, type SkinfoldId } from '#core'
import type { CheckIn, CheckInView } from '#shared/contract/check-ins'
import type { Client } from '#shared/contract/clients'
import type { ClientRecord } from '#shared/contract/record'
import type { TestServer } from './server'

/* One sheet and the next, invented for testing: a woman of 36, 62.0 kg, four weeks apart. */
export const LAST = [9, 11, 17, 13.5, 21, 16, 26]
export const NOW = [9, 10.5, 16.5, 13, 19.5, 15, 25]

/** The date of this machine at the time of asking: a file of tests may run past midnight. */
export const todayIs = () => isoDateOf(new Date())

export const recordOf = (server: TestServer, clientId: string) =>
  server.get<ClientRecord>(`/api/clients/${clientId}/record`)

export const viewOf = (server: TestServer, checkInId: string) =>
  server.get<CheckInView>(`/api/check-ins/${checkInId}`)

/** A woman of 36, put on record over the API. */
export function addClient(server: TestServer, name: string, more: object = {}): Promise<Client> {
  return server.post<Client>('/api/clients', {
    id: randomUUID(),
    name,
    sex: 'female',
    birthDate: addDays(todayIs(), -Math.round(36.5 * 365.25)),
    height: '168 cm',
    cadenceDays: 28,
    ...more,
  })
}

/** Starts a check-in of a client so many days ago. */
export function startCheckIn(
  server: TestServer,
  clientId: string,
  daysAgo = 0,
  more: object = {},
): Promise<CheckIn> {
  return server.post<CheckIn>('/api/check-ins', {
    id: randomUUID(),
    clientId,
    measuredOn: addDays(todayIs(), -daysAgo),
    startedAt: new Date(Date.now() - daysAgo * 86_400_000).toISOString(),
    ...more,
  })
}

/** Changes choices of a check-in, on the revision that it has. */
export async function changeCheckIn(server: TestServer, checkInId: string, change: object) {
  const { checkIn } = await viewOf(server, checkInId)
  return server.patch<CheckIn>(`/api/check-ins/${checkInId}`, {
    revision: checkIn.revision,
    ...change,
  })
}

export interface PlainReading {
  kind: 'skinfold' | 'girth' | 'mass' | 'height'
  site: string | null
  value: number
  trial?: number
  standard?: string
  typedUnit?: string
  supersedes?: string | null
  repair?: boolean
}

/** Readings as the floor would send them, with the tester and the instruments of the check-in. */
export function readingsFor(
  { id: checkInId, testerId, caliperId, tapeId, scaleId }: CheckIn,
  readings: readonly PlainReading[],
) {
  const instruments = { skinfold: caliperId, girth: tapeId, mass: scaleId, height: null }
  const units = { skinfold: 'mm', girth: 'cm', mass: 'kg', height: 'cm' }
  return readings.map((reading) => ({
    id: randomUUID(),
    checkInId,
    standard: reading.kind === 'skinfold' ? 'us' : null,
    trial: 1,
    typedUnit: units[reading.kind],
    typedText: String(reading.value),
    takenAt: new Date().toISOString(),
    supersedes: null,
    testerId,
    instrumentId: instruments[reading.kind],
    ...reading,
  }))
}

/** Stores readings in a check-in over the API. */
export const addReadings = (
  server: TestServer,
  checkIn: CheckIn,
  readings: readonly PlainReading[],
) =>
  server.post(`/api/check-ins/${checkIn.id}/readings`, { readings: readingsFor(checkIn, readings) })

export interface Sheet {
  folds?: number[]
  sites?: SkinfoldId[]
  massKg?: number
  rounds?: number
  standard?: string
  girths?: Record<string, number>
}

/** Folds and a body mass, stored and closed: seven folds once and 62.0 kg where nothing else is said. */
export async function closeWithSheet(
  server: TestServer,
  checkIn: CheckIn,
  {
    folds = LAST,
    sites = SEVEN_FOLDS,
    massKg = 62,
    rounds = 1,
    standard = 'us',
    girths = {},
  }: Sheet = {},
) {
  const numbers = Array.from({ length: rounds }, (_, i) => i + 1)
  await addReadings(server, checkIn, [
    ...numbers.flatMap((trial) =>
      sites.map((site, i) => {
        const by = site === 'lower_back' ? 'gym' : standard
        return { kind: 'skinfold' as const, site, value: folds[i]!, trial, standard: by }
      }),
    ),
    ...Object.entries(girths).map(([site, value]) => ({ kind: 'girth' as const, site, value })),
    { kind: 'mass', site: null, value: massKg },
  ])
  await server.post(`/api/check-ins/${checkIn.id}/close`, {})
}

/** A woman of 36 with one closed check-in four weeks ago, and one just started; its id. */
export async function secondCheckIn(server: TestServer, name: string): Promise<string> {
  const { id } = await addClient(server, name)
  await closeWithSheet(server, await startCheckIn(server, id, 28))
  return (await startCheckIn(server, id)).id
}

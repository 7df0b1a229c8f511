import { randomUUID } from 'node:crypto'
import { addDays, isoDateOf, SEVEN_FOLDS } from '#core'
import type { startApi } from './app'

type Api = Awaited<ReturnType<typeof startApi>>

/** Adds a woman of that name; returns her id. @param more changes of her record */
export async function addClient(api: Api, name: string, more: object = {}): Promise<string> {
  const { body } = await api.add('/api/clients', {
    ...{ name, sex: 'female', birthDate: '1990-03-14', height: '168 cm', cadenceDays: 28 },
  })
  if (Object.keys(more).length) await api.patch(`/api/clients/${body.id}`, more)
  return body.id as string
}

const SHEET = [9, 11, 17, 13.5, 21, 16, 26]
/** No fold is thinner than its skin, mm. */
const LEAST_FOLD = 5

/** A closed check-in with seven double folds of one share of a usual sheet; returns its id. */
export async function measure(
  api: Api,
  clientId: string,
  daysAgo: number,
  {
    share = 1,
    massKg = 64,
    waist,
  }: { share?: number; massKg?: number; waist?: { site: string; cm: number } } = {},
): Promise<string> {
  const id = randomUUID()
  const day = addDays(isoDateOf(new Date()), -daysAgo)
  const takenAt = `${day}T08:00:00Z`
  await api.post('/api/check-ins', { id, clientId, measuredOn: day, startedAt: takenAt })
  const { body: started } = await api.get(`/api/check-ins/${id}`)
  if (waist)
    await api.patch(`/api/check-ins/${id}`, { revision: 1, extraGirths: { [waist.site]: true } })
  const { testerId, caliperId, scaleId, tapeId } = started.checkIn
  const reading = (more: object) => ({
    ...{ id: randomUUID(), checkInId: id, trial: 1, typedUnit: 'mm', typedText: 'x', takenAt },
    ...{ supersedes: null, testerId, instrumentId: caliperId, ...more },
  })
  const folds = SEVEN_FOLDS.flatMap((site, i) =>
    [1, 2].map((trial) =>
      reading({
        ...{ kind: 'skinfold', site, standard: 'us', trial },
        value: Math.max(LEAST_FOLD, SHEET[i]! * share),
      }),
    ),
  )
  const mass = reading({
    kind: 'mass',
    site: null,
    standard: null,
    value: massKg,
    typedUnit: 'kg',
    instrumentId: scaleId,
  })
  const girths = waist
    ? [1, 2].map((trial) =>
        reading({
          ...{ kind: 'girth', site: waist.site, standard: null, value: waist.cm, trial },
          ...{ typedUnit: 'cm', instrumentId: tapeId },
        }),
      )
    : []
  const put = await api.post(`/api/check-ins/${id}/readings`, {
    readings: [...folds, mass, ...girths],
  })
  if (put.status >= 300) throw new Error(JSON.stringify(put.body))
  await api.post(`/api/check-ins/${id}/close`)
  return id
}

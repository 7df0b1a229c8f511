import 'fake-indexeddb/auto'
import { openDB } from 'idb'
import { afterEach, beforeEach, expect, test } from 'vitest'
import {
  closeOfflineStore,
  forgetClients,
  forgetView,
  keepView,
  keptOperations,
  keptView,
} from '../../app/features/check-in/offline-store'
import { changeOp, idOf, readingOp, viewOf } from './support/world'

const A = idOf('check-in A')

beforeEach(() => {
  globalThis.indexedDB = new IDBFactory()
})
afterEach(closeOfflineStore)

test('operations come back in the order of their putting in, changed in place and gone when removed', async () => {
  const [one, two, three] = [readingOp(A, 'one'), changeOp(A, 'two'), readingOp(A, 'three')]
  for (const operation of [one, two, three]) await keptOperations.put(operation)
  const aside = { ...one, setAside: { code: 'refused', message: 'Not so.' } }
  await keptOperations.put(aside)
  await closeOfflineStore()
  expect(await keptOperations.load()).toEqual([aside, two, three])
  await keptOperations.remove(two.id)
  expect(await keptOperations.load()).toEqual([aside, three])
})

test('a view comes back as it was, is forgotten when told, and is no view when it cannot be read', async () => {
  await keepView(viewOf(A))
  expect(await keptView(A)).toEqual(viewOf(A))
  await forgetView(A)
  expect(await keptView(A)).toBeUndefined()
  await keepView({ checkIn: { id: A } } as never)
  expect(await keptView(A)).toBeUndefined()
})

test('of clients who were deleted for good nothing stays, of others everything', async () => {
  const B = idOf('check-in B')
  const of = (id: string, client: string) => {
    const view = viewOf(id)
    return { ...view, client: { ...view.client, id: idOf(client) } }
  }
  await keepView(of(A, 'erased'))
  await keepView(of(B, 'other'))
  const [gone, stays] = [readingOp(A, 'one'), readingOp(B, 'two')]
  await keptOperations.put(gone)
  await keptOperations.put(stays)
  await forgetClients(new Set([idOf('erased')]))
  expect(await keptView(A)).toBeUndefined()
  expect(await keptView(B)).toBeDefined()
  expect(await keptOperations.load()).toEqual([stays])
})

test('what the first version had not sent yet is brought over, in its order', async () => {
  const old = await openDB('oak-pinch', 1, {
    upgrade(db) {
      db.createObjectStore('checkIns', { keyPath: 'id' })
      db.createObjectStore('readings', { keyPath: 'id' }).createIndex('checkIn', 'checkInId')
    },
  })
  const checkIn = { id: A, clientId: idOf('client'), coachId: idOf('tester'), revision: 3 }
  const equipment = { caliperId: idOf('caliper'), tapeId: null, scaleId: null }
  const change = {
    skipped: [{ site: 'chest', reason: 'out of time' }],
    conditions: { time: 'morning' },
    coachId: idOf('other'),
  }
  const mark = { site: 'triceps', school: 'us', text: 'by the freckle', side: 'left' }
  await old.put('checkIns', {
    id: A,
    view: { checkIn: { ...checkIn, ...equipment } },
    ...{ change, marks: [mark] },
  })
  const reading = (what: string, order: number, more: object = {}) => ({
    ...{ id: idOf(what), checkInId: A, order, stored: false, refusal: null, ...more },
    reading: {
      ...{ id: idOf(what), checkInId: A, kind: 'skinfold', site: 'thigh', school: 'us', pass: 1 },
      ...{ value: 22, unit: 'mm', typed: '22', takenAt: '2026-03-02T09:00:00.000Z' },
      ...{ supersedes: null, coachId: idOf('tester') },
    },
  })
  for (const row of [
    reading('second', 2),
    reading('first', 1),
    reading('stored', 3, { stored: true }),
    reading('refused', 4, { refusal: 'Thigh: too much.' }),
  ]) {
    await old.put('readings', row)
  }
  old.close()

  const all = await keptOperations.load()
  expect(all.map(({ kind }) => kind)).toEqual([
    'change',
    'site-note',
    'reading',
    'reading',
    'reading',
  ])
  expect(all[0]).toMatchObject({
    checkInId: A,
    setAside: null,
    change: {
      ...{ revision: 3, testerId: idOf('other'), skips: { chest: 'out of time' } },
      conditions: { time: 'morning' },
    },
  })
  expect(all[1]).toMatchObject({ note: { site: 'triceps', standard: 'us', side: 'left' } })
  expect(all.slice(2).map(({ id }) => id)).toEqual(['first', 'second', 'refused'].map(idOf))
  expect(all[2]).toMatchObject({
    reading: {
      ...{ standard: 'us', trial: 1, typedUnit: 'mm', typedText: '22' },
      ...{ testerId: idOf('tester'), instrumentId: idOf('caliper') },
    },
  })
  expect(all[4]!.setAside).toEqual({ code: 'refused', message: 'Thigh: too much.' })
})

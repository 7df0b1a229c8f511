import { expect, test } from 'vitest'
import {
  broughtTo,
  emptyDraft,
  girthDoubt,
  isEmpty,
  sentOf,
} from '../../app/features/my/report-draft'

const asks = {
  ...{ girths: ['waist' as const], photos: false, feelings: ['sleep' as const], weekday: 6 },
}
const units = { mass: 'kg', length: 'cm' } as const

test('a report is of the seven days up to its last, and empty until something is typed', () => {
  const draft = emptyDraft('2026-11-25', asks, units)
  expect(draft.weights.map(({ date }) => date)).toEqual([
    ...['2026-11-19', '2026-11-20', '2026-11-21', '2026-11-22', '2026-11-23', '2026-11-24'],
    '2026-11-25',
  ])
  expect(isEmpty(draft)).toBe(true)
  expect(isEmpty({ ...draft, note: ' \n' })).toBe(true)
  expect(isEmpty({ ...draft, feelings: { sleep: 3 } })).toBe(false)
})

test('what was begun days ago goes on with the days up to now', () => {
  const kept = emptyDraft('2026-11-18', asks, units)
  kept.weights[3]!.text = '83.2'
  kept.girths[0]!.texts = ['84', '']
  const fresh = emptyDraft('2026-11-25', { ...asks, girths: ['waist', 'hip'] }, units)
  const now = broughtTo(fresh, kept)
  expect([now.id, now.endsOn]).toEqual([kept.id, '2026-11-25'])
  expect(now.weights.map(({ date, text }) => `${date} ${text}`.trim()).slice(0, 2)).toEqual([
    '2026-11-15 83.2',
    '2026-11-19',
  ])
  expect(now.weights).toHaveLength(8)
  expect(now.girths.map(({ girth, texts }) => [girth, texts[0]])).toEqual([
    ['waist', '84'],
    ['hip', ''],
  ])
  expect(sentOf(now)).toMatchObject({
    weights: [{ date: '2026-11-15', text: '83.2', unit: 'kg' }],
    girths: [{ girth: 'waist', trial: 1, text: '84', unit: 'cm' }],
  })
})

test.each([
  [[84, 84.5], 85, undefined],
  [[84, 87], 85, 'apart'],
  [[84, 84], 90, 'far'],
  [[84], undefined, undefined],
  [[], 84, undefined],
])('%j after %j is asked about as %j', (values, last, doubt) => {
  expect(girthDoubt(values, last)).toBe(doubt)
})

import { randomLcg, randomNormal, randomUniform } from 'd3-random'
import { describe, expect, test } from 'vitest'
import { addDays } from '#core'
import {
  anchoredLevel,
  foldsChange,
  METHOD_ERRORS,
  methodChanges,
  OTHER_METHODS,
  type OtherMethod,
  type OtherResult,
} from '../../core/change/other-methods'

const DAY = '2026-03-01'
const SEE = 3.5

describe('the level of the folds put right', () => {
  const level = { on: DAY, fatPercent: 15, measuringSd: 0.5 }

  test('one scan: between the folds and the scan, by how sure each is, worked out by hand', () => {
    const found = anchoredLevel([level], SEE, [{ method: 'dxa', on: DAY, fatPercent: 18 }])!
    // Prior 3.5² = 12.25; of the difference 1.5² + 0.7² + 0.5² = 2.99: share 12.25 / 15.24.
    expect(found.readsHighBy).toBeCloseTo((-3 * 12.25) / 15.24, 9)
    expect(found.readsHighBySd).toBeCloseTo(Math.sqrt((12.25 * 2.99) / 15.24), 9)
    expect(found.fatPercent).toBeCloseTo(15 + (3 * 12.25) / 15.24, 9)
    expect(found.standardError).toBeCloseTo(Math.sqrt((12.25 * 2.99) / 15.24 + 0.25), 9)
    expect(found.plainStandardError).toBeCloseTo(Math.sqrt(12.25 + 0.25), 9)
  })

  test('many of one method say no more than its error of a person allows', () => {
    const many = Array.from({ length: 200 }, (): OtherResult => ({
      ...{ method: 'bia', on: DAY, fatPercent: 18 },
    }))
    const { readsHighBySd } = anchoredLevel([{ ...level, measuringSd: 0 }], SEE, many)!
    const floor = Math.sqrt(1 / (1 / SEE ** 2 + 1 / METHOD_ERRORS.bia.person ** 2))
    expect(readsHighBySd).toBeGreaterThan(floor)
    expect(readsHighBySd).toBeLessThan(floor * 1.01)
  })

  test('a result far from every check-in says nothing; the nearest check-in counts', () => {
    const scan = { method: 'dxa' as const, on: addDays(DAY, 60), fatPercent: 18 }
    expect(anchoredLevel([level], SEE, [scan])).toBeUndefined()
    expect(anchoredLevel([], SEE, [scan])).toBeUndefined()
    const later = { ...level, on: addDays(DAY, 50), fatPercent: 13 }
    const near = anchoredLevel([later, level], SEE, [scan])!
    expect(near.readsHighBy).toBeLessThan(-3)
    expect(near.fatPercent).toBeCloseTo(13 - near.readsHighBy, 9)
  })

  /*
   * People whose truth is known: an equation that is off by its standard error of estimate, methods with their two errors,
   * fat that wanders between the days. The intervals have to hold what is true 19 times in 20.
   */
  test.each([
    ['one scan', ['dxa']],
    ['a resistance series', ['bia', 'bia', 'bia', 'bia', 'bia', 'bia']],
    ['a scan and a resistance series', ['dxa', 'bia', 'bia', 'bia']],
    ['air, water and ultrasound', ['air', 'water', 'ultrasound']],
  ] as [string, OtherMethod[]][])('%s: 93 to 97 of 100 intervals hold the truth', (_, methods) => {
    const source = randomLcg(0.37)
    const normal = randomNormal.source(source)(0, 1)
    const uniform = randomUniform.source(source)(0, 1)
    const PEOPLE = 2000
    let inside = 0
    let width = 0
    for (let person = 0; person < PEOPLE; person++) {
      const own = SEE * normal()
      const bias = Object.fromEntries(
        OTHER_METHODS.map((method) => [method, METHOD_ERRORS[method].person * normal()]),
      ) as Record<OtherMethod, number>
      const measuringSd = 0.3 + 0.6 * uniform()
      let truth = 12 + 15 * uniform()
      const levels = []
      const results: OtherResult[] = []
      // A check-in every three weeks; each result some days after one of them.
      for (let week = 0; week < 24; week++) {
        const on = addDays(DAY, 7 * week)
        if (week % 3 === 0)
          levels.push({ on, measuringSd, fatPercent: truth + own + measuringSd * normal() })
        const method = week % 4 === 1 ? methods[(week - 1) / 4] : undefined
        if (method) {
          const fatPercent = truth + bias[method] + METHOD_ERRORS[method].day * normal()
          results.push({ method, on, fatPercent })
        }
        // The last check-in is of the last week.
        if (week < 21) truth += 0.25 * normal()
      }
      const found = anchoredLevel(levels, SEE, results)!
      if (Math.abs(found.fatPercent - truth) <= 1.96 * found.standardError) inside++
      width += found.standardError / found.plainStandardError
    }
    expect(inside / PEOPLE).toBeGreaterThan(0.93)
    expect(inside / PEOPLE).toBeLessThan(0.97)
    expect(width / PEOPLE).toBeLessThan(0.85)
  })
})

test('changes of each method by themselves: its error of the person is in both, that of the days is not', () => {
  const results: OtherResult[] = [
    { method: 'bia', on: '2026-06-01', fatPercent: 21 },
    { method: 'bia', on: '2026-01-01', fatPercent: 24 },
    { method: 'bia', on: '2026-03-01', fatPercent: 30 },
    { method: 'dxa', on: '2026-01-10', fatPercent: 20 },
    { method: 'dxa', on: '2026-06-10', fatPercent: 17 },
    { method: 'air', on: '2026-06-10', fatPercent: 17 },
  ]
  const [dxa, bia, ...none] = methodChanges(results)
  expect(none).toEqual([])
  // 1.96 · √2 · 0.7 and · 1.6.
  expect(dxa).toEqual({
    ...{ method: 'dxa', from: '2026-01-10', to: '2026-06-10', change: -3, clear: true },
    reach: expect.closeTo(1.94, 2),
  })
  expect(bia).toMatchObject({ from: '2026-01-01', to: '2026-06-01', change: -3, clear: false })
  expect(bia!.reach).toBeCloseTo(4.43, 2)
})

test('what the folds say over the same days: by the check-ins nearest to them, or nothing', () => {
  const levels = [0, 28, 140].map((days, i) => ({
    ...{ on: addDays(DAY, days), fatPercent: 20 - i, measuringSd: 0.3 + i / 10 },
  }))
  const span = { from: addDays(DAY, 20), to: addDays(DAY, 150) }
  expect(foldsChange(levels, span)).toEqual({
    ...{ change: -1, reach: expect.closeTo(1.96 * Math.hypot(0.4, 0.5), 9) },
  })
  expect(foldsChange(levels, { ...span, to: addDays(DAY, 30) })).toBeUndefined()
  expect(foldsChange(levels, { ...span, to: addDays(DAY, 183) })).toBeUndefined()
})

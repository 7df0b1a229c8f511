import { describe, expect, test } from 'vitest'
import { estimate, estimateRow } from '#core'
import { woman, womanFolds } from '../support/woman-row'

describe('a row', () => {
  test('by name gives the unrounded estimate', () => {
    const [row] = estimateRow(woman)
    const expected = estimate(
      'jackson-pollock-7',
      { sex: 'female', ageYears: 34, massKg: 54.88467677 },
      womanFolds,
    )
    expect(row).toMatchObject({
      id: 'w1',
      fat_percent: expected.fatPercent,
      density: expected.density,
      error: '',
    })
  })

  test('without a name gives all that its inputs allow', () => {
    const ids = estimateRow({ ...woman, equation: '' }).map((r) => r.equation)
    expect(ids).toContain('jackson-pollock-7')
    expect(ids).toContain('jackson-pollock-3')
    expect(ids).not.toContain('durnin-womersley-4')
  })

  test('mixes standards only where the equation does', () => {
    const four = { ...woman, biceps_mm: '4', iliac_crest_mm: '9', equation: 'durnin-womersley-4' }
    expect(estimateRow(four)[0]).toMatchObject({ sum_mm: 31, error: '' })
    // The column by its present and by its first name.
    for (const column of ['standard', 'school']) {
      expect(estimateRow({ ...woman, [column]: 'int' })[0]!.error).toMatch(
        /standard of triceps: got “int”. Accepted: us/,
      )
    }
  })

  test.each([
    [{ sex: 'f' }, /sex: got “f”. Accepted: male or female/],
    [{ age_years: '' }, /age_years: is missing/],
    [{ thigh_mm: 'twelve' }, /thigh_mm: got “twelve”/],
    [{ thigh_mm: '' }, /Thigh: is missing/],
    [{ abdominal_mm: '195' }, /Abdominal: got 195/],
    [{ standard: 'dw' }, /standard: got “dw”. Accepted: us or int/],
    [{ equation: 'nope' }, /Equation: got “nope”/],
    [{ age_years: '12' }, /age: got 12. Accepted: 18 years and over/],
  ])('that is bad says why: %o', (change, words) => {
    const [row] = estimateRow({ ...woman, ...change })
    expect(row!.error).toMatch(words)
    expect(row!.fat_percent).toBe('')
  })
})

import { told } from '../support/words'
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
      expect(told(estimateRow({ ...woman, [column]: 'int' })[0]!.error)).toMatch(
        /standard of triceps: enter us.* Got “int”/,
      )
    }
  })

  test.each([
    [{ sex: 'f' }, /sex: enter male or female\. Got “f”/],
    [{ age_years: '' }, /^age_years: enter 0 to 120 years\.$/],
    [{ thigh_mm: 'twelve' }, /thigh_mm: .* Got “twelve”/],
    [{ thigh_mm: '' }, /^Thigh: enter 3 to 100 mm\.$/],
    [{ abdominal_mm: '195' }, /Abdominal: enter .* Got 195/],
    [{ standard: 'dw' }, /standard: enter us or int.* Got “dw”/],
    [{ equation: 'nope' }, /Equation: .* Got “nope”/],
    [{ age_years: '12' }, /age: enter 18 years and over\. Got 12/],
  ])('that is bad says why: %o', (change, words) => {
    const [row] = estimateRow({ ...woman, ...change })
    expect(told(row!.error)).toMatch(words)
    expect(row!.fat_percent).toBe('')
  })
})

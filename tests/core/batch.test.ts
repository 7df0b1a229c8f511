import { told } from '../support/words'
import { describe, expect, test } from 'vitest'
import {
  attempt,
  EQUATIONS,
  estimate,
  estimateRow,
  isSkinfold,
  limitsOf,
  type SiteId,
  type Words,
} from '#core'
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

  const forms = EQUATIONS.flatMap((equation) =>
    equation.variants.map((variant) => ({ equation, variant })),
  )
  test.each(forms)(
    'by $equation.id, $variant.sex, from its own columns',
    ({ equation, variant }) => {
      const { sex, folds, girths, optionalGirths = [] } = variant
      const sites: SiteId[] = [...folds, ...girths, ...optionalGirths.map(({ girth }) => girth)]
      // A little over what is least usual of each: of the forms that refuse it, others are tried below.
      const valuesBy = (share: number) =>
        Object.fromEntries(
          sites.map((site) => {
            const { softLow, softHighMale } = limitsOf(site)
            return [site, Math.round(softLow + share * (softHighMale - softLow))]
          }),
        )
      const ageYears = Math.max(
        variant.ages?.youngest ?? 18,
        Math.min(30, variant.ages?.oldest ?? 30),
      )
      const subject = { sex, ageYears, heightCm: 171, massKg: 83, puberty: 'in' as const }
      let compared = 0
      for (const share of [0.2, 0.35, 0.5, 0.65, 0.8]) {
        const values = valuesBy(share)
        const made = attempt(() => estimate(equation.id, subject, values, { conversion: 'brozek' }))
        const [row] = estimateRow({
          ...{ id: 'x', equation: equation.id, sex, age_years: String(ageYears) },
          ...{ height_cm: '171', mass_kg: '83', puberty: 'in', conversion: 'brozek' },
          standard: equation.standard ?? '',
          ...Object.fromEntries(
            sites.map((site) => [
              `${site}_${isSkinfold(site) ? 'mm' : 'cm'}`,
              String(values[site]),
            ]),
          ),
        })
        if (!made.ok) expect(row!.error).not.toBe('')
        else {
          compared++
          expect(row).toMatchObject({ fat_percent: made.value.fatPercent, error: '' })
          expect(row!.conversion).toBe(variant.gives === 'density' ? 'brozek' : 'direct')
        }
      }
      expect(compared).toBeGreaterThan(0)
    },
  )

  test('takes the source’s term for a group from its own column', () => {
    const row = {
      ...{ id: 'x', equation: 'evans-3', sex: 'female', age_years: '21', standard: 'us' },
      ...{ abdominal_mm: '20', thigh_mm: '25', triceps_mm: '15' },
    }
    const [off] = estimateRow(row)
    const [on] = estimateRow({ ...row, group_term: 'black' })
    // Evans 2005, from memory: 1.998 points.
    expect(Number(off!.fat_percent) - Number(on!.fat_percent)).toBeCloseTo(1.998, 9)
    expect([off!.warnings, told(on!.warnings as Words)]).toEqual([
      '',
      expect.stringMatching(/term for Black/),
    ])
  })

  test.each([
    [{ sex: 'f' }, /sex: enter male or female\. Got “f”/],
    [{ age_years: '' }, /^age_years: enter 0 to 120 years\.$/],
    [{ thigh_mm: 'twelve' }, /thigh_mm: .* Got “twelve”/],
    [{ thigh_mm: '' }, /^Thigh: enter 3 to 100 mm\.$/],
    [{ abdominal_mm: '195' }, /Abdominal: enter .* Got 195/],
    [{ group_term: 'other' }, /group_term: enter black, asian or nothing\. Got “other”/],
    [{ puberty: 'soon' }, /puberty: enter before, in or after\. Got “soon”/],
    [{ standard: 'uk' }, /standard: enter us, int, dw, czech, gym, us when empty.* Got “uk”/],
    [
      { conversion: 'schutte' },
      /Conversion: enter siri, brozek, ortiz, or white-women.* Got “schutte”/,
    ],
    [{ equation: 'nope' }, /Equation: .* Got “nope”/],
    [{ age_years: '12' }, /age: enter 18 years and over\. Got 12/],
  ])('that is bad says why: %o', (change, words) => {
    const [row] = estimateRow({ ...woman, ...change })
    expect(told(row!.error)).toMatch(words)
    expect(row!.fat_percent).toBe('')
  })
})

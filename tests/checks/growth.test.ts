import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { bmiStanding, classify, heightStanding, indicesOf, type Sex } from '#core'
import { tell } from '../support/words'

/*
 * Growth reference of the World Health Organization for 5 to 19 years: de Onis M et al. Bull World Health Organ
 * 2007;85:660-667. data/who-2007.csv is what the workbooks of the npm package who-growth 1.7.0 (ISC) say: L, M and S, and
 * the values that the authors print at whole standard deviations, which are not worked out here.
 */
const [head, ...lines] = readFileSync(new URL('./data/who-2007.csv', import.meta.url), 'utf8')
  .trim()
  .split('\n')
  .map((line) => line.split(','))
const rows = lines.map((line) => ({
  sex: line[0] as Sex,
  of: line[1] as 'bmi' | 'height',
  month: Number(line[2]),
  printed: line.slice(6).map((value, i) => ({ z: i - 4, value: Number(value) })),
}))

describe('the growth reference', () => {
  test('puts each printed value at its standard deviation, of every month, for both sexes', () => {
    expect(head!.slice(6)).toEqual(
      [-4, -3, -2, -1, 0, 1, 2, 3, 4].map((z) => `SD${Math.abs(z)}${z < 0 ? 'neg' : ''}`),
    )
    expect(rows).toHaveLength(2 * 2 * 168)
    const standingOf = { bmi: bmiStanding, height: heightStanding }
    for (const { sex, of, month, printed } of rows)
      for (const { z, value } of printed) {
        const found = standingOf[of](sex, month, value)!
        // Printed to 0.001 kg/m² or cm, of which the steepest part of the table makes a two hundredth.
        expect(Math.abs(found.z - z), `${sex} ${of} ${month} ${z}`).toBeLessThan(0.005)
      }
  })

  test('says how many in 100 have less, by the normal curve', () => {
    // 15.264 and 16.645 kg/m² of boys of 61 months are the middle and one deviation over it; 84.13 is of any table of it.
    expect(bmiStanding('male', 61, 15.2641)!.fewer).toBeCloseTo(50, 4)
    expect(bmiStanding('male', 61, 16.645)!.fewer).toBeCloseTo(84.13, 1)
    expect(bmiStanding('male', 60, 15)).toBeUndefined()
    expect(bmiStanding('male', 228.9, 22)).toBeDefined()
    expect(bmiStanding('male', 229, 22)).toBeUndefined()
  })

  test('is among the indices of the young alone, and no class of adults is', () => {
    const of = (ageYears: number, ageMonths?: number) =>
      indicesOf({ sex: 'female', ageYears, ageMonths, heightCm: 158, massKg: 60, girths: {} })
    // 60 / 1.58² is 24.03: over +1 (22.201) and under +2 (26.693) at 161 months.
    const [bmi, forAge, height] = of(13, 161)
    expect(bmi!.classes).toEqual([])
    expect([forAge!.id, height!.id]).toEqual(['bmiForAge', 'heightForAge'])
    expect(forAge!.value).toBeGreaterThan(1)
    expect(tell(forAge!.classes[0]!.band.name)).toBe('overweight for the age')
    expect(height!.value).toBeCloseTo((158 - 158.0102) / (158.0102 * 0.044), 9)
    // Of the year alone, its middle is taken: 13 years and 6 months.
    expect(of(13)[1]).toEqual(of(13, 162)[1])
    expect(of(30).map(({ id }) => id)).toEqual(['bmi'])
  })

  /* Over +1 overweight, over +2 obesity, under -2 thinness, under -3 severe thinness: the same paper, page 665 (from memory). */
  test('classes begin and end where the authors have it', () => {
    const named = (z: number) =>
      tell(classify('bmi-age-who', z, { sex: 'male', ageYears: 12 })!.band.name)
    expect([-3.01, -2.99, -2.01, -1.99, 0.99, 1.01, 1.99, 2.01].map(named)).toEqual([
      ...['severe thinness', 'thinness', 'thinness', 'usual for the age', 'usual for the age'],
      ...['overweight for the age', 'overweight for the age', 'obesity for the age'],
    ])
    expect(classify('bmi-age-who', 1, { sex: 'male', ageYears: 19 })).toBeNull()
  })
})

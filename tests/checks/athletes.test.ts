import { readFileSync } from 'node:fs'
import Papa from 'papaparse'
import { mean, sampleCorrelation } from 'simple-statistics'
import { describe, expect, test } from 'vitest'
import { bodyMassIndex, estimate, READ_CSV } from '#core'

/*
 * 202 athletes: Telford RD, Cunningham RB, Med Sci Sports Exerc 1991;23:788-794, the data set `ais` of R's package sn.
 */
interface Athlete {
  sex: 'male' | 'female'
  [column: string]: string
}
const text = readFileSync(new URL('./data/ais.csv', import.meta.url), 'utf8')
const athletes = Papa.parse<Athlete>(text, READ_CSV).data

test('all are there', () => expect(athletes).toHaveLength(202))

test('the seven folds of Withers on their sums agree with the published fat %', () => {
  const men = athletes.filter((a) => a.sex === 'male')
  const estimated = men.map(({ ssf }) => {
    const each = Number(ssf) / 7
    const folds = {
      triceps: each,
      subscapular: each,
      biceps: each,
      supraspinale: each,
      abdominal: each,
      front_thigh: each,
      medial_calf: each,
    }
    return estimate('withers-7', { sex: 'male', ageYears: 22 }, folds).fatPercent
  })
  const published = men.map(({ bfat }) => Number(bfat))
  const differences = estimated.map((fat, i) => fat - published[i]!)
  expect(mean(differences)).toBeCloseTo(-0.14, 2)
  expect(Math.min(...differences)).toBeGreaterThan(-1.9)
  expect(Math.max(...differences)).toBeLessThan(2.5)
  expect(sampleCorrelation(estimated, published)).toBeCloseTo(0.97, 2)
})

describe('what follows from mass, height and fat %', () => {
  test.each(athletes.map((a) => [`${a.sex} ${a.sport} ${a.wt} kg`, a] as const))(
    '%s',
    (_name, a) => {
      const [mass, height, fat] = [Number(a.wt), Number(a.ht), Number(a.bfat)]
      expect(Math.abs(mass * (1 - fat / 100) - Number(a.lbm))).toBeLessThan(0.5)
      expect(Math.abs(bodyMassIndex(mass, height) - Number(a.bmi))).toBeLessThanOrEqual(0.0101)
    },
  )
})
